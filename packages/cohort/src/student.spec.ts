import { CATALOGUE } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import { sidesOf, sideKey, skillOf } from "@mirrup/core";
import { demandOf } from "./demand.js";
import { between, courseOf, knows, normal, randomFrom, shows, simulateStudent } from "./index.js";

const COURSE = courseOf(CATALOGUE);
const demand = (id: string) => demandOf(skillOf(CATALOGUE, id));

describe("what a skill asks of a body", () => {
  it("grows with turns in the air, arm changes and backward turning", () => {
    expect(demand("basic-bounce")).toBeLessThan(demand("cross"));
    expect(demand("double-under")).toBeLessThan(demand("triple-under"));
    expect(demand("triple-under")).toBeLessThan(demand("quadruple-under"));
    expect(demand("double-under")).toBeLessThan(demand("open-cross-double"));
    expect(demand("double-under")).toBeLessThan(demand("backward-double"));
    for (const skill of CATALOGUE.skills.values()) expect(demandOf(skill)).toBeGreaterThan(0);
  });
});

describe("a course", () => {
  it("has every side of the catalogue, with the sides that it needs", () => {
    const keys = CATALOGUE.order.flatMap((id) =>
      sidesOf(skillOf(CATALOGUE, id)).map((side) => sideKey(id, side)),
    );
    expect(COURSE.sides.map((one) => one.key)).toEqual(keys);
    const known = new Set(keys);
    for (const { needs } of COURSE.sides) {
      for (const key of needs.flat(2)) expect(known.has(key)).toBe(true);
    }
  });
});

describe("a simulated student", () => {
  it("knows nothing at first, about a third at a third, and is the same for the same seed", () => {
    const share = (level: number) => {
      const student = simulateStudent(COURSE, 7, level);
      return COURSE.sides.filter((one) => knows(student, one.key)).length / COURSE.sides.length;
    };
    expect(share(0)).toBe(0);
    expect(share(1 / 3)).toBeGreaterThanOrEqual(1 / 3);
    expect(share(1 / 3)).toBeLessThan(0.45);
    expect(simulateStudent(COURSE, 7, 0.2)).toEqual(simulateStudent(COURSE, 7, 0.2));
    expect(simulateStudent(COURSE, 8, 0.2)).not.toEqual(simulateStudent(COURSE, 7, 0.2));
  });

  it("keeps the tree's order unless born to break it", () => {
    for (let seed = 20; seed < 26; seed += 1) {
      const student = simulateStudent(COURSE, seed, 0.25);
      const practised = COURSE.sides.filter((one) => (student.chances.get(one.key) ?? 0) > 0);
      const unprepared = practised.filter(
        ({ needs }) =>
          !needs.every((ways) => ways.some((way) => way.every((key) => student.chances.has(key)))),
      );
      expect([seed, student.breaksOrder || unprepared.length === 0]).toEqual([seed, true]);
    }
  });

  it("shows what it can in a few tries, more or less", () => {
    const student = simulateStudent(COURSE, 3, 0.5);
    const random = randomFrom(1);
    const right = COURSE.sides.filter(
      ({ key }) => (shows(student, key, random) === "clean") === knows(student, key),
    );
    expect(right.length / COURSE.sides.length).toBeGreaterThan(0.85);
  });
});

describe("the generator", () => {
  it("draws evenly, within bounds, and bell-shaped where asked", () => {
    const random = randomFrom(42);
    const draws = Array.from({ length: 6000 }, () => between(random, 1, 6));
    for (let face = 1; face <= 6; face += 1) {
      const share = draws.filter((draw) => draw === face).length / draws.length;
      expect(Math.abs(share - 1 / 6)).toBeLessThan(0.02);
    }
    const bell = Array.from({ length: 6000 }, () => normal(random));
    const mean = bell.reduce((sum, one) => sum + one, 0) / bell.length;
    const spread = Math.sqrt(bell.reduce((sum, one) => sum + (one - mean) ** 2, 0) / bell.length);
    expect(Math.abs(mean)).toBeLessThan(0.05);
    expect(Math.abs(spread - 1)).toBeLessThan(0.05);
  });
});
