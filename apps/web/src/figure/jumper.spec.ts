import { expect, test } from "@jest/globals";
import { scoreOf } from "@mirrup/core";
import { motionOf } from "@mirrup/core/figure";
import { jumperOf } from "./jumper.js";
import { shownOf, timeIn } from "./shown.js";

test("a student's figure is drawn whatever is written down of them", () => {
  const profiles = [null, 900, 1450, 2200, 2400, 400].flatMap((heightMm) =>
    [null, 900, 2430, 8000].map((ropeLengthMm) => ({
      heightMm,
      ropeLengthMm,
      dominantHand: "left" as const,
    })),
  );
  for (const profile of profiles) expect(() => motionOf(scoreOf("xr o"), jumperOf(profile))).not.toThrow();
  expect(jumperOf(undefined)).toEqual({});
  expect(jumperOf({ heightMm: 1450, ropeLengthMm: null, dominantHand: "left" })).toEqual({
    height: 1.45,
    dominant: "l",
  });
});

test("before anything is played the figure stands in the moment that is asked for", () => {
  const score = scoreOf("o xr o");
  const telling = shownOf(score, {});
  const asked = shownOf(score, {}, 0.05);
  expect(timeIn(asked, null) - asked.showing.offset).toBeCloseTo(0.05, 9);
  expect(timeIn(telling, null)).not.toBeCloseTo(timeIn(asked, null), 3);
  expect(timeIn(asked, 0.3)).toBe(timeIn(telling, 0.3));
});
