import { describe, expect, it } from "@jest/globals";
import type { Place, Rotation, Watch } from "@mirrup/core/planning";
import { coachWords, placeWords, taskWords } from "./words.js";

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

describe("a coach's way through the hall", () => {
  const turn = (...watched: readonly Watch[]): Rotation => ({
    minutes: 8,
    stations: watched.map((watchedBy) => ({ subject: "cross", watchedBy })),
  });

  it("is the stations that ask for one, turn by turn", () => {
    const way = [
      turn("coach", "nobody"),
      turn("helper", "nobody"),
      turn("nobody", "coach"),
      turn("coach", "coach"),
    ];
    expect(coachWords(way)).toBe("A coach’s stations, turn by turn: 1, free, 2, 1 and 2.");
    expect(coachWords([turn("nobody"), turn("helper")])).toBeNull();
  });
});
