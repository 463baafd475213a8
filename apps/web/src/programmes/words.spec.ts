import { afterEach, describe, expect, it } from "@jest/globals";
import type { ProgrammeProgress } from "@mirrup/contract";
import type { OwnProgramme } from "@mirrup/core";
import { teach } from "../app/catalogue.js";
import { csvOf } from "../app/sheet.js";
import { progressSheet } from "./progress-sheet.js";
import { classWords, itemWords, leftWords, missingMost, programmeWords, sideWords } from "./words.js";

const FIRST = "programme:0199c1b2-0000-7000-8000-000000000001";
const PROGRAMME: OwnProgramme = {
  ...{ kind: "programme", name: "Kingfisher", order: "fixed", before: FIRST, allBut: 1 },
  headings: [
    {
      title: "Ground",
      items: [{ skill: "basic-bounce", side: "whole", ask: { kind: "streak", count: 30 } }],
    },
    {
      title: "Through",
      items: [
        { skill: "cross", side: "both", ask: { kind: "gate" } },
        { skill: "side-swing", side: "either", ask: { kind: "shown" } },
      ],
    },
  ],
};
const side = (name: "left" | "right" | "whole", on: string | null, by: "record" | "hand" = "record") =>
  ({ side: name, by: on === null ? null : by, on }) as const;

function student(
  name: string,
  bounce: string | null,
  crossLeft: string | null,
  more = {},
): ProgrammeProgress {
  return {
    ...{
      studentId: name,
      name,
      done: 1,
      asked: 2,
      isEnough: false,
      finishedOn: null,
      hasFinishedBefore: true,
    },
    items: [
      { key: "a", sides: [side("whole", bounce, "hand")], isDone: bounce !== null },
      { key: "b", sides: [side("left", crossLeft), side("right", null)], isDone: false },
      { key: "c", sides: [side("left", null), side("right", "2026-05-04")], isDone: true },
    ],
    ...more,
  };
}
const CLASS = [
  student("Ada", "2026-05-04", "2026-05-11"),
  student("Bo", null, null, { isEnough: true }),
  student("=Cy", null, null, { finishedOn: "2026-06-01" }),
];

afterEach(() => teach(null));

describe("what is said of a programme", () => {
  it("is what it asks, in a line", () => {
    expect(programmeWords(PROGRAMME)).toBe("2 of 3 skills, in this order");
    const entries = { [FIRST]: { ...PROGRAMME, name: "Wagtail", before: null, allBut: 0 } };
    teach({ edition: 1, entries });
    expect(programmeWords(PROGRAMME)).toBe("2 of 3 skills, in this order, after Wagtail");
    expect(programmeWords({ ...PROGRAMME, before: null, allBut: 0, order: "free" })).toBe(
      "All of 3 skills, in any order",
    );
    expect(PROGRAMME.headings.flatMap(({ items }) => items.map(itemWords))).toEqual([
      "basic bounce, 30 in a row",
      "cross, both sides, to its gate",
      "side swing, either side, shown once",
    ]);
  });

  it("is who has finished, who could, and what most lack, of those who have not", () => {
    expect(classWords(CLASS)).toBe("1 of 3 students finished; Bo could.");
    expect(missingMost(PROGRAMME, CLASS).map(({ item, students }) => [item.skill, students])).toEqual([
      ["cross", ["Ada (right)", "Bo"]],
      ["basic-bounce", ["Bo"]],
    ]);
    const [ada, bo] = CLASS;
    if (ada === undefined || bo === undefined) throw new Error("nobody there");
    expect(leftWords(PROGRAMME, ada)).toBe("; left: cross.");
    expect(leftWords(PROGRAMME, bo)).toBe(", which is enough; left: basic bounce and cross.");
    const all = bo.items.map((item) => ({ ...item, isDone: true }));
    expect(leftWords(PROGRAMME, { ...bo, items: all })).toBe(".");
    expect(sideWords(side("left", "2026-05-04", "hand"))).toBe("left: ticked by hand, 4 May 2026");
    expect(sideWords(side("whole", null))).toBe("to do");
  });

  it("goes out as a table, without formulas", () => {
    expect(csvOf(progressSheet(PROGRAMME, CLASS)).split("\r\n")).toEqual([
      'Student,"Basic bounce, 30 in a row","Cross, both sides, to its gate: left","Cross, both sides, to its gate: right","Side swing, either side, shown once: left","Side swing, either side, shown once: right",Done,Asked,Finished on',
      "Ada,2026-05-04,2026-05-11,,,2026-05-04,1,2,",
      "Bo,,,,,2026-05-04,1,2,",
      '"\'=Cy",,,,,2026-05-04,1,2,2026-06-01',
    ]);
  });
});
