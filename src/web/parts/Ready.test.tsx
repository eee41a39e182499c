import { QueryClient, QueryClientProvider, useIsFetching, useQueryClient } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { useRead, useReadOr, useWorkOut, useWrite } from "../api/data";
import { Ready } from "./Ready";

const answer = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });
// In place before the client is made: it takes hold of both as it finds them.
const fetch = vi.hoisted(() => {
  const told = vi.fn<(request: Request) => Promise<Response>>();
  const Real = globalThis.Request;
  globalThis.fetch = told as never;
  globalThis.Request = class extends Real {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === "string" ? new URL(input, "http://here/") : input, init);
    }
  };
  return told;
});

function Shelf() {
  return <p>{useRead("/api/today").light}</p>;
}

function Perhaps() {
  const read = useReadOr(true, "/api/today");
  const queries = useQueryClient();
  return (
    <>
      <p>{read.data ? `stands: ${read.data.light}` : (read.problem?.message ?? "comes")}</p>
      <button onClick={() => void queries.invalidateQueries()}>{useIsFetching() > 0 ? "asking" : "again"}</button>
    </>
  );
}

function Room({ children }: { children: React.ReactNode }) {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false } } });
  return (
    <QueryClientProvider client={queries}>
      <Ready coming={<p>One moment</p>}>{children}</Ready>
    </QueryClientProvider>
  );
}

