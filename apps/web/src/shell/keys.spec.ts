import { describe, expect, it } from "@jest/globals";
import { pathsOf } from "../app/paths.js";
import { keysAt } from "./keys.js";

const paths = pathsOf("s");
const below = (address: string) => address.slice("/s".length);
const firstAt = (address: string) => keysAt(below(address))[0]?.name;

describe("the keys of a page", () => {
  it.each([
    [paths.student("a"), "On the strands"],
    [paths.studentPage("a", "placement"), "At placement"],
    [paths.floor("a", "cross", "left"), "On the floor"],
    [paths.baseTest("a"), "On the floor"],
    [paths.station("l", 0, 1), "On the floor"],
    [paths.comboFloor("a", "c", "left", "all"), "On the floor"],
    [paths.led("a"), "On the floor"],
    [paths.clock("a"), "By the clock"],
    [paths.classClock(undefined), "By the clock"],
    [paths.freestyleClock, "By the clock"],
    [paths.lesson("l"), "In the hall"],
    [paths.lessonPlan("l"), "Where something is put together"],
    [paths.studentPage("a", "session"), "Where something is put together"],
    [paths.comboPage("bench"), "Where something is put together"],
    [paths.today, "Everywhere"],
    [paths.students, "Everywhere"],
    [paths.importing, "Everywhere"],
    [paths.combo("c"), "Everywhere"],
  ])("stand first at %s", (address, name) => {
    expect(firstAt(address)).toBe(name);
  });

  it("are all there on every page, each once", () => {
    for (const address of [paths.today, paths.lesson("l"), paths.floor("a", "cross", "left")]) {
      const names = keysAt(below(address)).map(({ name }) => name);
      expect(new Set(names).size).toBe(names.length);
      expect([...names].sort()).toEqual([...keysAt("").map(({ name }) => name)].sort());
    }
  });
});
