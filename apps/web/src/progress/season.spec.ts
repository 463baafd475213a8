import { describe, expect, it } from "@jest/globals";
import type { ClassProgressView, GroupView, ProgrammeProgress, StudentProgress } from "@mirrup/contract";
import { NO_PRACTICE } from "@mirrup/core/teaching";
import fc from "fast-check";
import { attendedWords, finishedIn, seasonOf, seasonSheet, seasonWords } from "./season.js";

const student = (id: string, more: Partial<StudentProgress> = {}): StudentProgress => ({
  ...{ studentId: id, name: id, lastAt: null, isAway: false, standsStill: false, stuck: [], behind: null },
  ...{ days: 0, clean: 0, missed: 0, landings: 0, cleared: [], came: 0, missing: 0, heldUpBy: [] },
  ...more,
});
const cleared = (subject: string, side: "left" | "right" | "whole" = "whole") =>
  ({ subject, side, day: "2026-06-02", by: "gate" }) as const;
const viewOf = (students: readonly StudentProgress[], days: readonly string[] = []): ClassProgressView => ({
  ...{ from: "2026-06-01", to: "2026-11-29", weeks: [], cleared: [], students },
  days: days.map((day) => ({ ...NO_PRACTICE, day, subject: "cross", side: "left", sets: 1 })),
});
const group = (name: string, members: readonly string[]) =>
  ({ id: name, name, members }) as unknown as GroupView;

const ADA = student("Ada", {
  ...{ days: 4, clean: 90, missed: 10, came: 5, missing: 1 },
  cleared: [cleared("cross", "left"), cleared("cross", "right"), cleared("skier")],
});
const BEN = student("Ben", {
  days: 2,
  clean: 30,
  missed: 20,
  came: 3,
  missing: 3,
  cleared: [cleared("skier")],
});
const CY = student("Cy");
const GROUPS = [group("Juniors", ["Ada", "Ben"]), group("Elders", ["Ben"]), group("Nobody", [])];

describe("a season", () => {
  const view = viewOf([ADA, BEN, CY], ["2026-06-02", "2026-06-02", "2026-06-09"]);
  const season = seasonOf(view, GROUPS);

  it("is told in sentences, with what most learned and who came furthest", () => {
    expect(seasonWords(season, view)).toEqual([
      "From 1 June 2026 to 29 November 2026, 2 of 3 students practised on 2 days: 150 tries, 80% of them clean.",
      "4 sides of skills were cleared: 2 of footwork and 2 of crosses.",
      "Of 12 places in lessons that were held 8 (67%) were taken.",
    ]);
    expect(season.learned).toEqual([
      ["skier", 2],
      ["cross", 1],
    ]);
    expect(season.furthest.map(({ name }) => name)).toEqual(["Ada", "Ben"]);
  });

  it("says so where nothing was counted, and of lessons nothing where none was held", () => {
    const nothing = seasonOf(viewOf([CY]), []);
    expect(seasonWords(nothing, view)).toEqual([
      "From 1 June 2026 to 29 November 2026, nothing was counted.",
    ]);
    expect(nothing.groups).toEqual([]);
    expect(attendedWords(nothing.all)).toBe("");
    const few = student("Di", { days: 1, clean: 1 });
    expect(seasonWords(seasonOf(viewOf([few], ["2026-06-02"]), []), view)).toEqual([
      "From 1 June 2026 to 29 November 2026, 1 of 1 student practised on 1 day: 1 try, 100% of them clean.",
      "No side of a skill was cleared.",
    ]);
  });

  it("has every group with anybody in it, and whoever is in none", () => {
    expect(season.groups.map(({ name, students, tries }) => [name, students, tries])).toEqual([
      ["Juniors", 2, 150],
      ["Elders", 1, 50],
      ["In no group", 1, 0],
    ]);
    const { fields, rows } = seasonSheet(season);
    expect(rows.every((row) => row.length === fields.length)).toBe(true);
    expect(rows.at(-1)).toEqual(["Everybody", 3, 2, 150, 120, 12, 8, 4]);
  });

  it("comes to the same in groups as in all, where everybody is in one", () => {
    const anybody = fc.record({
      days: fc.nat(3),
      clean: fc.nat(90),
      missed: fc.nat(9),
      came: fc.nat(9),
      missing: fc.nat(9),
      sides: fc.nat(5),
      group: fc.constantFrom("a", "b", "c", "none"),
    });
    fc.assert(
      fc.property(fc.array(anybody, { minLength: 2, maxLength: 9 }), (all) => {
        const students = all.map(({ sides, group: _group, ...one }, place) =>
          student(String(place), { ...one, cleared: Array.from({ length: sides }, () => cleared("skier")) }),
        );
        const named = ["a", "b", "c"].map((name) =>
          group(
            name,
            all.flatMap((one, place) => (one.group === name ? [String(place)] : [])),
          ),
        );
        const { all: whole, groups } = seasonOf(viewOf(students), named);
        for (const key of ["students", "practised", "tries", "clean", "held", "came", "cleared"] as const) {
          const sum = groups.reduce((so, one) => so + one[key], 0);
          if (groups.length > 0) expect([key, sum]).toEqual([key, whole[key]]);
        }
      }),
    );
  });

  it("names those who finished a programme in it, the first first", () => {
    const progress = [
      { studentId: "a", name: "Ada", finishedOn: "2026-07-02" },
      { studentId: "b", name: "Ben", finishedOn: null },
      { studentId: "c", name: "Cy", finishedOn: "2026-05-31" },
      { studentId: "d", name: "Di", finishedOn: "2026-06-01" },
    ] as unknown as readonly ProgrammeProgress[];
    expect(finishedIn(progress, view).map(({ name }) => name)).toEqual(["Di", "Ada"]);
  });
});