describe("a room and what it reads", () => {
  afterEach(() => {
    cleanup();
    fetch.mockReset();
  });

  it("shows the shape of what comes, and then it", async () => {
    fetch.mockResolvedValue(answer({ light: "low sun", items: [], going: [] }));
    render(
      <Room>
        <Shelf />
      </Room>,
    );
    expect(screen.getByText("One moment")).toBeTruthy();
    await waitFor(() => expect(screen.getByText("low sun")).toBeTruthy());
  });

  it.each([
    [
      "broke",
      () => Promise.resolve(answer({ title: "Something broke in Mud Pie." }, 500)),
      "Something broke in Mud Pie.",
    ],
    ["is gone", () => Promise.reject(new TypeError("gone")), "The connection to Mud Pie is lost."],
    [
      "answers half",
      () => Promise.resolve(new Response('{"light"', { status: 200 })),
      "The connection to Mud Pie is lost.",
    ],
  ])("says what failed where the server %s, and reads again when asked to", async (_, fails, says) => {
    const silent = vi.spyOn(console, "error").mockImplementation(() => undefined);
    fetch.mockImplementationOnce(fails);
    render(
      <Room>
        <Shelf />
      </Room>,
    );
    await waitFor(() => expect(screen.getByText("✕ What wants hands could not be read.")).toBeTruthy());
    expect(screen.getByText(says)).toBeTruthy();
    fetch.mockResolvedValue(answer({ light: "night", items: [], going: [] }));
    fireEvent.click(screen.getByText("Try again"));
    await waitFor(() => expect(screen.getByText("night")).toBeTruthy());
    silent.mockRestore();
  });

  it("keeps what was read where nobody answers, and says a refusal in its place", async () => {
    const unwell = { title: "Only “tea” has been measured.", detail: "Measure the others." };
    fetch.mockResolvedValueOnce(answer(unwell, 422));
    render(
      <Room>
        <Perhaps />
      </Room>,
    );
    const next = async (told: () => Promise<Response>, says: string, times: number) => {
      fetch.mockImplementationOnce(told);
      fireEvent.click(screen.getByText("again"));
      await waitFor(() => expect(fetch).toHaveBeenCalledTimes(times));
      await waitFor(() => expect(screen.getByText("again")).toBeTruthy()); // it was answered, or not
      expect(screen.getByText(says)).toBeTruthy();
    };
    await waitFor(() => expect(screen.getByText(unwell.title)).toBeTruthy());
    await next(() => Promise.resolve(answer({ light: "night", items: [], going: [] })), "stands: night", 2);
    await next(() => Promise.reject(new TypeError("gone")), "stands: night", 3);
    await next(() => Promise.resolve(answer(unwell, 422)), unwell.title, 4);
  });

  it("is read anew when one comes back to it, and says so again where it still fails", async () => {
    const silent = vi.spyOn(console, "error").mockImplementation(() => undefined);
    const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    const at = (where: string) => (
      <QueryClientProvider client={queries}>
        <Ready at={where} coming={<p>One moment</p>}>
          {where === "here" ? <Shelf /> : <p>elsewhere</p>}
        </Ready>
      </QueryClientProvider>
    );
    fetch.mockImplementation(() => Promise.resolve(answer({ title: "Broken." }, 500)));
    const { rerender } = render(at("here"));
    const failed = "✕ What wants hands could not be read.";
    await waitFor(() => expect(screen.getByText(failed)).toBeTruthy());
    rerender(at("there"));
    await waitFor(() => expect(screen.getByText("elsewhere")).toBeTruthy());
    rerender(at("here"));
    await waitFor(() => expect(screen.getByText(failed)).toBeTruthy());
    expect(fetch).toHaveBeenCalledTimes(2);
    rerender(at("there"));
    await waitFor(() => expect(screen.getByText("elsewhere")).toBeTruthy());
    fetch.mockImplementation(() => Promise.resolve(answer({ light: "low sun", items: [], going: [] })));
    rerender(at("here"));
    await waitFor(() => expect(screen.getByText("low sun")).toBeTruthy());
    silent.mockRestore();
  });

  it("keeps the last good answer while a question is refused", async () => {
    function Amount({ text }: { text: string }) {
      const read = useWorkOut("/api/amounts/read", text ? { body: { text, dimension: "volume" } } : null);
      return (
        <p>
          {read.last?.value?.shown ?? "nothing"} {read.problem?.message ?? "sound"} {read.data ? "now" : "before"}
        </p>
      );
    }
    fetch.mockResolvedValueOnce(answer({ value: { shown: "2 L" } }));
    fetch.mockResolvedValueOnce(answer({ title: "No unit." }, 422));
    const queries = new QueryClient();
    const of = (text: string) => (
      <QueryClientProvider client={queries}>
        <Amount text={text} />
      </QueryClientProvider>
    );
    const { rerender } = render(of(""));
    expect(screen.getByText("nothing sound before")).toBeTruthy();
    rerender(of("2 l"));
    await waitFor(() => expect(screen.getByText("2 L sound now")).toBeTruthy());
    rerender(of("2"));
    await waitFor(() => expect(screen.getByText("2 L No unit. before")).toBeTruthy());
  });

  it("sends a write that failed again under its key, and another under its own", async () => {
    function Wash() {
      const write = useWrite("/api/shelf/wage", (hourly: string) => ({ body: { hourly } }));
      return (
        <>
          <button onClick={() => write.mutate("14")}>keep</button>
          <button onClick={() => write.mutate("15")}>other</button>
          <p>{write.isSuccess ? "kept" : (write.error?.message ?? "waits")}</p>
        </>
      );
    }
    render(
      <Room>
        <Wash />
      </Room>,
    );
    fetch.mockRejectedValueOnce(new TypeError("gone"));
    fireEvent.click(screen.getByText("keep"));
    await waitFor(() => expect(screen.getByText("The connection to Mud Pie is lost.")).toBeTruthy());
    fetch.mockImplementation(() => Promise.resolve(answer({ id: 1 })));
    fireEvent.click(screen.getByText("keep"));
    await waitFor(() => expect(screen.getByText("kept")).toBeTruthy());
    fireEvent.click(screen.getByText("other"));
    await waitFor(() => expect(fetch).toHaveBeenCalledTimes(3));
    const keys = fetch.mock.calls.map(([r]) => r.headers.get("Idempotency-Key"));
    expect(keys[1]).toBe(keys[0]);
    expect(keys[2]).not.toBe(keys[0]);
  });
});
