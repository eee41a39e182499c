import "fake-indexeddb/auto";
// @ts-expect-error: of Node, which the web is not typed for
import { File as FileThatCopies } from "node:buffer";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook, waitFor } from "@testing-library/react";
import { clear, createStore, keys } from "idb-keyval";
import type { ReactNode } from "react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { asFile } from "../api/files";
import { Problem } from "../api/problem";

const send = vi.hoisted(() => vi.fn());
const refresh = vi.hoisted(() => vi.fn(() => Promise.resolve()));
vi.mock("../api/data", () => ({ send, refresh }));
const once = vi.hoisted(() => ({ problems: undefined as unknown }));
vi.mock("../api/problem", async (original) => (once.problems ??= await original())); // one class, however often the box is opened
const time = vi.hoisted(() => ({ now: "2026-06-10T09:40:00.000Z" }));
vi.mock("../api/client", () => ({ serverNow: () => time.now }));

const path = "/api/judge/trials/{id}/readings" as const;
const figure = (value: string, trial = 1) => ({
  params: { path: { id: trial } },
  body: { plotId: 1, measureId: 1, value, at: null },
});
const sent = () => send.mock.calls.map((c) => (c[2] as ReturnType<typeof figure>).body.value);
const lost = new Problem(undefined);
const broken = new Problem({ title: "The file is locked." }, 503);
const refusal = new Problem(
  { title: "“x” is no figure.", fields: [{ field: "value", wrong: "No.", wayOut: "A figure." }] },
  422,
);

async function open() {
  vi.resetModules();
  const box = await import("./outbox");
  const queries = new QueryClient();
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
  const state = renderHook(() => box.useOutbox(), { wrapper }).result;
  const put = (value: string) => act(() => box.put(queries, path, figure(value) as never, `${value} kg`));
  const write = () =>
    renderHook(
      () =>
        box.useFieldWrite(
          path,
          (v: string) => figure(v) as never,
          (v) => `${v} kg`,
        ),
      { wrapper },
    ).result;
  await act(() => box.belongsTo("our-holding"));
  const again = () => act(() => box.flush(queries));
  return { ...box, queries, wrapper, state, put, write, again, anew: box.again, putAt: box.put };
}

