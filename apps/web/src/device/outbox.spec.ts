import { beforeEach, describe, expect, it } from "@jest/globals";
import type { SetsReply } from "@mirrup/contract";
import { ProblemError, SilenceError } from "../app/api.js";
import type { Command } from "./command.js";
import { isTabNote, Outbox } from "./outbox.js";
import type { Waiting } from "./queue.js";
import { Clock } from "./simulation.js";
import { HERE, lessonSaid, setSaid, stopSaid } from "./testing.js";

const REPLY: SetsReply = {
  ...{ stored: [], alreadyStored: [], clockAhead: [], clockAheadSeconds: 7200, changes: [], opened: [] },
};
const refusal = (status: number, type = "refused") =>
  new ProblemError({ type, title: "No", status, detail: "Not so.", requestId: "1" });

let clock: Clock;
let kept: Waiting[];
let told: string[][];
let patience: number[];
let answer: (batch: readonly Command[]) => Promise<SetsReply | null>;
let isKeeping: boolean;
let reading: Promise<void>;
beforeEach(() => {
  clock = new Clock();
  kept = [];
  told = [];
  patience = [];
  answer = () => Promise.resolve(REPLY);
  isKeeping = true;
  reading = Promise.resolve();
});

function outbox(): Outbox {
  const without = (ids: readonly string[]) => kept.filter((one) => !ids.includes(one.command.id));
  const keep = (next: () => Waiting[]) => {
    if (!isKeeping) return Promise.reject(new Error("The device is full."));
    kept = next();
    return Promise.resolve();
  };
  return new Outbox({
    store: {
      all: async () => {
        const all = kept;
        await reading;
        return all;
      },
      take: (commands, replaced) =>
        keep(() => [...without(replaced), ...commands.map((command) => ({ command, refusal: null }))]),
      mark: (waiting) =>
        keep(() => kept.map((one) => waiting.find(({ command }) => command.id === one.command.id) ?? one)),
      drop: (ids) => keep(() => without(ids)),
    },
    tell: (batch, longestMs) => {
      told.push(batch.map((command) => command.id));
      patience.push(longestMs);
      return answer(batch);
    },
    sender: () => HERE,
    onSignedOut: () => undefined,
    alone: (work) => work(),
    toOtherTabs: () => undefined,
    after: clock.after,
  });
}

const shown = (box: Outbox) => box.current().waiting.map((one) => one.command.id);

describe("what another tab says", () => {
  it("is understood, and what a tab of another version says is not", async () => {
    expect(isTabNote({ told: ["a"], reply: null })).toBe(true);
    for (const other of [null, "told", {}, { told: "a", reply: null }, { told: ["a"] }])
      expect(isTabNote(other)).toBe(false);
    const box = outbox();
    answer = () => Promise.reject(new SilenceError());
    await box.say([stopSaid("a", "ada", true)]);
    await clock.turn(100);
    expect(box.current().silent).toBe(true);
    // The other tab has told it, and taken it off the device.
    kept = [];
    box.hear({ told: ["a"], reply: null });
    await clock.turn(100);
    expect([shown(box), box.current().silent]).toEqual([[], false]);
    expect(box.current().told.map(({ id }) => id)).toEqual(["a"]);
    await clock.turn(3000);
    expect(box.current().told).toEqual([]);
  });
});

