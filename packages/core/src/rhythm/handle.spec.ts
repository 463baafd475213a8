import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import {
  heardFrom,
  readHandleMessage,
  sensedTaps,
  ticksOf,
  withMessage,
  type HandleMessage,
} from "./handle.js";

/** Messages as letters, half a second apart: `t` a turn, `x` a trip. */
function said(letters: string): HandleMessage[] {
  let turns = 0;
  return [...letters].map((letter, seq) => {
    if (letter === "t") turns += 1;
    return { v: 1, seq, kind: letter === "t" ? "turn" : "trip", at: 500 * (seq + 1), turns };
  });
}

const gathered = (messages: readonly HandleMessage[]) =>
  messages.reduce<readonly HandleMessage[]>(withMessage, []);

describe("a rope handle", () => {
  it("is read as tries: so many turns a repetition, a miss at the turn that did not come", () => {
    expect(sensedTaps(said("ttttxtt"), 2, 0)).toEqual([
      { kind: "clean", at: 1 },
      { kind: "clean", at: 2 },
      { kind: "miss", turn: 1, at: 2.5 },
      { kind: "clean", at: 3.5 },
    ]);
    expect(sensedTaps(said("tttx"), 2, 10).at(-1)).toEqual({ kind: "miss", turn: 2, at: 12 });
  });

  it("gives the ticks of its rope", () => {
    expect(ticksOf(said("ttxt"))).toEqual([0.5, 1, 2]);
  });

  it("fills turns in that were lost on the way, from the count that each message carries", () => {
    const lossy = said("tttttttt").filter(({ seq }) => seq !== 3 && seq !== 4);
    expect(ticksOf(lossy)).toEqual([0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4]);
  });

  it("comes to the same whatever comes twice and in whatever order", () => {
    const letters = fc.array(fc.constantFrom("t", "t", "t", "x"), { maxLength: 40 });
    fc.assert(
      fc.property(
        letters.chain((all) => {
          const messages = said(all.join(""));
          return fc.tuple(
            fc.constant(messages),
            fc.shuffledSubarray(messages, { minLength: messages.length }),
            fc.shuffledSubarray(messages),
          );
        }),
        ([messages, shuffled, again]) => {
          expect(gathered([...shuffled, ...again])).toEqual(messages);
        },
      ),
    );
  });

  it.each([
    null,
    "turn",
    {},
    { v: 2, seq: 1, kind: "turn", at: 1, turns: 1 },
    { v: 1, seq: -1, kind: "turn", at: 1, turns: 1 },
    { v: 1, seq: 1, kind: "spin", at: 1, turns: 1 },
    { v: 1, seq: 1, kind: "turn", at: Number.NaN, turns: 1 },
    { v: 1, seq: 1, kind: "turn", at: 1, turns: 1e12 },
  ])("does not take %j for a message", (value) => {
    expect(readHandleMessage(value)).toBeNull();
  });

  it("reads a message and leaves out what it does not know", () => {
    const message = { v: 1, seq: 4, kind: "turn", at: 2500, turns: 5 };
    expect(readHandleMessage({ ...message, battery: 80 })).toEqual(message);
  });

  it("passes over what no rope can do", () => {
    const [first, , third] = said("ttt");
    const leap: HandleMessage = { v: 1, seq: 1, kind: "turn", at: 600, turns: 5000 };
    const back: HandleMessage = { v: 1, seq: 1, kind: "turn", at: 100, turns: 2 };
    for (const wrong of [leap, back]) {
      const messages = [first, wrong, third].filter((one) => one !== undefined);
      expect(heardFrom(messages).map((one) => one.at)).toEqual([0.5, 1, 1.5]);
    }
  });
});
