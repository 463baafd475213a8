import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { hydrate, QueryClient, QueryObserver } from "@tanstack/react-query";
import { queryHash } from "../app/query-hash.js";
import { forgetTheGone, isSomebodyHere, isStillGood, keepInMemory, stateToKeep } from "./readings.js";
import { HERE } from "./testing.js";

const HOUR = 3_600_000;
let client: QueryClient;
beforeEach(() => {
  jest.useFakeTimers();
  client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  keepInMemory(client);
});
afterEach(() => {
  client.clear();
  jest.useRealTimers();
});

const read = (queryKey: readonly string[], answer: () => Promise<unknown>) =>
  client.query({ queryKey, queryFn: answer, staleTime: 0 }).catch(() => undefined);
const restored = () => {
  const other = new QueryClient();
  hydrate(other, stateToKeep(client));
  return other;
};

describe("what was read", () => {
  it("is kept of somebody who is signed in, and of nobody after the sign-out or before it is known", () => {
    expect(isSomebodyHere(client)).toBe(false);
    client.setQueryData(["session"], { person: { id: "a" } });
    expect(isSomebodyHere(client)).toBe(true);
    client.setQueryData(["session"], { person: null });
    expect(isSomebodyHere(client)).toBe(false);
  });

  it("is still kept when hours have gone by with nobody looking at it", async () => {
    await read(["students"], () => Promise.resolve(["Fern"]));
    await read(["students", "a", "standings"], () => Promise.resolve(["cross"]));
    jest.advanceTimersByTime(30 * HOUR);
    await read(["studio"], () => Promise.resolve("Hall"));
    expect(restored().getQueryData(["students", "a", "standings"])).toEqual(["cross"]);
  });

  it("is kept as it was when reading it anew has failed", async () => {
    await read(["lessons", "a"], () => Promise.resolve("at turn 2"));
    await read(["lessons", "a"], () => Promise.reject(new Error("nobody answers")));
    expect(client.getQueryState(["lessons", "a"])?.status).toBe("error");
    expect(restored().getQueryState(["lessons", "a"])).toMatchObject({
      ...{ status: "success", data: "at turn 2", error: null, fetchStatus: "idle" },
    });
  });

  it("is forgotten of who is in the list no more, but for what somebody looks at", () => {
    client.setDefaultOptions({ queries: { queryKeyHashFn: queryHash } });
    const keys = [["a"], ["a", "standings"], ["gone"], ["gone", "standings"], [{ archived: true }]];
    for (const key of keys) client.setQueryData(["students", ...key], "read");
    const looked = new QueryObserver(client, { queryKey: ["students", "gone"], staleTime: Infinity });
    const leave = looked.subscribe(() => undefined);
    const left = () => keys.filter((key) => client.getQueryData(["students", ...key]) !== undefined);
    forgetTheGone(client, [{ id: "a" }]);
    expect(left()).toEqual([["a"], ["a", "standings"], ["gone"], [{ archived: true }]]);
    leave();
    forgetTheGone(client, [{ id: "a" }]);
    expect(left()).toEqual([["a"], ["a", "standings"], [{ archived: true }]]);
  });

  it("is not kept where it is a record, or the owner's", async () => {
    const keys = [["students", "a", "detail"], ["students", "a", "decisions"], ["studio", "audit"], ["mail"]];
    for (const key of keys) await read(key, () => Promise.resolve("private"));
    await read(["groups"], () => Promise.resolve("none yet"));
    const other = restored();
    for (const key of keys) expect(other.getQueryData(key)).toBeUndefined();
    expect(other.getQueryData(["groups"])).toBe("none yet");
  });
});

describe("what was kept", () => {
  const now = Date.parse("2026-06-08T12:00:00Z");
  const kept = { sender: HERE, shape: "a", savedAt: now - 100 * HOUR };

  it("is shown to the same person, within a week, by a version that reads its shape", () => {
    expect(isStillGood(kept, HERE, "a", now)).toBe(true);
    expect(isStillGood(kept, { ...HERE, studioId: "gym" }, "a", now)).toBe(true);
    expect(isStillGood(kept, { ...HERE, personId: "other" }, "a", now)).toBe(false);
    expect(isStillGood(kept, null, "a", now)).toBe(false);
    expect(isStillGood(kept, HERE, "b", now)).toBe(false);
    expect(isStillGood({ ...kept, savedAt: now - 169 * HOUR }, HERE, "a", now)).toBe(false);
  });
});
