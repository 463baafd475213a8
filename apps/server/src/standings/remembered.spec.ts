import { describe, expect, it } from "@jest/globals";
import { SideMap } from "@mirrup/core";
import fc from "fast-check";
import { RememberedFacts, type Edition } from "./remembered.js";

const MOST = 64;

describe("remembered facts", () => {
  it("are those of the edition that is asked for, or none, whatever was read and written meanwhile", () => {
    const step = fc.record({ student: fc.nat({ max: 90 }), writes: fc.boolean() });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 300 }), (steps) => {
        const remembered = new RememberedFacts();
        const editions = new Map<string, number>();
        const made = new Map<SideMap<never>, Edition>();
        for (const { student, writes } of steps) {
          const id = `student ${student}`;
          if (writes) editions.set(id, (editions.get(id) ?? 0) + 1);
          const asked = { id, factsEdition: editions.get(id) ?? 0 };
          const known = remembered.of(asked);
          if (known !== null) expect(made.get(known as SideMap<never>)).toEqual(asked);
          else {
            const facts = new SideMap<never>();
            made.set(facts, asked);
            remembered.keep(asked, facts);
            expect(remembered.of(asked)).toBe(facts);
          }
        }
      }),
    );
  });

  it("are let go of by who was read longest ago", () => {
    const remembered = new RememberedFacts();
    const of = (student: number) => ({ id: `student ${student}`, factsEdition: 1 });
    for (let student = 0; student < MOST; student += 1) remembered.keep(of(student), new SideMap());
    expect(remembered.of(of(0))).not.toBeNull();
    remembered.keep(of(MOST), new SideMap());
    expect(remembered.of(of(1))).toBeNull();
    expect(remembered.of(of(0))).not.toBeNull();
  });
});
