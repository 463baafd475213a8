import { CATALOGUE } from "@mirrup/catalogue";
import { scoreOf } from "@mirrup/core";
import { COMBO_LIMITS, comboText, partsOfScore } from "@mirrup/core/combos";
import { describe, expect, it } from "@jest/globals";
import {
  added,
  doubled,
  mirrored,
  moved,
  nameOfParts,
  opened,
  repeated,
  without,
  type Parts,
} from "./bench.js";
import { comboStudents } from "./combo-student.js";

const parts = (text: string): Parts => partsOfScore(CATALOGUE, scoreOf(text));
const LINE = parts("o sr sl (o o) xr o");
const texts = (line: Parts) => line.map(({ score, times }) => (times === 1 ? score : `${score}×${times}`));

describe("the bench", () => {
  it("adds to the end, and gathers what follows itself", () => {
    expect(texts(added(LINE, parts("xr o")))).toEqual(["o", "sr sl", "(o o)", "xr o×2"]);
    const many = Array.from({ length: 500 }, (_, place) => parts(place % 2 === 0 ? "o" : "xr o")).flat();
    expect(added([], many)).toHaveLength(COMBO_LIMITS.parts);
  });

  it("moves a part, and leaves the line where that cannot be", () => {
    expect(texts(moved(LINE, 3, 0))).toEqual(["xr o", "o", "sr sl", "(o o)"]);
    expect(texts(moved(LINE, 0, 3))).toEqual(["sr sl", "(o o)", "xr o", "o"]);
    for (const [from, to] of [
      [9, 0],
      [0, 9],
      [0, -1],
    ] as const) {
      expect(moved(LINE, from, to)).toBe(LINE);
    }
  });

  it("mirrors the chosen ones, and all where none is chosen; twice is as before", () => {
    expect(texts(mirrored(LINE, new Set([3])))).toEqual(["o", "sr sl", "(o o)", "xl o"]);
    const all = mirrored(LINE, new Set());
    expect(comboText(all)).toBe("o sl sr (o o) xl o");
    expect(mirrored(all, new Set())).toEqual(LINE);
  });

  it("takes out, does once more, and repeats within its limits", () => {
    expect(texts(without(LINE, new Set([0, 2])))).toEqual(["sr sl", "xr o"]);
    expect(texts(doubled(LINE, new Set([1, 2])))).toEqual(["o", "sr sl", "(o o)", "sr sl", "(o o)", "xr o"]);
    expect(texts(repeated(LINE, 0, 4))[0]).toBe("o×4");
    expect(repeated(LINE, 0, 0)).toBe(LINE);
    expect(repeated(LINE, 0, COMBO_LIMITS.times + 1)).toBe(LINE);
  });

  it("closes a part up and opens it again", () => {
    const [cross] = parts("xr o");
    const closed = cross === undefined ? null : opened(cross);
    expect(closed?.score).toBe("xr");
    expect(closed === null ? null : opened(closed)?.score).toBe("xr o");
    const [bounce] = parts("o");
    expect(bounce === undefined ? null : opened(bounce)).toBeNull();
  });

  it("names a combo by its moves, each once, without the bounces", () => {
    const name = (text: string) => nameOfParts(parts(text), (part) => part.subject ?? part.score);
    expect(name("o sr sl (o o) xr o (o o)")).toBe("Double-side-swing, double-under, cross");
    expect(name("o sr o xr o (o o) br o o/r")).toBe("Side-swing, cross, double-under …");
    expect(name("o*4")).toBe("Bounces");
  });
});

describe("a class's reading, as combos ask", () => {
  const view = {
    sides: ["basic-bounce:whole", "front-back-cross:left", "front-back-cross:right"],
    students: [
      { id: "1", name: "One", codes: "cc-" },
      { id: "2", name: "Two", codes: "ii4" },
    ],
  };

  it("tells each side's status, and which front-back crosses were seen", () => {
    const [one, two] = comboStudents(view);
    expect(one?.statusOf("front-back-cross", "left")).toBe("cleared");
    expect(one?.statusOf("front-back-cross", "right")).toBe("locked");
    expect([...(one?.sideways ?? [])]).toEqual(["bl"]);
    expect(two?.statusOf("front-back-cross", "right")).toBe("working");
    // Taken as known is not seen.
    expect([...(two?.sideways ?? [])]).toEqual([]);
    expect(one?.statusOf("cross", "left")).toBeUndefined();
  });
});
