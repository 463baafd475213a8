import { expect, test } from "@jest/globals";
import { scoreOf } from "@mirrup/core";
import { armWindows, speedChanges } from "@mirrup/core/figure";
import { heightWords } from "../app/jump-words.js";
import { csvOf } from "../app/sheet.js";
import Papa from "papaparse";
import {
  changeWords,
  instantWords,
  remedyWords,
  unreadWords,
  windowName,
  windowsSheet,
} from "./timing-words.js";

const cross = armWindows(scoreOf("o xr o"));

test("a window is said by the jump: after take-off, around the top, before landing, on the floor", () => {
  expect(cross.map(windowName)).toEqual([
    "Closes to cross with the right arm on top",
    "Opens from cross with the right arm on top",
  ]);
  const [closing] = cross;
  expect(closing && instantWords(closing.begin)).toBe(
    "169 ms after take-off, 68 ms after the top, 33 ms before landing",
  );
  expect(closing && instantWords(closing.end)).toBe("215 ms after landing");
  const top = { beat: 0, at: 0.1, afterTakeOff: 0.1, afterTop: 0.0001, beforeLanding: 0.1 };
  expect(instantWords(top)).toBe("100 ms after take-off, at the top, 100 ms before landing");
  expect(instantWords({ ...top, afterTop: -0.02 })).toContain("20 ms before the top");
  expect(instantWords({ ...top, afterTakeOff: -0.03 })).toBe("30 ms before take-off");
});

test("the sheet has every window with its numbers, and reads back as it was", () => {
  const { data } = Papa.parse<Record<string, string>>(csvOf(windowsSheet(cross)), { header: true });
  expect(data).toHaveLength(cross.length);
  expect(data[0]).toMatchObject({
    ...{ "from jump": "1", "to jump": "2", "arms from": "open", kind: "closes" },
    ...{ "begins after take-off ms": "169", "window ms": "249", "hand moves": "2", tightest: "yes" },
  });
});

test("what makes the rope's speed equal is something to do, in the unit in use", () => {
  const [change] = speedChanges(scoreOf("o (o o)"));
  if (change === undefined) throw new Error("one change");
  expect(changeWords(change, "the single", "the double")).toBe(
    "From the single to the double the rope has to turn faster: 133 a minute, then 190 a minute.",
  );
  const said = (unit: "cm" | "in") =>
    change.remedies.map((one) => remedyWords(one, "single", "double", unit));
  expect(said("cm")).toEqual([
    "Hop the single lower and quicker: 2 cm, 189 ms on the floor; both turn 190 a minute.",
    "Jump the double higher and calmer: 52 cm; both turn 133 a minute.",
    "Put one bounce between: 159 a minute.",
  ]);
  expect(said("in")[1]).toContain("20.6 in");
  expect(heightWords(0.18, "cm")).toBe("18 cm");
});

test("taps that tell nothing say what to do", () => {
  expect(unreadWords("few", 0)).toBe("Tap each landing of ten rebounds in a row.");
  expect(unreadWords("few", 3)).toMatch(/^3 of 11/);
  expect(unreadWords("short", 9)).toMatch(/faster than anybody lands/);
  expect(unreadWords("high", 9)).toMatch(/Begin anew/);
});
