import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { DAY_MS } from "../instant.js";
import { missCount } from "../log/set.js";
import { addPractice, mergeDays, NO_PRACTICE, oddsOf, practiceDays, type SaidSet } from "./practice-day.js";

const FIRST = Date.UTC(2026, 5, 1, 17);

function set(day: number, more: Partial<SaidSet> = {}): SaidSet {
  const at = FIRST + day * DAY_MS;
  return {
    ...{ id: `${day}`, subject: "cross", side: "left", drill: { kind: "streak", count: 10 } },
    ...{ clean: 8, misses: [], bestStreak: 8, at, lesson: new Date(at).toISOString().slice(0, 10) },
    ...more,
  };
}

const anySet = fc
  .record({
    day: fc.integer({ min: 0, max: 3 }),
    subject: fc.constantFrom("cross", "bounce"),
    kind: fc.constantFrom("streak", "one-out", "shadow", "something new"),
    clean: fc.nat(30),
    faults: fc.array(fc.constantFrom("toes" as const, "head" as const, undefined), { maxLength: 5 }),
    said: fc.option(fc.double({ min: 0, max: 1, noNaN: true }), { nil: undefined }),
    isAlone: fc.boolean(),
  })
  .map(({ day, subject, kind, clean, faults, said, isAlone }) =>
    set(day, {
      ...{ subject, clean, drill: { kind }, bestStreak: clean },
      misses: faults.map((fault) => (fault === undefined ? { count: 2 } : { fault })),
      ...(said === undefined ? {} : { said }),
      ...(isAlone ? { isAlone: true as const } : {}),
    }),
  );

describe("a day of practice", () => {
  it("says what was tried, what missed by which fault, and what came of what was said", () => {
    const [day, ...others] = practiceDays([
      set(0, { misses: [{ position: 9, fault: "toes" }, { count: 2 }], said: 0.6 }),
      set(0, { clean: 12, bestStreak: 12, said: 0.7 }),
    ]);
    expect(others).toEqual([]);
    expect(day).toMatchObject({
      ...{ day: "2026-06-01", sets: 2, clean: 20, missed: 3, wholeClean: 20, wholeMissed: 3, bestStreak: 12 },
      ...{ faults: { toes: 1 }, kinds: { streak: 23 }, odds: { streak: { sets: 2, came: 1 } } },
    });
    expect(day === undefined ? 0 : oddsOf(day).said).toBeCloseTo(1.3, 9);
  });

  it("keeps a drill of another score, and of a shape, apart from the skill as it is", () => {
    const [day] = practiceDays([
      set(0, { drill: { kind: "streak", count: 10, score: "xr xr o" }, clean: 4, bestStreak: 4 }),
      set(0, { drill: { kind: "shadow" }, clean: 10, bestStreak: 10 }),
    ]);
    expect(day).toMatchObject({ clean: 14, wholeClean: 0, bestStreak: 0, kinds: { streak: 4, shadow: 10 } });
  });

  it("counts what the student did alone by itself, and nothing else of it", () => {
    const days = practiceDays([
      set(0, { clean: 30, bestStreak: 30, misses: [{ fault: "toes" }], isAlone: true, said: 1 }),
    ]);
    const where = { day: "2026-06-01", subject: "cross", side: "left" };
    expect(days).toEqual([{ ...where, ...NO_PRACTICE, aloneClean: 30, aloneMissed: 1 }]);
  });

  it("is the same sum in whatever order and parts it is added, and loses no try", () => {
    fc.assert(
      fc.property(fc.array(anySet, { maxLength: 20 }), fc.nat(20), (sets, cut) => {
        const sum = (days: ReturnType<typeof practiceDays>) =>
          [...days].reduce((all, day) => addPractice(all, day), NO_PRACTICE);
        const whole = practiceDays(sets);
        const parts = mergeDays([
          ...practiceDays(sets.slice(0, cut)),
          ...practiceDays([...sets.slice(cut)].reverse()),
        ]);
        const inOrder = (days: typeof whole) =>
          [...days]
            .sort((one, other) => (one.day + one.subject < other.day + other.subject ? -1 : 1))
            .map((day) => ({ ...day, odds: Math.round(oddsOf(day).said * 1e9) }));
        expect(inOrder(parts)).toEqual(inOrder(whole));
        const tries = sets.reduce((all, one) => all + one.clean + missCount(one.misses), 0);
        const all = sum(whole);
        expect(all.clean + all.missed + all.aloneClean + all.aloneMissed).toBe(tries);
        expect(Object.values(all.kinds).reduce((one, other) => one + other, 0)).toBe(all.clean + all.missed);
      }),
    );
  });
});
