import { describe, expect, it } from "@jest/globals";
import type { Place } from "@mirrup/core/planning";
import {
  faultWords,
  laidOutWords,
  lookWords,
  placeWords,
  ropeWords,
  taskWords,
  usefulWords,
} from "./words.js";

const PLACE: Place = {
  station: 0,
  side: "whole",
  use: "frontier",
  drill: { kind: "part-counts", count: 3, score: "(o o o)*5" },
  cautions: [],
  chance: 0.72,
  reason: null,
};

describe("what somebody does at a station", () => {
  it("names the part that a drill is about, and its odds", () => {
    const words = placeWords("quadruple-under", PLACE);
    expect(words).toContain("triple under");
    expect(words).toContain("7 in 10");
    expect(taskWords("quadruple-under", PLACE)).toContain("triple under");
  });

  it("says the side, and why where it is no open work", () => {
    const review: Place = {
      ...PLACE,
      side: "left",
      use: "review",
      drill: { kind: "streak", count: 8 },
      chance: null,
    };
    expect(placeWords("cross", review)).toBe("left side, 8 in a row. Its review is due.");
    expect(taskWords("cross", review)).toBe("left, 8 in a row");
  });
});

describe("ropes and looks", () => {
  const names: Readonly<Record<string, string>> = { a: "Ash", b: "Birch", c: "Cedar" };
  const nameOf = (id: string) => names[id] ?? "Somebody";

  it("says what lies at a station, whose rope is their own, and who waits", () => {
    const rope = { kind: "beaded" as const, lengthMm: 2400, many: 5 };
    expect(ropeWords(rope, 2, "cm")).toBe("2 beaded of 240 cm");
    expect(ropeWords({ kind: null, lengthMm: null, many: 9 }, 1, "in")).toBe("1 rope");
    expect(ropeWords({ kind: null, lengthMm: 2540, many: 9 }, 3, "in")).toBe("3 ropes of 100 in");
    const all = {
      station: 0,
      ropes: [{ rope, many: 1, isSlow: true }],
      own: ["a"],
      without: 2,
    };
    expect(laidOutWords(all, "cm", nameOf)).toBe(
      "1 beaded of 240 cm, turned slowly only; own: Ash; none for 2 pairs",
    );
  });

  it("says whom a coach looks at first, and for how long", () => {
    const look = { coach: 0, station: 1, from: 0, minutes: 2.5, students: ["a", "b", "c"] };
    expect(lookWords(look, nameOf)).toBe("2.5 min: first Ash, then Birch and Cedar");
    expect(lookWords({ ...look, students: ["b"] }, nameOf)).toBe("2.5 min: Birch");
    expect(lookWords({ ...look, students: [] }, nameOf)).toBe("2.5 min");
  });

  it("says which pair could not be kept as it is to be, and what to do", () => {
    const students = ["a", "b"] as const;
    expect(faultWords({ code: "not-apart", rotation: 1, students }, nameOf)).toContain(
      "In turn 2 Ash and Birch are at one station",
    );
    expect(faultWords({ code: "not-together", rotation: 0, students }, nameOf)).toContain(
      "Ash and Birch are not",
    );
  });
});

describe("what a plan is worth", () => {
  const words = (useful: number, sameForAll: number, most = 84) =>
    usefulWords({ useful, minutes: 182, sameForAll, most });

  it("is held against one drill for everybody, and against the most there could be", () => {
    expect(words(42, 28)).toBe(
      "42 useful minutes of 182 at the stations: 1.5 times one drill for everybody (28). " +
        "Each student alone with you could have 84 at most; this has 50% of it.",
    );
    expect(words(42, 42)).toContain(": 1.0 times one drill for everybody (42).");
    expect(words(42, 4)).toContain(": far more than one drill for everybody (4).");
    expect(words(42, 0)).toContain(": far more than one drill for everybody (none).");
    expect(words(0, 0, 0)).toContain("this has 100% of it.");
  });

  it("says what that costs, and what to try, where one drill for everybody would have more", () => {
    expect(words(42, 57)).toBe(
      "42 useful minutes of 182 at the stations. " +
        "One drill for everybody would have 57, but whoever may not do it stands by; try a further station. " +
        "Each student alone with you could have 84 at most; this has 50% of it.",
    );
  });
});
