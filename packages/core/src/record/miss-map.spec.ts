import { describe, expect, it } from "@jest/globals";
import { scoreOf } from "../rope/parse.js";
import { missMap } from "./miss-map.js";

const at = (score: string, ...misses: Parameters<typeof missMap>[1]) => {
  const { turns, unplaced } = missMap(scoreOf(score), misses);
  return { turns: turns.map((one) => one.misses), unplaced };
};

describe("where misses fell", () => {
  it("is the turn that was noted, whatever the fault", () => {
    expect(at("sr sl o*2", { turn: 2 }, { turn: 2, fault: "toes" }, { turn: 4, count: 3 })).toEqual({
      turns: [0, 2, 0, 3],
      unplaced: 0,
    });
  });

  it("is the turn at which the fault shows: where the arms change in the air", () => {
    expect(at("(o xr) o", { fault: "late-cross" }).turns).toEqual([0, 1, 0]);
    expect(at("(xr o) o", { fault: "late-open" }).turns).toEqual([0, 1, 0]);
    expect(at("o (o ur) o", { fault: "exit" }).turns).toEqual([0, 0, 1, 0]);
    expect(at("xr o", { fault: "stall" }, { fault: "reopen" }).turns).toEqual([1, 1]);
  });

  it("is not guessed where nothing tells", () => {
    expect(at("sr sl o*2", {}, { fault: "toes" }, { fault: "late-cross" })).toEqual({
      turns: [0, 0, 0, 0],
      unplaced: 3,
    });
    expect(at("o", {}, { fault: "toes" })).toEqual({ turns: [2], unplaced: 0 });
    expect(at("o o", { turn: 7 })).toEqual({ turns: [0, 0], unplaced: 1 });
  });

  it("gives every turn its jump", () => {
    expect(missMap(scoreOf("o (o xr) .  o"), []).turns.map((one) => one.beat)).toEqual([0, 1, 1, 3]);
  });
});
