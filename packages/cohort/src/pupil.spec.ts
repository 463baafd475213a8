import { CATALOGUE } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import { courseOf, Pupil } from "./index.js";

const COURSE = courseOf(CATALOGUE);
const NOBODY: ReadonlySet<string> = new Set();

/** So many tries of a side in each of some lessons; the chance after them. */
function practise(key: string, kind: "streak" | "one-out", seed: number, lessons = 12, tries = 40): number {
  const pupil = new Pupil(COURSE, NOBODY, seed);
  for (let lesson = 0; lesson < lessons; lesson += 1) {
    pupil.beginLesson();
    for (let done = 0; done < tries; done += 1) pupil.attempt(key, kind);
    pupil.rest();
  }
  return pupil.chance(key);
}

const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const SEEDS = Array.from({ length: 12 }, (_, place) => 50 + place);

describe("a pupil", () => {
  it("comes out the same for the same seed, and otherwise for another", () => {
    const few = (seed: number) => practise("cross:right", "streak", seed, 2, 10);
    expect(few(1)).toBe(few(1));
    expect(few(1)).not.toBe(few(2));
  });

  it("learns by trying, also of the other side", () => {
    const before = mean(SEEDS.map((seed) => new Pupil(COURSE, NOBODY, seed).chance("cross:right")));
    const after = mean(SEEDS.map((seed) => practise("cross:right", "streak", seed)));
    expect(after).toBeGreaterThan(before + 0.1);
  });

  it("learns hardly anything far beyond its means, and little of what is in hand", () => {
    const gain = (key: string) =>
      mean(
        SEEDS.map((seed) => practise(key, "streak", seed, 3) - new Pupil(COURSE, NOBODY, seed).chance(key)),
      );
    expect(gain("side-cross-back-quad:right")).toBeLessThan(gain("side-swing:right") / 2);
  });

  it("makes a gentle drill likelier, and several in one try less likely", () => {
    const clean = (kind: "toe-catch" | "streak", repetitions: number) => {
      const pupil = new Pupil(COURSE, NOBODY, 7);
      pupil.beginLesson();
      return Array.from({ length: 200 }, () => pupil.attempt("cross:right", kind, repetitions)).filter(
        (one) => one.isClean,
      ).length;
    };
    expect(clean("toe-catch", 1)).toBeGreaterThan(clean("streak", 1));
    expect(clean("streak", 3)).toBeLessThan(clean("streak", 1));
  });

  it("tires through a lesson, and rests", () => {
    const pupil = new Pupil(COURSE, NOBODY, 3);
    pupil.beginLesson();
    for (let done = 0; done < 60; done += 1) pupil.attempt("double-under:whole");
    const tired = pupil.fatigue;
    pupil.rest();
    expect(tired).toBeGreaterThan(pupil.fatigue);
    pupil.beginLesson();
    expect(pupil.fatigue).toBe(0);
  });

  it("is refused a side that nobody has", () => {
    expect(() => new Pupil(COURSE, NOBODY, 1).attempt("tumbling:whole")).toThrow(RangeError);
  });
});
