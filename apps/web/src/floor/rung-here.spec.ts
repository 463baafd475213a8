import { describe, expect, it } from "@jest/globals";
import type { Drill } from "@mirrup/core";
import { rungHere } from "./rung-here.js";

const five: Drill = { kind: "streak", count: 5 };
const ten: Drill = { kind: "streak", count: 10 };
const stop: Drill = { kind: "one-stop", count: 5, score: "xr o!" };
const rungs = [stop, five, ten].map((drill) => ({ drill }));

describe("the rung that is on the floor", () => {
  it("is the one with the drill's own number, before one with another", () => {
    expect(rungHere(rungs, ten)?.drill).toBe(ten);
  });

  it("stays the same when only the number was changed", () => {
    expect(rungHere(rungs, { kind: "streak", count: 77 })?.drill).toBe(five);
    expect(rungHere(rungs, { ...stop, count: 9 })?.drill).toBe(stop);
  });

  it("is none for what the ladder does not have, another pattern among it", () => {
    expect(rungHere(rungs, { kind: "hold", seconds: 30 })).toBeUndefined();
    expect(rungHere(rungs, { ...stop, score: "o xr o!" })).toBeUndefined();
  });
});
