import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { taughtCatalogue } from "../testing/taught-catalogue.js";
import type { Gate, School } from "./gates.js";
import { grownFrom, mayGrow } from "./growth.js";
import { rulesText, sideOf, syllabusOf } from "./syllabus.js";

describe("whether a student may still grow", () => {
  it("goes by the younger age that the year of birth allows, and asks nothing of an unknown one", () => {
    // Born in 2010, somebody is 15 until their birthday in 2026, and 16 all through 2027.
    expect(mayGrow(2010, "2026-11-25")).toBe(true);
    expect(mayGrow(2010, "2027-01-01")).toBe(false);
    expect(mayGrow(2009, "2026-11-25")).toBe(false);
    expect(mayGrow(null, "2026-11-25")).toBe(false);
  });

  it("ends on one day for good", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1950, max: 2100 }),
        fc.integer({ min: 1960, max: 2130 }),
        (born, year) => {
          expect(mayGrow(born, `${year}-12-31`)).toBe(year - born <= 16);
          expect(grownFrom(born)?.slice(0, 4)).toBe(String(born + 17));
        },
      ),
    );
  });
});

const CATALOGUE = taughtCatalogue();

describe("the gates of somebody who grows", () => {
  const long: Gate = { kind: "streak", count: 31 };
  const asking = (gate: Gate): School => ({
    ...FIVE_IN_A_ROW,
    gates: { ...FIVE_IN_A_ROW.gates, double: gate, cross: gate },
  });
  const taught = (school: School, growsUntil: string | null) =>
    syllabusOf({ catalogue: CATALOGUE, school, growsUntil });
  const gateOf = (school: School, growsUntil: string | null, subject: string, side: "whole" | "right") =>
    sideOf(taught(school, growsUntil), subject, side).gate;

  it("may be met in runs where they ask for more than thirty multiples, and no others", () => {
    const until = "2030-01-01";
    expect(gateOf(asking(long), until, "double", "whole")).toEqual({ ...long, runsUntil: until });
    expect(gateOf(asking(long), until, "cross", "right")).toEqual(long);
    expect(gateOf(asking(long), null, "double", "whole")).toEqual(long);
    const thirty: Gate = { kind: "streak", count: 30 };
    expect(gateOf(asking(thirty), until, "double", "whole")).toEqual(thirty);
    const clean: Gate = { kind: "clean", clean: 40, of: 50 };
    expect(gateOf(asking(clean), until, "double", "whole")).toEqual(clean);
  });

  it("are other rules where growth bears on a gate, and the same ones where it does not", () => {
    expect(rulesText(taught(asking(long), "2030-01-01"))).not.toBe(rulesText(taught(asking(long), null)));
    expect(taught(FIVE_IN_A_ROW, "2030-01-01") === taught(FIVE_IN_A_ROW, null)).toBe(true);
  });

  it("are so for a gate that was set by hand", () => {
    const overrides = [{ skills: { double: long } }];
    const school = FIVE_IN_A_ROW;
    const syllabus = syllabusOf({
      catalogue: taughtCatalogue(),
      school,
      overrides,
      growsUntil: "2030-01-01",
    });
    expect(sideOf(syllabus, "double", "whole").gate).toHaveProperty("runsUntil", "2030-01-01");
  });
});
