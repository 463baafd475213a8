import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { FAMILIES, type Family } from "../syllabus/skill.js";
import { helpersLeading, unled, type Helper } from "./class-eyes.js";

const family = fc.constantFrom(...FAMILIES);
const stations = fc.array(fc.option(family), { maxLength: 5 });
const helpers = fc.array(
  fc.uniqueArray(family, { maxLength: 3 }).map((mayLead): Helper => ({ mayLead })),
  { maxLength: 3 },
);

/** The most stations that helpers can lead, by trying everything. */
function most(families: readonly (Family | null)[], free: readonly Helper[]): number {
  const [first, ...rest] = families;
  if (first === undefined) return 0;
  const without = most(rest, free);
  const ways = free.flatMap((helper, number) =>
    first !== null && helper.mayLead.includes(first)
      ? [1 + most(rest, [...free.slice(0, number), ...free.slice(number + 1)])]
      : [],
  );
  return Math.max(without, ...ways);
}

describe("who leads a station that asks for a coach", () => {
  it("is as many helpers as can be, each at one station and at what they may lead", () => {
    fc.assert(
      fc.property(stations, helpers, (families, all) => {
        const leading = helpersLeading(families, all);
        const named = leading.filter((number) => number !== null);
        expect(new Set(named).size).toBe(named.length);
        expect(named.length).toBe(most(families, all));
        leading.forEach((number, station) => {
          const led = families[station] ?? null;
          if (number !== null) expect(led !== null && all[number]?.mayLead.includes(led)).toBe(true);
        });
      }),
    );
  });

  it("is a coach anywhere, and more of anybody leave no more without", () => {
    fc.assert(
      fc.property(stations, helpers, fc.integer({ min: 0, max: 3 }), (families, all, coaches) => {
        const short = unled(families, coaches, all);
        expect(short).toBe(Math.max(0, families.length - coaches - most(families, all)));
        expect(unled(families, coaches + 1, all)).toBeLessThanOrEqual(short);
        expect(unled(families, coaches, [...all, { mayLead: [...FAMILIES] }])).toBeLessThanOrEqual(short);
      }),
    );
  });
});
