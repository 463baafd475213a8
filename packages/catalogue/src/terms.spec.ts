import { readFileSync } from "node:fs";
import { describe, expect, it } from "@jest/globals";
import { scoreOf } from "@mirrup/core";
import { landingsOf } from "@mirrup/core/teaching";
import { TERMS } from "./terms.js";

const page = readFileSync(new URL("../../../docs/words.md", import.meta.url), "utf8").replaceAll(
  / +\|/g,
  " |",
);

describe("the words of the field", () => {
  it("stand on the page of words as the pages explain them", () => {
    for (const { name, meaning } of Object.values(TERMS)) expect(page).toContain(`| ${name} | ${meaning} |`);
    const rows = page.split("\n").filter((line) => /^\| (?!word |-)/.test(line));
    expect(rows.length).toBe(Object.keys(TERMS).length);
  });

  it("say of landings what the core weighs", () => {
    const weightOf = (score: string) => landingsOf(scoreOf(score));
    expect(TERMS.landing.meaning).toBe(
      "A landing as the legs feel it: one of a double or on one leg counts one and a half, one of a triple or more two.",
    );
    expect(["o", "(o o)", "(o o o)", "(o o o o)", "o/r"].map(weightOf)).toEqual([1, 1.5, 2, 2, 1.5]);
  });

  it("are explained once each, in whole sentences that are short enough to be read at a glance", () => {
    const names = Object.values(TERMS).map((one) => one.name);
    expect(new Set(names).size).toBe(names.length);
    for (const { meaning } of Object.values(TERMS)) {
      expect(meaning).toMatch(/^[A-Z0-9].*\.$/);
      expect(meaning.length).toBeLessThan(125);
    }
  });
});
