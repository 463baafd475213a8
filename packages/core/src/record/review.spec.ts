import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { DAY_MS } from "../instant.js";
import { KIN_CLEAN_TRIES, REVIEW_INTERVALS_DAYS, reviewByKin, reviewBySet, startReview } from "./review.js";

const CLEARED = Date.UTC(2026, 4, 1, 17);
const DAY = "2026-05-01";
const begun = startReview(CLEARED, DAY);
const dayAt = (days: number) => new Date(CLEARED + days * DAY_MS).toISOString().slice(0, 10);
/** The first review after a set so many days on that came to a share of the gate. */
const cameTo = (share: number, days: number, review = begun) =>
  reviewBySet(review, share, CLEARED + days * DAY_MS, dayAt(days));
const after = (share: number, days: number, review = begun) => cameTo(share, days, review).review;

describe("a review", () => {
  it("is due after its interval, counted in the studio's days", () => {
    expect(begun).toMatchObject({ stage: 0, due: "2026-05-08", lowRow: 0 });
    expect(REVIEW_INTERVALS_DAYS.map((_, stage) => startReview(CLEARED, DAY, stage).due)).toEqual([
      "2026-05-08",
      "2026-05-17",
      "2026-06-05",
      "2026-07-15",
      "2026-09-28",
    ]);
  });

  it("counts what comes from the middle of its interval on, to the very instant", () => {
    expect(after(1, 3.5)).toMatchObject({ stage: 1 });
    expect(after(1, 3.5 - 1e-6)).toBe(begun);
  });

  it("goes on at half of the gate, again at a quarter, and back to the first below", () => {
    const third = startReview(CLEARED, DAY, 2);
    const stages = [1, 0.5, 0.49, 0.25, 0.24, 0].map((share) => after(share, 40, third));
    expect(stages.map(({ stage }) => stage)).toEqual([3, 3, 2, 2, 0, 0]);
    expect(stages.map(({ lowRow }) => lowRow)).toEqual([0, 0, 0, 0, 1, 1]);
  });

  it("says what it came to, and nothing of what does not count", () => {
    const outcomes = [1, 0.5, 0.49, 0.25, 0.24].map((share) => cameTo(share, 8).outcome);
    expect(outcomes).toEqual(["kept", "kept", "in-part", "in-part", "lost"]);
    expect(cameTo(1, 3).outcome).toBeNull();
  });

  it("counts bad ones in a row, and forgets them once one is good", () => {
    const bad = after(0, 8);
    const worse = after(0, 20, bad);
    expect([bad.lowRow, worse.lowRow]).toEqual([1, 2]);
    expect(after(1, 40, worse)).toMatchObject({ stage: 1, lowRow: 0 });
  });

  it("stays at the longest interval", () => {
    const last = REVIEW_INTERVALS_DAYS.length - 1;
    expect(after(1, 200, startReview(CLEARED, DAY, last)).stage).toBe(last);
  });

  it("is made by kindred skills once they have brought enough clean tries", () => {
    const on = (clean: number, review = begun, days = 5) =>
      reviewByKin(review, clean, CLEARED + days * DAY_MS, dayAt(days));
    const some = on(KIN_CLEAN_TRIES - 1);
    expect(some).toMatchObject({ review: { stage: 0, kinClean: KIN_CLEAN_TRIES - 1 }, outcome: null });
    expect(on(1, some.review)).toMatchObject({ review: { stage: 1, kinClean: 0 }, outcome: "kept" });
    expect(on(KIN_CLEAN_TRIES, begun, 2)).toEqual({ review: begun, outcome: null });
  });

  it("is never due before the day of what it follows", () => {
    const history = fc.array(
      fc.record({ days: fc.integer({ min: 0, max: 90 }), share: fc.double({ min: 0, max: 1, noNaN: true }) }),
    );
    fc.assert(
      fc.property(history, (sets) => {
        let review = begun;
        let days = 0;
        for (const one of sets) {
          days += one.days;
          review = after(one.share, days, review);
          expect(review.since).toBeLessThanOrEqual(CLEARED + days * DAY_MS);
          expect(Date.parse(review.due)).toBeGreaterThan(Date.parse(DAY));
          expect(review.stage).toBeLessThan(REVIEW_INTERVALS_DAYS.length);
        }
      }),
    );
  });
});
