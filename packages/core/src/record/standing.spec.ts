import { describe, expect, it } from "@jest/globals";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { at, best, NOW, readingWith, type Known } from "../testing/small-reading.js";
import type { SideName } from "../sides.js";
import { skillOf, type Catalogue } from "../syllabus/catalogue.js";
import { gateOf, type GateOverrides, type School } from "../syllabus/gates.js";
import type { Side } from "../syllabus/side.js";
import { openedBetween, type Unmet } from "./standing.js";

function read(catalogue: Catalogue, record: readonly Known[], school: School = FIVE_IN_A_ROW) {
  const reading = readingWith(catalogue, record, { school });
  const of = (subject: string, side: SideName) => at(reading, subject, side);
  return { reading, of, status: (subject: string, side: SideName) => of(subject, side).status };
}

const names = (sides: readonly Side[]) => sides.map(({ subject, side }) => `${subject} ${side}`);
const lacks = (unmet: readonly Unmet[]) =>
  unmet.map(({ of, ...rest }) => ({ subject: of.subject, side: of.side, ...rest }));

describe("status", () => {
  const line = catalogueOf(["a", "one", ""], ["b", "two", "a"], ["c", "two", "b"], ["d", "one", "c both"]);

  it("goes from locked over ready and working to cleared", () => {
    expect(read(line, []).status("a", "whole")).toBe("ready");
    expect(read(line, []).status("b", "left")).toBe("locked");
    expect(read(line, [["a", "whole", 2]]).status("a", "whole")).toBe("working");
    expect(read(line, [["a", "whole", 5]]).status("a", "whole")).toBe("cleared");
    expect(read(line, [["a", "whole", 5]]).status("b", "left")).toBe("ready");
  });

  it("keeps the two sides apart", () => {
    const { status } = read(line, [
      ["a", "whole", 5],
      ["b", "right", 5],
    ]);
    expect(status("c", "right")).toBe("ready");
    expect(status("c", "left")).toBe("locked");
  });

  it("keeps the record of a locked side", () => {
    const { of } = read(line, [["b", "left", 4]]);
    expect(of("b", "left")).toMatchObject({ status: "locked", facts: { bestStreak: 4 } });
  });

  it("says what is unmet, how far it is and by which gate", () => {
    const { of } = read(line, [
      ["a", "whole", 5],
      ["b", "right", 5],
      ["c", "right", 3],
    ]);
    const gate = { kind: "streak", count: 5 };
    expect(lacks(of("d", "whole").unmet)).toEqual([
      { subject: "c", side: "left", gate, need: 5, have: 0, short: 5, needIndex: 0, way: 0 },
      { subject: "c", side: "right", gate, need: 5, have: 3, short: 2, needIndex: 0, way: 0 },
    ]);
  });

  it("takes the needs of what is cleared as known, through the tree, but not against sets of their own", () => {
    const { status } = read(line, [
      ["c", "right", 5],
      ["b", "left", 1],
    ]);
    expect(status("b", "right")).toBe("inferred");
    expect(status("a", "whole")).toBe("inferred");
    expect(status("b", "left")).toBe("working");
    expect(
      read(line, [
        ["c", "right", 5],
        ["b", "right", 2],
      ]).status("b", "right"),
    ).toBe("working");
  });
});

describe("needs", () => {
  it("asks for a streak with ≥ n whatever the gate", () => {
    const catalogue = catalogueOf(["a", "one", ""], ["b", "one", "a ≥ 8"], ["c", "one", "b"]);
    expect(read(catalogue, [["a", "whole", 7]]).of("b", "whole").unmet).toMatchObject([
      { need: 8, have: 7, short: 1, gate: { kind: "streak", count: 8 } },
    ]);
    expect(read(catalogue, [["a", "whole", 8]]).status("b", "whole")).toBe("ready");
  });

  it("is content with either alternative, and infers neither where none was practised", () => {
    const catalogue = catalogueOf(["a", "one", ""], ["b", "one", ""], ["c", "one", "a / b"]);
    expect(read(catalogue, [["b", "whole", 5]]).status("c", "whole")).toBe("ready");
    expect(
      read(catalogue, [])
        .of("c", "whole")
        .unmet.map((one) => one.way),
    ).toEqual([0, 1]);
    const { status } = read(catalogue, [
      ["c", "whole", 5],
      ["b", "whole", 2],
    ]);
    expect(status("b", "whole")).toBe("working");
    expect(read(catalogue, [["c", "whole", 5]]).status("a", "whole")).toBe("ready");
  });

  it("asks the other side where it is written, and either side of a one-sided skill", () => {
    const catalogue = catalogueOf(["a", "two", ""], ["b", "two", "a other"], ["c", "one", "a"]);
    const { status } = read(catalogue, [["a", "left", 5]]);
    expect(status("b", "right")).toBe("ready");
    expect(status("b", "left")).toBe("locked");
    expect(status("c", "whole")).toBe("ready");
  });

  it("takes a school's own count for a need", () => {
    const catalogue = catalogueOf(["a", "one", ""], ["b", "one", "a"]);
    const school = { ...FIVE_IN_A_ROW, needCounts: { b: { a: 50 } } };
    expect(read(catalogue, [["a", "whole", 49]], school).of("b", "whole").unmet).toMatchObject([
      { short: 1 },
    ]);
    expect(read(catalogue, [["a", "whole", 50]], school).status("b", "whole")).toBe("ready");
  });

  it("tells what came within reach between two readings", () => {
    const catalogue = catalogueOf(["a", "one", ""], ["b", "two", "a"]);
    const before = read(catalogue, []).reading;
    const after = read(catalogue, [["a", "whole", 5]]).reading;
    expect(names(openedBetween(before, after))).toEqual(["b left", "b right"]);
    expect(openedBetween(after, after)).toEqual([]);
  });
});