describe("what is said on a device", () => {
  it("is shown before it is told, and until the answer is on the page", async () => {
    const box = outbox();
    let reply: (value: null) => void = () => undefined;
    answer = () => new Promise((resolve) => (reply = resolve));
    await box.say([stopSaid("a", "ada", true)]);
    await clock.turn(10);
    expect([shown(box), kept.length]).toEqual([["a"], 1]);
    reply(null);
    await clock.turn(10);
    expect([shown(box), kept.length]).toEqual([[], 0]);
    expect(box.current().told.map(({ id }) => id)).toEqual(["a"]);
    await clock.turn(1000);
    expect(box.current().told).toEqual([]);
  });

  it("is shown while the device is still being read of what was there before", async () => {
    const box = outbox();
    answer = () => Promise.reject(new SilenceError());
    let goOn: () => void = () => undefined;
    reading = new Promise((resolve) => (goOn = resolve));
    void box.flush();
    void box.say([stopSaid("a", "ada", true)]);
    const seen: string[][] = [];
    box.onChange(() => seen.push(shown(box)));
    goOn();
    await clock.turn(10);
    expect(seen.length).toBeGreaterThan(0);
    expect(seen.every((ids) => ids.includes("a"))).toBe(true);
  });

  it("is told once from the page alone where the device keeps nothing", async () => {
    const box = outbox();
    isKeeping = false;
    answer = () => Promise.reject(new SilenceError());
    expect(await box.say([setSaid("a", "ada")])).toBe(false);
    await clock.turn(100);
    expect([shown(box), kept]).toEqual([["a"], []]);
    answer = () => Promise.resolve(REPLY);
    await clock.turn(60_000);
    expect([shown(box), told]).toEqual([[], [["a"], ["a"]]]);
  });

  it("is left to a newer page of the device where this one does not know what it says", async () => {
    const newer = { ...stopSaid("n", "ada", true), kind: "of-tomorrow" } as unknown as Command;
    kept = [{ command: newer, refusal: null }];
    const box = outbox();
    await box.say([stopSaid("a", "bo", true)]);
    await clock.turn(1000);
    expect([told, shown(box), kept.map(({ command }) => command.id)]).toEqual([[["a"]], [], ["n"]]);
  });

  it("is waited for longer each time, and told by fewer at once, while the network is too slow", async () => {
    const box = outbox();
    answer = (batch) => (batch.length > 1 ? Promise.reject(new SilenceError()) : Promise.resolve(REPLY));
    await box.say([1, 2, 3, 4].map((at) => setSaid(`${at}`, "ada")));
    await clock.turn(120_000);
    expect(told.map((ids) => ids.length).slice(0, 3)).toEqual([4, 2, 1]);
    expect(patience.slice(0, 3)).toEqual([8000, 16_000, 30_000]);
    expect(shown(box)).toEqual([]);
    expect(box.current().clockAheadSeconds).toBe(7200);
  });

  it("holds up nothing else by what a person must look at, and by what the server fails at", async () => {
    const box = outbox();
    answer = ([first]) => {
      if (first?.kind === "stop") return Promise.reject(refusal(410));
      return first?.kind === "set" ? Promise.reject(refusal(500, "bug")) : Promise.resolve(null);
    };
    await box.say([stopSaid("a", "ada", true), setSaid("b", "ada")]);
    await box.say([lessonSaid("c", "l", { finished: true })]);
    await clock.turn(1000);
    expect(shown(box)).toEqual(["b"]);
    expect(box.current().refused.map((one) => [one.command.id, one.refusal?.message])).toEqual([
      ["a", "Not so."],
    ]);
    expect(told.flat()).toContain("c");
    answer = () => Promise.resolve(REPLY);
    await clock.turn(60_000);
    expect(shown(box)).toEqual([]);
    const [refused] = box.current().refused;
    if (refused === undefined) throw new Error("Nothing was refused.");
    await box.sendAgain(refused);
    expect([box.current().refused, kept]).toEqual([[], []]);
  });

  it("becomes told also where another tab tells it, and is not called kept by a try that began before it", async () => {
    const box = outbox();
    let goOn: () => void = () => undefined;
    answer = () => new Promise((_resolve, reject) => (goOn = () => reject(new SilenceError())));
    await box.say([setSaid("a", "ada")]);
    await clock.turn(10);
    const became = box.becomes("b");
    await box.say([setSaid("b", "bo")]);
    // The older try ends in silence, and the other tab tells both.
    goOn();
    kept = [];
    box.hear({ told: ["a", "b"], reply: REPLY });
    await clock.turn(10);
    expect((await became).kind).toBe("told");
  });

  it("becomes what the first try to tell it comes to", async () => {
    const box = outbox();
    const say = async (id: string, how: typeof answer) => {
      answer = how;
      const became = box.becomes(id);
      await box.say([setSaid(id, "ada")]);
      await clock.turn(10);
      return (await became).kind;
    };
    expect(await say("a", () => Promise.resolve(REPLY))).toBe("told");
    expect(await say("b", () => Promise.reject(refusal(422)))).toBe("refused");
    expect(await say("c", () => Promise.reject(new SilenceError()))).toBe("kept");
    expect(await say("d", () => Promise.reject(refusal(401, "not-signed-in")))).toBe("kept");
    expect([box.current().signedOut, shown(box)]).toEqual([true, ["c", "d"]]);
    const [refused] = box.current().refused;
    if (refused !== undefined) await box.discard(refused);
    expect(box.current().refused).toEqual([]);
  });
});
