import { describe, expect, it } from "@jest/globals";
import { TOPICS } from "@mirrup/contract";
import type { QueryKey } from "@tanstack/react-query";
import { isTouched } from "./touched.js";

const KEYS: readonly QueryKey[] = [
  ["session"],
  ["studio"],
  ["studio", "people"],
  ["students"],
  ["students", "wren"],
  ["students", "wren", "standings"],
  ["students", "wren", "combos"],
  ["students", "ivo", "next"],
  ["groups"],
  ["groups", "all", "grid"],
  ["lessons", "tuesday"],
  ["lessons", "tuesday", "done"],
  ["combos"],
  ["pairs"],
  ["shared-combos", "token"],
];
const touchedBy = (topics: readonly (typeof TOPICS)[number][], studentIds: readonly string[] = []) =>
  KEYS.filter((key) => isTouched(key, { topics, studentIds })).map((key) => key.join(" "));

describe("what a change touches", () => {
  it("is of a student what is read of them and of everybody, and nothing of another", () => {
    expect(touchedBy(["students"], ["wren"])).toEqual([
      ...["students", "students wren", "students wren standings", "students wren combos"],
      ...["groups all grid", "lessons tuesday done"],
    ]);
  });

  it("is of anybody where nobody is named", () => {
    expect(touchedBy(["students"])).toContain("students ivo next");
  });

  it("is told apart by what it is of", () => {
    expect(touchedBy(["combos"])).toEqual(["students wren combos", "combos"]);
    expect(touchedBy(["pairs"])).toEqual(["pairs"]);
    expect(touchedBy(["studio"])).toEqual(["session", "studio", "studio people"]);
    expect(touchedBy(["lessons"])).toEqual(["lessons tuesday", "lessons tuesday done"]);
  });

  it("is never what belongs to no studio", () => {
    expect(touchedBy(TOPICS)).toEqual(
      KEYS.map((key) => key.join(" ")).filter((key) => !key.startsWith("shared")),
    );
  });
});