describe("writes made without a signal", () => {
  beforeEach(async () => {
    localStorage.clear();
    time.now = "2026-06-10T09:40:00.000Z";
    send.mockReset();
    refresh.mockClear();
    await clear(createStore("mud-pie", "outbox"));
    await clear(createStore("mud-pie-photos", "photos"));
  });

  it("are sent in order, each under a key of its own, and gone when taken; what they changed is read again", async () => {
    send.mockResolvedValue({ id: 1 });
    const box = await open();
    await box.put("4.2");
    await box.put("4.4");
    expect(box.state.current.list).toEqual([]);
    expect(sent()).toEqual(["4.2", "4.4"]);
    expect(new Set(send.mock.calls.map((c) => c[3])).size).toBe(2);
    expect(refresh).toHaveBeenCalledWith(box.queries, path);
  });

  it("stay without a connection under the same key, also when the page is opened anew, so that they are kept once", async () => {
    send.mockRejectedValue(lost);
    const first = await open();
    await first.put("4.2");
    expect(first.state.current).toMatchObject({ reached: false, kept: true });
    const later = await open();
    expect(later.state.current.list.map((w) => w.says)).toEqual(["4.2 kg"]);
    send.mockResolvedValue({ id: 1 });
    await later.again();
    expect(later.state.current).toMatchObject({ list: [], reached: true });
    expect(new Set(send.mock.calls.map((c) => c[3])).size).toBe(1);
  });

  it("are dated when they were written, not when they come to be sent", async () => {
    send.mockResolvedValue({ id: 1 });
    const box = await open();
    await box.put("4.2");
    expect(send.mock.calls[0]?.[2]).toMatchObject({ body: { at: "2026-06-10T09:40:00.000Z" } });
  });

  it("wait where the server is in trouble, and hold up what came after them", async () => {
    send.mockRejectedValue(broken);
    const box = await open();
    await box.put("4.2");
    await box.put("4.4");
    expect(box.state.current.list.map((w) => w.refused)).toEqual([null, null]);
    expect(sent()).toEqual(["4.2", "4.2"]);
  });

  it("say in the server's words why one was refused, and that one holds up nothing behind it", async () => {
    send.mockRejectedValueOnce(refusal).mockResolvedValue({ id: 1 });
    const box = await open();
    await box.put("x");
    await box.put("4.4");
    expect(box.state.current.list.map((w) => w.refused?.message)).toEqual(["“x” is no figure."]);
    await act(() => box.drop(box.state.current.list[0]!.key));
    expect(box.state.current.list).toEqual([]);
  });

  it("wait for their own holding where the address serves another", async () => {
    send.mockRejectedValue(new Problem({ trouble: "another holding" }, 409));
    const box = await open();
    await box.put("4.2");
    expect(box.state.current.list[0]?.refused).toBeNull();
    await act(() => box.belongsTo("another"));
    expect(box.state.current.list).toEqual([]);
    await act(() => box.belongsTo("our-holding"));
    expect(box.state.current.list).toHaveLength(1);
  });

  it("take over the figures that an earlier Mud Pie kept on this device", async () => {
    const old = [{ key: "k-1", trial: 3, body: { plotId: 1, measureId: 1, value: "2.9" }, refused: null }];
    localStorage.setItem("mudpie-outbox-our-holding", JSON.stringify(old));
    send.mockResolvedValue({ id: 1 });
    const box = await open();
    await box.again();
    expect(send).toHaveBeenCalledWith("post", path, { params: { path: { id: 3 } }, body: old[0]!.body }, "k-1");
    expect(localStorage.getItem("mudpie-outbox-our-holding")).toBeNull();
  });

  it("come back to the form that wrote them: kept, waiting, or refused with what was typed", async () => {
    const box = await open();
    const form = box.write();
    send.mockResolvedValueOnce({ id: 7 });
    await act(() => expect(form.current.mutateAsync("4.2")).resolves.toEqual({ id: 7 }));
    send.mockRejectedValueOnce(refusal);
    await act(() => expect(form.current.mutateAsync("x")).rejects.toThrow("“x” is no figure."));
    expect(box.state.current.list).toEqual([]);
    send.mockRejectedValueOnce(lost);
    await act(() => expect(form.current.mutateAsync("4.4")).resolves.toBeNull());
    await waitFor(() => expect(box.state.current.list.map((w) => w.says)).toEqual(["4.4 kg"]));
  });

  it("are not left waiting where the server answers that it is in trouble: whoever wrote it still has it before them", async () => {
    const box = await open();
    const form = box.write();
    send.mockRejectedValueOnce(broken);
    await act(() => expect(form.current.mutateAsync("4.2")).rejects.toThrow("The file is locked."));
    expect(box.state.current.list).toEqual([]);
    send.mockResolvedValue({ id: 7 });
    await act(() => form.current.mutateAsync("4.2"));
    await act(() => form.current.mutateAsync("4.2"));
    const keys = send.mock.calls.map((c) => c[3]);
    expect(keys[1]).toBe(keys[0]); // it may have been kept the first time
    expect(keys[2]).not.toBe(keys[0]); // and what is written again afterwards is another
  });

  it("are sent under the name of whoever wrote them, and of nobody else", async () => {
    send.mockRejectedValue(lost);
    const box = await open();
    await act(() => box.isHere("Wren"));
    await box.put("4.2");
    await act(() => box.isHere("the owner"));
    await box.put("4.4");
    send.mockReset().mockResolvedValue({ id: 1 });
    await box.again();
    expect(sent()).toEqual(["4.4"]);
    expect(box.state.current.list.map((w) => w.who)).toEqual(["Wren"]);
    await act(() => box.isHere("Wren"));
    await box.again();
    expect(sent()).toEqual(["4.4", "4.2"]);
  });

  it("that waited for more than ninety days are looked at first, and then sent under a new key", async () => {
    send.mockRejectedValue(lost);
    const box = await open();
    await box.put("4.2");
    const key = box.state.current.list[0]!.key;
    time.now = "2026-08-20T09:40:00.000Z";
    expect(box.oldestDays(box.state.current.list)).toBe(71);
    time.now = "2026-09-09T09:40:00.000Z";
    send.mockReset().mockResolvedValue({ id: 1 });
    await box.again();
    expect(send).not.toHaveBeenCalled();
    const [old] = box.state.current.list;
    expect(old?.refused?.message).toContain("more than 90 days");
    await act(() => box.anew(box.queries, old!));
    expect(sent()).toEqual(["4.2"]);
    expect(send.mock.calls[0]?.[2]).toMatchObject({ body: { at: "2026-06-10T09:40:00.000Z" } }); // its hour stays
    expect(send.mock.calls[0]?.[3]).not.toBe(key);
    expect(box.state.current.list).toEqual([]);
  });

  it("of two who changed one thing show both, and go over what stands, give way to it, or become a note", async () => {
    const both = [{ field: "crop", yours: "beetroot", theirs: "fennel" }];
    const clash = new Problem({ title: "Somebody else changed this.", both, version: "v-2" }, 409);
    const box = await open();
    const bed = { body: { id: 4, name: "Ridge Bed 4", crop: "beetroot", version: "v-1" } };
    const change = () =>
      act(() => box.putAt(box.queries, "/api/ground/beds", bed as never, "Ridge Bed 4: crop beetroot"));
    send.mockRejectedValueOnce(clash);
    await change();
    expect(box.state.current.list[0]?.refused).toMatchObject({ both, version: "v-2" });
    send.mockResolvedValue({ id: 4 });
    await act(() => box.anew(box.queries, box.state.current.list[0]!));
    expect(send.mock.calls[1]?.[2]).toEqual({ body: { ...bed.body, version: "v-2" } });
    send.mockRejectedValueOnce(clash);
    await change();
    await act(() => box.asNote(box.queries, box.state.current.list[0]!));
    expect(send.mock.calls.at(-1)?.slice(1, 3)).toMatchObject([
      "/api/notes",
      { body: { text: "note Ridge Bed 4: crop beetroot; crop: beetroot, not fennel", at: time.now } },
    ]);
    expect(box.state.current.list).toEqual([]);
  });

  it("say what was sent, one line for what went at once, also after the page is opened anew", async () => {
    send.mockResolvedValue({ id: 1 });
    const box = await open();
    await box.put("4.2");
    await box.put("4.4");
    time.now = "2026-06-10T18:00:00.000Z";
    await box.put("4.6");
    expect((await open()).state.current.sent).toMatchObject([
      { to: "2026-06-10T18:00:00.000Z", entries: 1, photos: 0 },
      { to: "2026-06-10T09:40:00.000Z", entries: 2, photos: 0 },
    ]);
  });

  describe("photos", () => {
    vi.stubGlobal("File", FileThatCopies); // jsdom’s own is emptied where a browser’s is copied
    const door = "/api/judge/trials/{id}/plots/{plot}/photos" as const;
    const photo = (says: string) => new File([says], "plot.jpg", { type: "image/jpeg", lastModified: says.length });
    const camera = (box: Awaited<ReturnType<typeof open>>) =>
      renderHook(
        () =>
          box.useFieldWrite(
            door,
            (file: File) => ({ params: { path: { id: 1, plot: 2 } }, ...asFile(file) }),
            () => "photo, plot A1",
          ),
        { wrapper: box.wrapper },
      ).result;
    const pictures = () => Promise.all(send.mock.calls.map((c) => (c[2] as { body: File }).body.text()));

    it("wait whole, also when the page is opened anew, and go under the key and the hour at which they were taken", async () => {
      send.mockRejectedValue(lost);
      const box = await open();
      const form = camera(box);
      await act(() => expect(form.current.mutateAsync(photo("leaves"))).resolves.toBeNull());
      const later = await open();
      expect(later.state.current.list).toMatchObject([{ says: "photo, plot A1", photo: true, refused: null }]);
      send.mockResolvedValue({ id: 9 });
      await later.again();
      expect(later.state.current.list).toEqual([]);
      expect(await pictures()).toEqual(["leaves", "leaves"]);
      expect(send.mock.calls[1]?.[2]).toMatchObject({
        params: { path: { id: 1, plot: 2 }, query: { at: "2026-06-10T09:40:00.000Z" } },
        headers: { "Content-Type": "image/jpeg" },
      });
      expect(new Set(send.mock.calls.map((c) => c[3])).size).toBe(1);
      expect(await keys(createStore("mud-pie-photos", "photos"))).toEqual([]);
    });

    it("by the two hundred go one after the other, and after a break from where they stopped", async () => {
      send.mockRejectedValue(lost);
      const box = await open();
      const form = camera(box);
      for (let i = 0; i < 200; i++) await act(() => form.current.mutateAsync(photo(`leaf ${i}`)));
      send.mockReset();
      let going = 0;
      let most = 0;
      send.mockImplementation(async () => {
        most = Math.max(most, ++going);
        await Promise.resolve();
        going--;
        if (send.mock.calls.length === 81) throw lost;
        return { id: 1 };
      });
      await box.again();
      expect(box.state.current.list).toHaveLength(120);
      const later = await open();
      await later.again();
      expect(later.state.current.list).toEqual([]);
      expect(most).toBe(1);
      const said = await pictures();
      expect(said).toEqual([...said.slice(0, 81), ...Array.from({ length: 120 }, (_, i) => `leaf ${i + 80}`)]);
      expect(new Set(send.mock.calls.map((c) => c[3])).size).toBe(200);
    });

    it("of one plot are two photos, though the first was in trouble", async () => {
      const box = await open();
      const form = camera(box);
      send.mockRejectedValueOnce(broken).mockResolvedValue({ id: 9 });
      await act(() => expect(form.current.mutateAsync(photo("leaves"))).rejects.toThrow("The file is locked."));
      await act(() => form.current.mutateAsync(photo("the whole plant")));
      expect(await pictures()).toEqual(["leaves", "the whole plant"]);
      expect(new Set(send.mock.calls.map((c) => c[3])).size).toBe(2);
    });

    it("go again whole after trouble, under the key of the first try", async () => {
      const box = await open();
      const form = camera(box);
      send.mockRejectedValueOnce(broken).mockResolvedValue({ id: 9 });
      await act(() => expect(form.current.mutateAsync(photo("leaves"))).rejects.toThrow("The file is locked."));
      await act(() => expect(form.current.mutateAsync(photo("leaves"))).resolves.toEqual({ id: 9 }));
      expect(await pictures()).toEqual(["leaves", "leaves"]);
      expect(new Set(send.mock.calls.map((c) => c[3])).size).toBe(1);
    });

    it("that this device lost are said to be lost, and hold up nothing behind them", async () => {
      send.mockRejectedValue(lost);
      const box = await open();
      const form = camera(box);
      await act(() => form.current.mutateAsync(photo("leaves")));
      await box.put("4.2");
      await clear(createStore("mud-pie-photos", "photos"));
      const later = await open();
      send.mockResolvedValue({ id: 9 });
      await later.again();
      expect(later.state.current.list.map((w) => w.refused?.message)).toEqual([
        "The photo is no longer on this device.",
      ]);
    });
  });
});
