import { expect, it } from "@jest/globals";
import fc from "fast-check";
import { DAY_MS } from "../instant.js";
import { compareLines } from "../log/line.js";
import { foldEntries, NO_FACTS, type SideEntry } from "./facts.js";
import { firstMark, foldOn } from "./mark.js";
import { HANDBOOK_MODEL } from "./model.js";

const JUDGED = { gate: { kind: "streak", count: 10 }, gateStreak: 10 } as const;
const START = Date.UTC(2026, 0, 5, 12);

const placed = fc.record({
  day: fc.integer({ min: 0, max: 12 }),
  minute: fc.integer({ min: 0, max: 90 }),
  id: fc.uuid(),
});

const entry = fc
  .tuple(
    placed,
    fc.oneof(
      {
        weight: 6,
        arbitrary: fc.record({
          type: fc.constant("set" as const),
          clean: fc.integer({ min: 0, max: 15 }),
          missed: fc.integer({ min: 0, max: 3 }),
        }),
      },
      {
        weight: 2,
        arbitrary: fc.record({ type: fc.constant("kin" as const), clean: fc.integer({ min: 1, max: 30 }) }),
      },
      {
        weight: 1,
        arbitrary: fc.record({
          type: fc.constant("decision" as const),
          decision: fc.constantFrom({ kind: "reopen" } as const, { kind: "clear", count: null } as const),
        }),
      },
    ),
  )
  .map(([{ day, minute, id }, what]): SideEntry => {
    const at = START + day * DAY_MS + minute * 60_000;
    const place = { id, at, lesson: new Date(at).toISOString().slice(0, 10) };
    if (what.type !== "set") return { ...place, ...what };
    const { clean, missed } = what;
    return {
      ...place,
      ...{
        type: "set",
        drill: { kind: "streak", count: 10 },
        rung: "gate",
        holds: true,
        repetitions: 1,
        clean,
      },
      ...{ misses: missed === 0 ? [] : [{ count: missed }], bestStreak: clean },
    };
  });

const log = fc.uniqueArray(entry, { minLength: 1, maxLength: 40, selector: (one) => one.id });
const plainOf = (entries: readonly SideEntry[]) => foldEntries(entries, JUDGED, HANDBOOK_MODEL);
const from = (entries: readonly SideEntry[]) => ({
  ...(firstMark(entries) ?? { at: -1, id: "", facts: NO_FACTS }),
});

it("has from the first mark what the whole has, though kindred sets came before", () => {
  fc.assert(
    fc.property(log, (entries) => {
      fc.pre(firstMark(entries) !== null);
      expect(foldOn(from(entries), entries, JUDGED, HANDBOOK_MODEL).facts).toEqual(plainOf(entries));
    }),
  );
});

it("has at each mark what the entries up to it come to, one mark for each lesson that another followed", () => {
  fc.assert(
    fc.property(log, (entries) => {
      fc.pre(firstMark(entries) !== null);
      const start = from(entries);
      const { marks } = foldOn(start, entries, JUDGED, HANDBOOK_MODEL);
      for (const mark of marks) {
        const before = entries.filter((one) => compareLines(one, mark) <= 0);
        expect(mark.facts).toEqual(plainOf(before));
      }
      const lessons = new Set(entries.filter((one) => compareLines(one, start) > 0).map((one) => one.lesson));
      expect(marks).toHaveLength(lessons.size - 1);
    }),
  );
});

it("has from any mark what it has from the first, with what comes late between", () => {
  fc.assert(
    fc.property(log, entry, fc.nat(), (entries, late, number) => {
      fc.pre(firstMark(entries) !== null && !entries.some((one) => one.id === late.id));
      const { marks } = foldOn(from(entries), entries, JUDGED, HANDBOOK_MODEL);
      const usable = marks.filter((mark) => compareLines(mark, late) < 0);
      fc.pre(usable.length > 0);
      const mark = usable[number % usable.length];
      if (mark === undefined) return;
      const all = [...entries, late];
      expect(foldOn(mark, all, JUDGED, HANDBOOK_MODEL).facts).toEqual(plainOf(all));
    }),
  );
});

it("stays where it was with nothing behind it, and marks the lesson that it is told it stands in", () => {
  const set = {
    type: "set",
    drill: { kind: "streak", count: 10 },
    rung: "gate",
    holds: true,
    repetitions: 1,
  } as const;
  const one: SideEntry = {
    ...set,
    id: "b",
    at: START,
    lesson: "2026-01-05",
    clean: 3,
    misses: [],
    bestStreak: 3,
  };
  const next: SideEntry = { ...one, id: "c", at: START + DAY_MS, lesson: "2026-01-06" };
  const facts = plainOf([one]);
  const start = { at: START, id: "b", facts };
  expect(foldOn(start, [one], JUDGED, HANDBOOK_MODEL)).toEqual({
    facts,
    last: { at: START, id: "b" },
    marks: [],
  });
  const marked = foldOn({ ...start, lesson: "2026-01-05" }, [next], JUDGED, HANDBOOK_MODEL);
  expect(marked.marks).toEqual([start]);
  expect(foldOn(start, [next], JUDGED, HANDBOOK_MODEL).marks).toEqual([]);
});
