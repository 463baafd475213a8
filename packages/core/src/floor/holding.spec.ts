import { describe, expect, it } from "@jest/globals";
import { heldAfter, leftAfter, type HoldAsked, type Holding } from "./holding.js";

const MINUTE = 60_000;
const ask = (asked: Partial<HoldAsked<string>> = {}): HoldAsked<string> => ({
  ...{ tab: "ana's", personId: "ana", turn: null, takesOver: false, round: null },
  ...asked,
});
const ben = { tab: "ben's", personId: "ben" } as const;
/** Ana holds it since 0, and has told what she counted at 1000. */
const anas = heldAfter(
  heldAfter(null, ask(), "first", 0),
  ask({ turn: "first", round: "Wren: 3" }),
  "not used",
  1000,
);

describe("a place", () => {
  it("is held by whoever came first, and keeps what they tell", () => {
    expect(anas).toEqual({
      ...{ tab: "ana's", personId: "ana", since: 0, seenAt: 1000, leftAt: null },
      ...{ turn: "first", round: "Wren: 3" },
    });
    expect(heldAfter(anas, ask({ ...ben, round: "Wren: 1" }), "second", 2000)).toBe(anas);
  });

  it("goes over with all that was counted there, and whoever had it writes no more", () => {
    const bens = heldAfter(anas, ask({ ...ben, takesOver: true, round: "Wren: 1" }), "second", 2000);
    expect(bens).toMatchObject({ ...ben, since: 2000, turn: "second", round: "Wren: 3" });
    expect(heldAfter(bens, ask({ turn: "first", round: "Wren: 4" }), "third", 3000)).toBe(bens);
  });

  it("is written only by who has read the last turn of hands, as after an answer that was lost", () => {
    const bens = heldAfter(anas, ask({ ...ben, takesOver: true }), "second", 2000);
    const again = heldAfter(bens, ask({ ...ben, takesOver: true, round: "nothing" }), "third", 3000);
    expect(again).toMatchObject({ turn: "second", round: "Wren: 3", seenAt: 3000 });
    const told = heldAfter(again, ask({ ...ben, turn: "second", round: "Wren: 4" }), "third", 4000);
    expect(told.round).toBe("Wren: 4");
  });

  it("is free once its holder has gone, with what was left there; finished, with nothing", () => {
    const left = leftAfter(anas, { tab: "ana's", isFinished: false }, 5000);
    expect(heldAfter(left, ask(ben), "second", 6000)).toMatchObject({ ...ben, round: "Wren: 3" });
    const done = leftAfter(anas, { tab: "ana's", isFinished: true }, 5000);
    expect(heldAfter(done, ask(ben), "second", 6000)).toMatchObject({ ...ben, round: null });
    expect(heldAfter(done, ask({ turn: "first" }), "second", 6000)).toMatchObject({ leftAt: null });
  });

  it("is left by nobody but its holder", () => {
    expect(leftAfter(anas, { tab: "ben's", isFinished: true }, 5000)).toBe(anas);
  });

  it("is free of a device that fell silent only where that counted nothing", () => {
    const idle: Holding<string> = { ...anas, round: null };
    expect(heldAfter(idle, ask(ben), "second", 2 * MINUTE)).toMatchObject(ben);
    expect(heldAfter(idle, ask(ben), "second", 1000 + MINUTE)).toBe(idle);
    expect(heldAfter(anas, ask(ben), "second", 60 * MINUTE)).toBe(anas);
  });
});
