import { describe, expect, it } from "@jest/globals";
import type { Drill } from "@mirrup/core";
import { runOf, type Tap } from "@mirrup/core/teaching";
import { spokenTry } from "./spoken-try.js";

const LINK: Drill = { kind: "link", count: 3, spacing: 4 };
const STREAK: Drill = { kind: "streak", count: 10 };

/** What is said at each try of a run, c for a clean one and m for a miss. */
function saidOf(drill: Drill, tries: string): readonly (string | number | null)[] {
  const taps = [...tries].map((one, at): Tap => ({ kind: one === "c" ? "clean" : "miss", at }));
  return taps.map((_, made) => {
    const [before, after] = [runOf(drill, taps.slice(0, made), 0), runOf(drill, taps.slice(0, made + 1), 0)];
    const spoken = spokenTry(before, after);
    return spoken?.kind === "count" ? spoken.number : (spoken?.text ?? null);
  });
}

describe("what is said at a try", () => {
  it("is its number in a row, and that it missed", () => {
    expect(saidOf(STREAK, "ccmc")).toEqual([1, 2, "miss", 1]);
  });

  it("is the next spacing where a link closes by one, down to none", () => {
    const said = saidOf(LINK, "ccccccccc");
    expect(said.filter((one) => typeof one === "string")).toEqual(["2 bounces", "1 bounce", "no bounce"]);
    expect(said.filter((one) => typeof one === "number").length).toBeGreaterThan(0);
  });

  it("is nothing where a try is taken back, or several are typed at once", () => {
    const at = (made: number) =>
      runOf(
        STREAK,
        Array.from({ length: made }, (_, at): Tap => ({ kind: "clean", at })),
        0,
      );
    expect(spokenTry(at(4), at(3))).toBeNull();
    expect(spokenTry(at(3), at(8))).toBeNull();
    expect(spokenTry(at(3), at(3))).toBeNull();
  });
});
