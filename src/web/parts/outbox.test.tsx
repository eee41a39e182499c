import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { beforeEach, describe, expect, it, vi } from "vitest";

const post = vi.hoisted(() => vi.fn());
vi.mock("../api/client", () => ({
  client: { POST: post, GET: vi.fn() },
  useRead: () => ({ data: { own: "our-holding" } }),
}));

const { useOutbox } = await import("./outbox");

const open = (trial = 1) =>
  renderHook(() => useOutbox(trial), {
    wrapper: ({ children }: { children: ReactNode }) => (
      <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
    ),
  }).result;

const figure = (value: string) => ({ plotId: 1, measureId: 1, value });
const taken = { response: { status: 200 } };
const answer = (status: number, error: object) => ({ error, response: { status } });

describe("figures that wait to be sent", () => {
  beforeEach(() => {
    localStorage.clear();
    post.mockReset();
  });

  it("are sent in order and gone when taken", async () => {
    post.mockResolvedValue(taken);
    const box = open();
    act(() => {
      box.current.put(figure("4.2"));
      box.current.put(figure("4.4"));
    });
    await waitFor(() => expect(box.current.waiting).toEqual([]));
    await waitFor(() => expect(post.mock.calls.map((c) => c[1].body.value)).toEqual(["4.2", "4.4"]));
    expect(new Set(post.mock.calls.map((c) => c[1].headers["Idempotency-Key"])).size).toBe(2);
  });

  it("stay without a connection, and keep their key, so that they are kept once", async () => {
    post.mockRejectedValue(new TypeError("no bars"));
    const box = open();
    act(() => box.current.put(figure("4.2")));
    await waitFor(() => expect(box.current.reached).toBe(false));
    expect(box.current.waiting).toHaveLength(1);
    post.mockResolvedValue(taken);
    await act(() => box.current.flush());
    expect(box.current.waiting).toEqual([]);
    expect(new Set(post.mock.calls.map((c) => c[1].headers["Idempotency-Key"])).size).toBe(1);
  });

  it("stay where the server breaks", async () => {
    post.mockResolvedValue(answer(503, { title: "The file is locked." }));
    const box = open();
    act(() => box.current.put(figure("4.2")));
    await waitFor(() => expect(box.current.reached).toBe(false));
    expect(box.current.waiting[0]?.refused).toBeNull();
  });

  it("say in the server's words why one was refused, and hold up nothing behind it", async () => {
    post.mockResolvedValueOnce(
      answer(422, { title: "“x” is no figure.", fields: [{ field: "value", wrong: "no", wayOut: "a figure" }] }),
    );
    post.mockResolvedValue(taken);
    const box = open();
    act(() => {
      box.current.put(figure("x"));
      box.current.put(figure("4.4"));
    });
    await waitFor(() => expect(box.current.waiting.map((w) => w.body.value)).toEqual(["x"]));
    expect(box.current.waiting[0]?.refused?.message).toBe("“x” is no figure.");
    act(() => box.current.drop(box.current.waiting[0]!.key));
    expect(box.current.waiting).toEqual([]);
  });

  it("wait for their own holding where the address serves another", async () => {
    post.mockResolvedValue(answer(409, { trouble: "another holding" }));
    const box = open();
    act(() => box.current.put(figure("4.2")));
    await waitFor(() => expect(box.current.reached).toBe(false));
    expect(box.current.waiting[0]?.refused).toBeNull();
  });

  it("are those of one trial only", async () => {
    post.mockRejectedValue(new TypeError("no bars"));
    const box = open(1);
    act(() => box.current.put(figure("4.2")));
    expect(open(2).current.waiting).toEqual([]);
    expect(box.current.waiting).toHaveLength(1);
  });
});
