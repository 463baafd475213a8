import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { randomFrom } from "@mirrup/cohort";
import { ProblemError, SilenceError } from "../app/api.js";
import { oldRun, runOf, runsTogether, type WaitingRun } from "./lesson-runs.js";
import { setSender, type Sender } from "./sender.js";
import { hasKeys, WaitingList, type Waiting } from "./waiting-list.js";

interface Said extends Waiting {
  readonly of: string;
  readonly word: number;
}

const HERE: Sender = { personId: "coach", studioId: "hall" };
const OTHER: Sender = { personId: "other", studioId: "hall" };
const refusal = (status: number) =>
  new ProblemError({ type: "refused", title: "No", status, detail: "No.", requestId: "1" });

/** A server that has the last word said of each thing, and answers as it is told to. */
function server() {
  const has = new Map<string, number>();
  const heard: Sender[] = [];
  let fault: Error | null = null;
  const list = new WaitingList<Said>({
    key: "said",
    isItem: (value): value is Said => hasKeys(value, ["of", "word", "sender"]),
    settle: () => Promise.resolve(),
    send: async ({ of, word, sender }) => {
      await Promise.resolve();
      if (fault !== null) throw fault;
      has.set(of, word);
      heard.push(sender);
    },
  });
  const say = (of: string, word: number, sender = HERE) =>
    list.put({ of, word, sender }, (other) => other.of === of && other.sender === sender);
  return { has, heard, list, say, answer: (next: Error | null) => (fault = next) };
}

const events = new Map<string, () => void>();
beforeEach(() => {
  jest.useFakeTimers();
  setSender(HERE);
  const window = { addEventListener: (name: string, listener: () => void) => events.set(name, listener) };
  Object.assign(globalThis, { window });
});
afterEach(() => {
  jest.useRealTimers();
  events.clear();
});

describe("what waits on a device", () => {
  it("ends with the server as it was last said, whatever the network did meanwhile", async () => {
    for (let seed = 1; seed <= 60; seed += 1) {
      const random = randomFrom(seed);
      const { has, list, say, answer } = server();
      list.start(() => undefined);
      const last = new Map<string, number>();
      for (let word = 1; word <= 30; word += 1) {
        const draw = random();
        if (draw < 0.6) {
          const of = "abc".charAt(Math.floor(3 * random()));
          last.set(of, word);
          say(of, word);
        } else if (draw < 0.75) answer(random() < 0.5 ? new SilenceError() : refusal(503));
        else if (draw < 0.9) answer(null);
        else await jest.advanceTimersByTimeAsync(random() * 5000);
      }
      answer(null);
      events.get("online")?.();
      await jest.advanceTimersByTimeAsync(10_000);
      expect(has).toEqual(last);
      expect(list.all()).toEqual([]);
      expect(list.isSilent).toBe(false);
    }
  });

  it("keeps what is said while the older word is on its way", async () => {
    const { has, list, say } = server();
    say("a", 1);
    await Promise.resolve();
    say("a", 2);
    await list.flush();
    expect(has.get("a")).toBe(2);
    expect(list.all()).toEqual([]);
  });

  it("holds what it has told until the answer is on the page", async () => {
    let show: () => void = () => undefined;
    const shown = new Promise<void>((resolve) => (show = resolve));
    const list = new WaitingList<Said>({
      key: "settling",
      isItem: (value): value is Said => hasKeys(value, ["of"]),
      send: () => Promise.resolve(),
      settle: async () => {
        await shown;
      },
    });
    list.put({ of: "a", word: 1, sender: HERE }, () => false);
    await jest.advanceTimersByTimeAsync(1000);
    expect(list.all()).toHaveLength(1);
    show();
    await list.flush();
    expect(list.all()).toEqual([]);
  });

  it("lets go of what is refused for good, says so, and sends the rest", async () => {
    const { has, list, say, answer } = server();
    const told: unknown[] = [];
    list.start((error) => told.push(error));
    answer(refusal(410));
    say("a", 1);
    await list.flush();
    answer(null);
    say("b", 2);
    await list.flush();
    expect([...has]).toEqual([["b", 2]]);
    expect(told).toHaveLength(1);
    expect(list.all()).toEqual([]);
  });

  it("is sent as whoever said it and as nobody else", async () => {
    const { heard, list, say } = server();
    list.start(() => undefined);
    say("a", 1, OTHER);
    await list.flush();
    expect([heard, list.all().length]).toEqual([[], 1]);
    setSender(OTHER);
    await list.flush();
    expect(heard).toEqual([OTHER]);
    expect(list.all()).toEqual([]);
  });

  it("is read from the device again, but for what is none", async () => {
    const good = { of: "a", word: 3, sender: HERE };
    const kept = [good, null, "x", { of: "b", word: 1 }, { of: "c", word: 1, sender: null }];
    for (const [text, found] of [
      [JSON.stringify(kept), [good]],
      ["{half", []],
      ['{"of":"a"}', []],
    ] as const) {
      Object.assign(globalThis, { localStorage: { getItem: () => text, setItem: () => undefined } });
      const { has, list } = server();
      expect(list.all()).toEqual(found);
      await list.flush();
      expect(has.get("a")).toBe(found.length === 0 ? undefined : 3);
    }
    Reflect.deleteProperty(globalThis, "localStorage");
  });

  it("waits while nobody is signed in, and knows that nobody answers", async () => {
    const { list, say, answer } = server();
    const signedOut = new ProblemError({
      ...{ type: "not-signed-in", title: "No", status: 401, detail: "Sign in.", requestId: "1" },
    });
    answer(signedOut);
    say("a", 1);
    await list.flush();
    expect([list.all().length, list.isSilent]).toEqual([1, true]);
  });
});

describe("what was tapped of a lesson", () => {
  const run = (changes: Partial<WaitingRun>): WaitingRun => ({
    ...{ lessonId: "l", run: {}, sender: HERE },
    ...changes,
  });

  it("is all that waits of it, the later word counting, of whoever is here", () => {
    const waiting = [
      run({ run: { attendance: { a: "late", b: "absent" } } }),
      run({ run: { attendance: { a: "present" }, finished: true } }),
      run({ lessonId: "other", run: { finished: false } }),
      run({ sender: OTHER, run: { attendance: { a: "absent" } } }),
    ];
    expect(runOf(waiting, HERE, "l")).toEqual({
      attendance: { a: "present", b: "absent" },
      finished: true,
    });
    expect(runOf(waiting, HERE, "nothing")).toBeNull();
    expect(runOf(waiting, null, "l")).toBeNull();
    expect(oldRun('{"finished":true}')).toEqual({ finished: true });
    for (const text of [null, "null", "{half", '"word"', "7"]) expect(oldRun(text)).toBeNull();
    expect(runsTogether({ finished: true }, {})).toEqual({ finished: true });
  });
});
