import { describe, expect, it } from "@jest/globals";
import { classTimes, lengthened, retimed } from "./class-times.js";

describe("the minutes of a class", () => {
  it.each([
    [60, 5, 7, 2],
    [45, 5, 5, 2],
    [20, 5, 2, 2],
    [8, 2, 1, 0],
  ])("has %d minutes as a warm-up of %d, %d turns and a close", (minutes, warmUp, count, close) => {
    const times = classTimes(minutes);
    expect(times.warmUp).toBe(warmUp);
    expect(times.turns).toHaveLength(count);
    expect(times.close).toBeGreaterThanOrEqual(close);
    expect(times.warmUp + times.close + times.turns.reduce((sum, one) => sum + one, 0)).toBe(minutes);
  });

  it("keeps turns that are settled, and closes with what is left", () => {
    expect(classTimes(30, [10, 6])).toEqual({ warmUp: 5, turns: [10, 6], close: 9 });
  });

  it.each([0, 1])("has no turns in %d minutes", (minutes) => {
    expect(classTimes(minutes).turns).toEqual(minutes === 0 ? [] : [1]);
  });
});

describe("a turn that is made longer", () => {
  it("takes from those after it in equal parts", () => {
    expect(lengthened([8, 8, 8], 0, 2)).toEqual([10, 7, 7]);
    expect(lengthened([8, 8, 8], 1, -2)).toEqual([8, 6, 10]);
  });

  it("leaves each of them long enough, and is refused where nobody can give", () => {
    expect(lengthened([8, 4, 4], 0, 4)).toBeNull();
    expect(lengthened([8, 8], 1, 1)).toBeNull();
    expect(lengthened([4, 8], 0, -2)).toBeNull();
  });
});

describe("a class under way", () => {
  it("keeps its turns so far and shares out the minutes that are left", () => {
    expect(retimed([8, 8, 8, 8], 2, 13)).toEqual([8, 8, 6.5, 6.5]);
    expect(retimed([8, 8, 8, 8], 2, 9)).toEqual([8, 8, 9]);
    expect(retimed([8, 8, 8, 8], 2, 0)).toEqual([8, 8]);
    expect(retimed([8, 8], 2, 20)).toEqual([8, 8]);
  });
});