describe("the gate in force", () => {
  const catalogue = catalogueOf(["a", "one", ""], ["b", "one", "a", "cross"]);
  const skill = skillOf(catalogue, "b");
  const studio: GateOverrides = { classes: { cross: { kind: "hold", seconds: 30 } } };
  const student: GateOverrides = { skills: { b: { kind: "streak", count: 3 } } };

  it("is the student's, else the studio's, else the school's; a skill's before its class's", () => {
    expect(gateOf(FIVE_IN_A_ROW, skill)).toEqual({ kind: "streak", count: 5 });
    expect(gateOf(FIVE_IN_A_ROW, skill, [studio])).toEqual({ kind: "hold", seconds: 30 });
    expect(gateOf(FIVE_IN_A_ROW, skill, [student, studio])).toEqual({ kind: "streak", count: 3 });
    const both: GateOverrides = { ...studio, skills: { b: { kind: "clean", clean: 4, of: 5 } } };
    expect(gateOf(FIVE_IN_A_ROW, skill, [both])).toEqual({ kind: "clean", clean: 4, of: 5 });
  });
});

describe("the day", () => {
  it("makes a cleared side rusty once its review date has passed, and locks nothing", () => {
    const catalogue = catalogueOf(["a", "one", ""], ["b", "one", "a"]);
    const review = { stage: 0, since: NOW, due: "2026-06-08", kinClean: 0, lowRow: 0 };
    const on = (today: string) =>
      readingWith(catalogue, [["a", "whole", { ...best(5), review }]], { today }).standings.map(
        (one) => one.status,
      );
    expect(on("2026-06-08")).toEqual(["cleared", "ready"]);
    expect(on("2026-06-09")).toEqual(["rusty", "ready"]);
  });
});

describe("what a cleared skill vouches for", () => {
  const catalogue = catalogueOf(
    ["a", "one", ""],
    ["b", "one", "a ≥ 8"],
    ["c", "one", "b"],
    ["d", "one", "a ≥ 8"],
  );

  it("counts for the number that it asked, so that nothing is locked which was done", () => {
    const { status, of } = read(catalogue, [["c", "whole", 5]]);
    expect(of("b", "whole").unmet).toEqual([]);
    expect(status("d", "whole")).toBe("ready");
  });

  it("makes a side rusty, not locked, where its own sets fall short of that number", () => {
    const { status } = read(catalogue, [
      ["c", "whole", 5],
      ["a", "whole", 3],
    ]);
    expect(status("a", "whole")).toBe("rusty");
    expect(status("d", "whole")).toBe("ready");
  });
});

describe("stuck", () => {
  const catalogue = catalogueOf(["a", "one", ""]);
  const lesson = (day: number, tries: number) => ({
    lesson: `2026-05-${String(day)}`,
    ...{ bestStreak: 3, tries, worked: tries, triedWhole: true, inRuns: 0, bestBefore: 3, chanceBefore: 0.5 },
  });
  const isStuck = (tries: readonly number[], now = 0.5) => {
    const lessons = tries.map((count, place) => lesson(30 - place, count));
    // Plain chance is the record's own share over one prior.
    const facts = {
      sets: 9,
      bestStreak: 3,
      clean: 20 * now,
      missed: 20 * (1 - now),
      countedAt: NOW,
      lessons,
    };
    return at(readingWith(catalogue, [["a", "whole", facts]]), "a", "whole").isStuck;
  };

  it("is three lessons of ten tries or more that moved neither the best nor the chance", () => {
    expect(isStuck([12, 12, 12], 0.3)).toBe(true);
    expect(isStuck([12, 12], 0.3)).toBe(false);
    expect(isStuck([12, 9, 12], 0.3)).toBe(false);
    expect(isStuck([12, 12, 12], 0.9)).toBe(false);
  });
});
