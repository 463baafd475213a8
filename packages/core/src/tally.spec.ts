import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { Tally } from "./tally.js";

const added = fc.array(fc.tuple(fc.constantFrom("a", "b", "c"), fc.integer({ min: -5, max: 5 })));

test("has the sum of all that was added, and none of what never was", () => {
  fc.assert(
    fc.property(added, (all) => {
      const tally = new Tally<string>();
      for (const [key, many] of all) tally.add(key, many);
      for (const key of ["a", "b", "c", "d"]) {
        const own = all.filter(([other]) => other === key);
        expect(tally.of(key)).toBe(own.reduce((sum, [, many]) => sum + many, 0));
      }
      expect(tally.entries().map(([key]) => key)).toEqual([...new Set(all.map(([key]) => key))]);
    }),
  );
});

test("begins with how often each is named, and tells most first, equals as they came", () => {
  const tally = new Tally(["b", "a", "c", "a", "b"]);
  expect(tally.mostFirst()).toEqual([
    ["b", 2],
    ["a", 2],
    ["c", 1],
  ]);
});
