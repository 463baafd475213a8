import { describe, expect, it } from "@jest/globals";
import type { ClassWeeksView } from "@mirrup/contract";
import type { Outlook } from "@mirrup/core/planning";
import { addressOfClassWeeks, classWeeksAskedFrom } from "./class-weeks-asked.js";
import { classGiveWords, readyWords, workWords } from "./class-weeks-words.js";

const NOW = Date.parse("2026-06-01T12:00:00Z");

describe("what is asked of a group's weeks", () => {
  it("is kept in the address, on both sides where a skill has two", () => {
    const asked = { until: "2026-09-01", perWeek: 2, tries: null, skills: ["cross", "side-swing"] };
    const params = addressOfClassWeeks(asked);
    expect(params.getAll("goal")).toEqual(["cross:both", "side-swing:both"]);
    expect(classWeeksAskedFrom(params, NOW)).toEqual(asked);
    expect(addressOfClassWeeks({ ...asked, skills: ["double-under"] }).getAll("goal")).toEqual([
      "double-under:whole",
    ]);
  });

  it("is each skill once, and none that the catalogue does not have", () => {
    const params = new URLSearchParams("goal=cross:left&goal=cross:both&goal=wings&goal=");
    expect(classWeeksAskedFrom(params, NOW).skills).toEqual(["cross"]);
  });
});

describe("a group's weeks in words", () => {
  const view = (outlooks: readonly Outlook[], likely: number, chanceOfAll: number): ClassWeeksView => ({
    ...{ goals: [], until: "2026-09-01", lessonsAWeek: 1, weeks: [], gives: [], likely, chanceOfAll },
    students: outlooks.map((outlook, place) => ({
      ...{ studentId: String(place), name: "Ash", outlook, chance: 1 },
      lessonsNeeded: { expected: 0, low: 0, high: 0 },
    })),
  });

  it("say how many are likely to be ready, and whether all are", () => {
    expect(readyWords(view(["there", "there"], 2, 1))).toBe("Everybody is ready.");
    expect(readyWords(view(["there", "unlikely", "even"], 1, 0.3))).toMatch(
      /^1 of 3 is likely to be ready by .*September.*\. All of them: .*3 in 10/,
    );
    expect(readyWords(view(["likely", "likely", "even"], 2, 0.3))).toMatch(/^2 of 3 are likely/);
  });

  it("say what would have to give", () => {
    expect(classGiveWords({ code: "lessons", aWeek: 3, likely: 9 })).toBe(
      "3 lessons a week: 9 likely to be ready by then",
    );
    expect(classGiveWords({ code: "later", until: "2026-10-06", likely: 9 })).toMatch(
      /^Until .*October.* instead: 9 likely to be ready$/,
    );
  });

  it("say who works at what, and who reaches it", () => {
    const nameOf = (id: string) => id.toUpperCase();
    const words = (students: readonly string[], finishing: readonly string[]) =>
      workWords({ subject: "cross", students, finishing }, nameOf);
    expect(words(["a"], [])).toBe("Cross: A");
    expect(words(["a"], ["a"])).toBe("Cross: A, then the gate");
    expect(words(["a", "b", "c"], ["a", "b"])).toBe("Cross: 3 students, then the gate for A and B");
  });
});
