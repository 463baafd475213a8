import { CATALOGUE } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import { skillOf } from "@mirrup/core";
import { courseOf, simulateStudent, Trainee } from "./index.js";

const COURSE = courseOf(CATALOGUE);
const trainee = (level = 0.3, seed = 11) => new Trainee(COURSE, simulateStudent(COURSE, seed, level), seed);
const KEY = "cross:left";

/** The share of clean ones among so many tries. */
function share(one: Trainee, key: string, tries: number, kind?: Parameters<Trainee["attempt"]>[1]): number {
  const attempts = Array.from({ length: tries }, () => one.attempt(key, kind));
  return attempts.filter((attempt) => attempt.isClean).length / tries;
}

describe("a simulated student in lessons", () => {
  it("is the same for the same seed", () => {
    const tries = () => {
      const one = trainee();
      return Array.from({ length: 50 }, () => one.attempt(KEY));
    };
    expect(tries()).toEqual(tries());
  });

  it("gets better by trying, less so at the hundredth try of a lesson, and forgets a little between", () => {
    const one = trainee(0.1);
    const gained = (tries: number) => {
      const before = one.chance(KEY);
      share(one, KEY, tries);
      return one.chance(KEY) - before;
    };
    const first = gained(20);
    gained(160);
    const late = gained(20);
    expect(first).toBeGreaterThan(0);
    expect(late).toBeLessThan(first / 2);
    const after = one.chance(KEY);
    one.beginLesson();
    expect(one.chance(KEY)).toBeLessThan(after);
  });

  it("tires by what is hard, misses more when tired, and is rested in the next lesson", () => {
    const one = trainee(0.5);
    share(one, "triple-under:whole", 300);
    expect(one.fatigue).toBeGreaterThan(0.8);
    const tired = share(one, "basic-bounce:whole", 200);
    one.rest();
    expect(one.fatigue).toBeLessThan(1);
    one.beginLesson();
    expect(one.fatigue).toBe(0);
    expect(share(one, "basic-bounce:whole", 200)).toBeGreaterThan(tired + 0.1);
  });

  it("finds a gentler drill easier, and learns less of the whole from it", () => {
    const [whole, gentle] = [trainee(0.1), trainee(0.1)];
    const hard = "open-cross-double:left";
    expect(share(gentle, hard, 60, "one-stop")).toBeGreaterThan(share(whole, hard, 60) + 0.2);
    expect(gentle.chance(hard)).toBeLessThan(whole.chance(hard));
  });

  it("carries a part over to the other side, and learns little without the parts", () => {
    const one = trainee(0.2);
    const before = one.chance("cross:right");
    share(one, KEY, 40);
    expect(one.chance("cross:right")).toBeGreaterThan(before);
    const early = trainee(0);
    share(early, "leg-over-double:left", 40);
    expect(early.chance("leg-over-double:left")).toBeLessThan(0.01);
  });

  it("misses for the skill's own faults, some more than others", () => {
    const one = trainee(0.1);
    const faults = Array.from({ length: 200 }, () => one.attempt(KEY)).flatMap(({ fault }) => fault ?? []);
    expect(new Set(faults).size).toBeGreaterThan(2);
    for (const fault of faults) expect(skillOf(CATALOGUE, "cross").faults).toContain(fault);
  });

  it("refuses what no course has", () => {
    expect(() => trainee().attempt("moonwalk:left")).toThrow(RangeError);
  });
});
