import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { helpersOf, isPlain, manyRopes, readAtHand, ropesOf, USUALLY_AT_HAND } from "./means.js";

describe("what a class has", () => {
  it("counts ropes that are not told apart, and those that are", () => {
    expect(manyRopes(null)).toBeNull();
    expect([isPlain(null), isPlain(ropesOf(4)), manyRopes(ropesOf(4))]).toEqual([true, true, 4]);
    const told = [
      { kind: "beaded" as const, lengthMm: null, many: 2 },
      { kind: null, lengthMm: 2400, many: 3 },
    ];
    expect([isPlain(told), manyRopes(told)]).toEqual([false, 5]);
  });

  it("keeps what helpers may lead when there are more or fewer", () => {
    const one = [{ mayLead: ["crosses" as const] }];
    expect(helpersOf(2, one)).toEqual([...one, { mayLead: [] }]);
    expect(helpersOf(1, helpersOf(3, one))).toEqual(one);
    expect(helpersOf(0, one)).toEqual([]);
  });

  it("reads what an older version remembered, which only counted", () => {
    const old = JSON.stringify({ coaches: 2, helpers: 2, ropes: 7, floor: null });
    expect(readAtHand(old)).toEqual({
      ...{ coaches: 2, floor: null, ropes: ropesOf(7) },
      helpers: [{ mayLead: [] }, { mayLead: [] }],
    });
    const none = JSON.stringify({ coaches: 1, helpers: 0, ropes: null, floor: null });
    expect(readAtHand(none)).toEqual(USUALLY_AT_HAND);
  });

  it("reads back what it remembers, and takes the usual for what it cannot read", () => {
    const kept = {
      coaches: 3,
      helpers: [{ mayLead: ["crosses" as const, "multiples" as const] }],
      ropes: [{ kind: "wire" as const, lengthMm: 2500, many: 2 }],
      floor: { widthMetres: 9, lengthMetres: 12.5 },
    };
    expect(readAtHand(JSON.stringify(kept))).toEqual(kept);
    for (const text of [
      undefined,
      "",
      "{",
      "null",
      "7",
      "[]",
      '{"helpers":[null],"ropes":[null,{"many":-1}]}',
    ])
      expect(readAtHand(text).coaches).toBe(1);
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const read = readAtHand(JSON.stringify(value));
        expect(readAtHand(JSON.stringify(read))).toEqual(read);
      }),
    );
  });
});
