import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type { SetRequest } from "@mirrup/contract";
import { checkSetCounts } from "@mirrup/core";
import fc from "fast-check";
import { guessMapping, readSets, studentsByName, type DayOrder } from "./set-file.js";

const HEADINGS = ["Name", "Trick", "Side", "Date", "Time", "Made", "Missed", "Best in a row", "Duration"];
const KNOWN = {
  catalogue: CATALOGUE,
  students: studentsByName([
    { id: "ada", name: "Ada Fen" },
    { id: "bo1", name: "Bo" },
    { id: "bo2", name: "bo " },
  ]),
};
const LINE = ["Ada  fen", "criss-cross", "L", "2026-06-01", "17:30", "8", "2", "5", "31,5"];

function read(lines: readonly (readonly string[])[], order: DayOrder = "day-first") {
  return readSets([HEADINGS, ...lines], guessMapping(HEADINGS), order, KNOWN);
}
const changed = (place: number, text: string) => LINE.map((cell, at) => (at === place ? text : cell));
const setOf = (line: readonly string[], order?: DayOrder): Partial<SetRequest> | undefined =>
  read([line], order).sets[0]?.set;
const faultOf = (line: readonly string[]) => read([line]).faults[0]?.message;

describe("a table of sets", () => {
  it("has its columns guessed by what they are called, each once", () => {
    expect(guessMapping(HEADINGS)).toEqual({
      ...{ student: 0, skill: 1, side: 2, day: 3, time: 4, clean: 5, missed: 6, best: 7, seconds: 8 },
    });
    expect(guessMapping(["Date", "At", "Colour"])).toEqual({ day: 0 });
  });

  it("becomes sets, written down by hand, by whatever name a skill has", () => {
    expect(setOf(LINE)).toMatchObject({
      ...{
        studentId: "ada",
        subject: "cross",
        side: "left",
        clean: 8,
        misses: [{ count: 2 }],
        bestStreak: 5,
      },
      ...{ seconds: 31.5, countedBy: "hand", drill: { kind: "streak", count: 5 } },
      at: new Date("2026-06-01T17:30").toISOString(),
    });
    expect(setOf(["ADA FEN", "Cross, left side", "", "2026-06-01", "", "8"])).toMatchObject({ side: "left" });
    expect(setOf(["Ada Fen", "boxer step", "", "2026-06-01", "", "8"])).toMatchObject({ side: "whole" });
  });

  it("claims no run that nobody counted", () => {
    const runless = changed(7, "");
    expect(setOf(runless)).toMatchObject({ drill: { kind: "one-out", count: 10 }, bestStreak: 1 });
    // Without a miss all of them were in a row; where misses are not told of, nobody knows.
    const clean = runless.map((cell, at) => (at === 6 ? "0" : cell));
    expect(setOf(clean)).toMatchObject({ drill: { kind: "streak", count: 8 }, bestStreak: 8 });
    expect(setOf(runless.map((cell, at) => (at === 6 ? "" : cell)))).toMatchObject({ bestStreak: 1 });
  });

  it.each([
    ["1.6.2026", "day-first", "2026-06-01"],
    ["01/06/2026", "day-first", "2026-06-01"],
    ["06/01/2026", "month-first", "2026-06-01"],
    ["2026-06-01 09:05", "day-first", "2026-06-01"],
    ["31-12-2025 9:05", "day-first", "2025-12-31"],
  ] as const)("reads the day %s, %s, as %s", (text, order, day) => {
    const at =
      setOf(
        changed(4, "").map((cell, place) => (place === 3 ? text : cell)),
        order,
      )?.at ?? "";
    const time = text.includes(":") ? "09:05" : "12:00";
    expect(at).toBe(new Date(`${day}T${time}`).toISOString());
  });

  it("reads the seconds of a time, and an instant with its zone as it is", () => {
    const timed = (time: string) => setOf(changed(4, time))?.at;
    expect(timed("9:05:30")).toBe(new Date("2026-06-01T09:05:30").toISOString());
    expect(timed("17:30:00")).toBe(new Date("2026-06-01T17:30").toISOString());
    const whole = changed(4, "").map((cell, at) => (at === 3 ? "2026-06-01T17:30:00.000Z" : cell));
    expect(setOf(whole)?.at).toBe("2026-06-01T17:30:00.000Z");
    const zoned = changed(4, "").map((cell, at) => (at === 3 ? "2026-06-01T17:30:00+09:00" : cell));
    expect(setOf(zoned)?.at).toBe("2026-06-01T08:30:00.000Z");
  });

  it.each([
    [0, "Nobody Known", "Nobody here is called “Nobody Known”."],
    [0, "BO", "Several here are called “BO”."],
    [1, "somersault", "No skill is called “somersault”."],
    [2, "", "Say left or right for the cross."],
    [3, "31/02/2026", "“31/02/2026” is no day. Write one such as 2026-06-01."],
    [3, "2199-01-01", "2199-01-01 has not come yet."],
    [4, "25:00", "“25:00” is no time of day. Write one such as 17:30."],
    [5, "many", "“many” is no number of clean tries."],
    [5, "-3", "“-3” is no number of clean tries."],
    [5, "30000", "A set has at most 20000 tries."],
    [7, "9", "The best streak is 9, more than the 8 clean tries. Give at most 8."],
  ] as const)("leaves a line out whose column %d says “%s”, and says why", (place, text, message) => {
    expect(faultOf(changed(place, text))).toBe(message);
  });

  it("passes over empty lines, keeps the file's own numbers, and goes on behind a wrong one", () => {
    const { sets, faults } = read([[], LINE, changed(1, "nothing"), ["", ""], LINE]);
    expect(sets.map(({ line }) => line)).toEqual([3, 6]);
    expect(faults.map(({ line, field }) => [line, field])).toEqual([[4, "skill"]]);
  });

  it("makes of every line the same set each time, of two that are alike two, and none that the log refuses", () => {
    const cell = (least: number, most: number) => fc.integer({ min: least, max: most }).map(String);
    const line = fc
      .tuple(cell(0, 3), cell(0, 3), cell(0, 3))
      .map(([clean, missed, best]) => [
        ...["Ada Fen", "skier", "", "2026-06-01", "17:30", clean, missed, best],
      ]);
    fc.assert(
      fc.property(fc.array(line, { maxLength: 12 }), fc.nat(12), (lines, cut) => {
        const whole = read(lines).sets.map(({ set }) => set);
        expect(read(lines).sets.map(({ set }) => set)).toEqual(whole);
        expect(new Set(whole.map(({ id }) => id)).size).toBe(whole.length);
        for (const set of whole) expect(checkSetCounts(set)).toEqual([]);
        // The beginning of a file is in the file.
        const part = read(lines.slice(0, cut)).sets.map(({ set }) => set.id);
        expect(whole.map(({ id }) => id)).toEqual(expect.arrayContaining(part));
      }),
    );
  });
});
