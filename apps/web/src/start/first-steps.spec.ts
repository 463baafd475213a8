import { describe, expect, it } from "@jest/globals";
import type { GroupView, StudentView } from "@mirrup/contract";
import { doneOf, firstToPlace, FIRST_STEPS, isNew, nextStep } from "./first-steps.js";

const student = (name: string, more: Partial<StudentView> = {}) =>
  ({
    ...{ id: name, name, lastPractisedAt: null },
    counts: { locked: 300, ready: 4, working: 0, cleared: 0, rusty: 0 },
    ...more,
  }) as unknown as StudentView;
const placed = { counts: { locked: 290, ready: 4, working: 0, cleared: 9, rusty: 0 } } as const;
const jumped = { ...placed, lastPractisedAt: "2026-11-02T10:00:00Z" };
const group = (archived = false) => ({ id: "g", archived }) as unknown as GroupView;

describe("the first steps", () => {
  it("follow each other as the studio fills", () => {
    const ada = student("Ada");
    expect(nextStep({ students: [], groups: [] })).toBe("students");
    expect(nextStep({ students: [ada], groups: [] })).toBe("group");
    expect(nextStep({ students: [ada], groups: [group()] })).toBe("placement");
    expect(nextStep({ students: [student("Ada", placed as never)], groups: [group()] })).toBe("lesson");
    expect(nextStep({ students: [student("Ada", jumped as never)], groups: [group()] })).toBeNull();
  });

  it("may be done in any order: the first that is left is next", () => {
    const students = [student("Ada", jumped)];
    expect(nextStep({ students, groups: [] })).toBe("group");
    expect(doneOf({ students, groups: [] })).toEqual(new Set(FIRST_STEPS.filter((step) => step !== "group")));
  });

  it("do not count a group that is archived", () => {
    expect([...doneOf({ students: [], groups: [group(true)] })]).toEqual(["teaching"]);
  });

  it("end with the first set of anybody", () => {
    expect(isNew([])).toBe(true);
    expect(isNew([student("Ada", placed as never)])).toBe(true);
    expect(isNew([student("Ada"), student("Bo", jumped as never)])).toBe(false);
  });

  it("place who stands nowhere yet, else whoever comes first", () => {
    const [ada, cy] = [student("Ada", placed), student("Cy")];
    expect(firstToPlace([ada, cy])).toBe(cy);
    expect(firstToPlace([ada])).toBe(ada);
    expect(firstToPlace([])).toBeUndefined();
  });
});
