import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { get, isProblem, post, SilenceError } from "./api.js";

afterEach(() => {
  jest.restoreAllMocks();
});

/** A network that takes what is sent and says nothing until it is given up. */
function hang() {
  jest.spyOn(globalThis, "fetch").mockImplementation(
    (_path, init) =>
      new Promise((_resolve, reject) => {
        init?.signal?.addEventListener("abort", () => reject(new Error("given up")));
      }),
  );
}
const answer = (status: number, body: unknown) =>
  jest.spyOn(globalThis, "fetch").mockResolvedValue(new Response(JSON.stringify(body), { status }));

describe("asking the server", () => {
  it("gives up on a network that never answers, as on silence", async () => {
    const limit = new AbortController();
    const timeout = jest.spyOn(AbortSignal, "timeout").mockReturnValue(limit.signal);
    hang();
    const sending = post("/sets", {});
    const reading = get("/students", new AbortController().signal);
    limit.abort();
    await expect(sending).rejects.toBeInstanceOf(SilenceError);
    await expect(reading).rejects.toBeInstanceOf(SilenceError);
    expect(timeout.mock.calls.every(([limitMs]) => limitMs >= 10_000 && limitMs <= 60_000)).toBe(true);
  });

  it("gives up when whoever asked does", async () => {
    const asking = new AbortController();
    hang();
    const reading = get("/students", asking.signal);
    asking.abort();
    await expect(reading).rejects.toBeInstanceOf(SilenceError);
  });

  it("tells a refusal from silence", async () => {
    answer(409, { type: "stale-change", title: "Stale", status: 409, detail: "Changed." });
    const refusal: unknown = await get("/students").catch((error: unknown) => error);
    expect(isProblem(refusal)).toBe(true);
    for (const [status, body] of [
      [503, { type: "database-unavailable", title: "No", status: 503, detail: "No." }],
      [502, null],
      [404, "a page of some other server"],
    ] as const) {
      answer(status, body);
      await expect(get("/students")).rejects.toBeInstanceOf(SilenceError);
    }
  });
});
