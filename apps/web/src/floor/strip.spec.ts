import { describe, expect, it } from "@jest/globals";
import { newRun, withEntry } from "../app/floor-run.js";
import { stripWords, withEntryOf, withoutStudent, type StripEntry } from "./strip.js";

const entry = (studentId: string, subject = "cross"): StripEntry => {
  return { studentId, subject, side: "left", name: studentId };
};

describe("the strip of students", () => {
  it("holds each student once, at the drill they are at", () => {
    const two = [entry("ada"), entry("ben")].reduce<readonly StripEntry[]>(withEntryOf, []);
    expect(withEntryOf(two, entry("ada", "side-swing")).map((one) => one.subject)).toEqual([
      "side-swing",
      "cross",
    ]);
    expect(withoutStudent(two, "ada")).toEqual([entry("ben")]);
  });

  it("says how far each set is, also one that counts by itself", () => {
    const run = newRun("id", { kind: "streak", count: 8 }, 0);
    const paced = withEntry(run, { kind: "pace", every: 0.5 }, 0);
    expect(stripWords(undefined, 0)).toBe("not begun");
    expect(stripWords(paced, 2000)).toBe("4 of 8");
    expect(stripWords(paced, 60_000)).toBe("reached");
    expect(stripWords(newRun("id", { kind: "hold", seconds: 30 }, 0), 1000)).toBe("running");
  });
});
