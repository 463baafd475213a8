import { describe, expect, it } from "@jest/globals";
import type { ClearedSide, PathView } from "@mirrup/contract";
import { movedWords } from "./goal-words.js";

const GOAL = [{ subject: "leg-over-double", side: "right" }] as const;
const TODAY = "2026-06-30";
const cleared = (subject: string, day: string): ClearedSide => ({ subject, side: "right", day, by: "gate" });
const path = (steps: number) => ({ steps: Array.from({ length: steps }) }) as unknown as PathView;

describe("the way to a goal", () => {
  it("tells what is left, and what of the way itself was cleared in the last month", () => {
    const all = [
      cleared("cross", "2026-06-20"),
      cleared("leg-over-cross", "2026-05-20"),
      // None of what the goal needs.
      { ...cleared("skier", "2026-06-21"), side: "whole" as const },
    ];
    expect(movedWords(GOAL, path(2), all, TODAY)).toBe(
      "The way to the leg-over double, right side has 2 sides left. Cleared toward it in the last month: cross, right side.",
    );
    expect(movedWords(GOAL, path(0), [], TODAY)).toBe(
      "The way to the leg-over double, right side is done. Nothing of it was cleared in the last month.",
    );
  });

  it("is nothing to tell of without a goal", () => {
    expect(movedWords([], path(2), [], TODAY)).toBeNull();
  });
});
