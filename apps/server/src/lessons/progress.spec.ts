import { describe, expect, it } from "@jest/globals";
import type { LessonProgress, LessonRun } from "@mirrup/contract";
import { lessonRun } from "@mirrup/contract/schemas";
import fc from "fast-check";
import { progressAfter } from "./progress.js";

type Said = Pick<LessonRun, "progress" | "takesBack"> & { readonly progress: LessonProgress };

const instant = (tick: number) => new Date(Date.UTC(2026, 5, 1, 17) + 1000 * tick).toISOString();
const at = (step: number, tick: number): LessonProgress => ({
  ...{ step, startedAt: instant(tick), minutes: 8, skipped: [] },
});
const stepOf = (...said: readonly Said[]) =>
  said.reduce<LessonProgress | null>(
    (known, one) => progressAfter(known, { takesBack: undefined, ...one }),
    null,
  );
const left = (step: number, tick: number): Said => ({ progress: at(step, tick) });
const back = (step: number, tick: number, from: number): Said => ({
  ...{ progress: at(step, tick), takesBack: instant(from) },
});

describe("how far a class is", () => {
  it("is what was said first of a step, and never before it", () => {
    expect(stepOf(left(1, 1), left(2, 5), left(1, 1), left(2, 7))).toEqual(at(2, 5));
    expect(progressAfter(at(1, 1), { progress: undefined, takesBack: undefined })).toEqual(at(1, 1));
  });

  it("goes on in the same step with other minutes", () => {
    expect(stepOf(left(2, 5), { progress: { ...at(2, 5), minutes: 10 } })?.minutes).toBe(10);
  });

  it("goes back where the step is taken back that it is at, and the clock of the one before runs on", () => {
    expect(stepOf(left(1, 1), left(2, 5), back(1, 1, 5))).toMatchObject(at(1, 1));
    expect(stepOf(left(1, 1), left(2, 5), back(1, 1, 5), left(2, 9))).toMatchObject(at(2, 9));
  });

  it("stays where it is when a step is taken back that it has left, or that another device began", () => {
    expect(stepOf(left(2, 5), left(3, 8), back(1, 1, 5))).toMatchObject(at(3, 8));
    expect(stepOf(left(2, 5), left(2, 6), back(1, 1, 6))).toMatchObject(at(2, 5));
  });

  it("does not go to a step that was taken back, however late and often it is said", () => {
    expect(stepOf(left(1, 1), left(2, 5), back(1, 1, 5), left(2, 5), back(1, 1, 5))).toMatchObject(at(1, 1));
    const longer = { progress: { ...at(2, 5), minutes: 12 } };
    expect(stepOf(left(1, 1), left(2, 5), back(1, 1, 5), longer)).toMatchObject(at(1, 1));
  });

  it("takes no device's word for what was taken back", () => {
    const forged = { progress: { ...at(2, 5), takenBack: [instant(9)] } };
    expect(stepOf(left(1, 1), forged)).toEqual(at(2, 5));
    expect(stepOf(left(1, 1), forged, left(3, 9))).toEqual(at(3, 9));
  });

  it("is asked for with a step to go back to", () => {
    expect(lessonRun.validate({ takesBack: instant(1) }).error?.message).toMatch(/progress/);
    expect(lessonRun.validate({ takesBack: instant(1), progress: at(0, 0) }).error).toBeUndefined();
  });

  /**
   * Two devices hold one class and hear of each other now and then. Each tells what it says in order, as often as it
   * likes; what comes is a shuffle of the two.
   */
  it("is, once all is told, what a device says who has heard everything: nobody is thrown back by a word that is old", () => {
    const tap = fc.record({
      device: fc.integer({ min: 0, max: 1 }),
      isBack: fc.boolean(),
      hears: fc.boolean(),
      again: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(tap, { minLength: 1, maxLength: 24 }), (taps) => {
        let known: LessonProgress | null = null;
        const shown: (LessonProgress | null)[] = [null, null];
        const untold: Said[][] = [[], []];
        const told: Said[] = [];
        const takenBack = new Set<string>();
        const tell = (device: number) => {
          for (const one of untold[device]?.splice(0) ?? []) {
            known = progressAfter(known, { takesBack: undefined, ...one });
            told.push(one);
          }
        };
        taps.forEach(({ device, isBack, hears, again }, tick) => {
          if (hears) {
            tell(device);
            shown[device] = known;
          }
          const mine = shown[device] ?? null;
          const trail = mine?.trail ?? [];
          const before = trail.at(-1);
          if (isBack && mine !== null && before !== undefined) {
            const progress = { ...before, skipped: [], trail: trail.slice(0, -1) };
            untold[device]?.push({ progress, takesBack: mine.startedAt });
            takenBack.add(mine.startedAt);
            shown[device] = progress;
          } else if (!isBack) {
            const progress = {
              ...at((mine?.step ?? -1) + 1, tick),
              trail:
                mine === null ? [] : [...trail, { step: mine.step, startedAt: mine.startedAt, minutes: 8 }],
            };
            untold[device]?.push({ progress });
            shown[device] = progress;
          }
          const some = told.at(-1);
          if (again && some !== undefined) {
            const same = progressAfter(known, { takesBack: undefined, ...some });
            // What comes a second time says nothing new.
            expect(same).toEqual(known);
          }
        });
        tell(0);
        tell(1);
        const end = known as LessonProgress | null;
        if (end === null) return;
        // The class is at no step that was taken back by whoever was at it.
        const isGone = told.some((one) => one.takesBack === end.startedAt);
        expect(isGone).toBe(false);
        // Whoever has heard everything and says the next step has the last word, and so has whoever takes it back.
        const next = progressAfter(end, { ...left(end.step + 1, 999), takesBack: undefined });
        expect(next).toMatchObject({ step: end.step + 1, startedAt: instant(999) });
        const again = progressAfter(next, { progress: end, takesBack: instant(999) });
        expect(again).toMatchObject({ step: end.step, startedAt: end.startedAt });
      }),
      { numRuns: 2000 },
    );
  });
});
