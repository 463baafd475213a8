/**
 * Reviews of a cleared side (teaching.md, Reviews): 7, 16, 35, 75, 150 days from clearing. What comes
 * in the second half of an interval or later counts: enough of it opens the next interval, little
 * goes back to the first.
 */
import { DAY_MS, type Instant, type LocalDate } from "../instant.js";

export const REVIEW_INTERVALS_DAYS = [7, 16, 35, 75, 150] as const;
/** Clean tries of a skill that needs this one which count as a review of it. */
export const KIN_CLEAN_TRIES = 10;

export interface Review {
  /** Which interval is running, from 0. */
  readonly stage: number;
  readonly since: Instant;
  /** The studio's day on which the review is due. */
  readonly due: LocalDate;
  /** Clean tries of kindred skills in the interval's second half so far. */
  readonly kinClean: number;
  /** Reviews in a row that went badly; from two on, reopening is offered. */
  readonly lowRow: number;
}

function intervalOf(stage: number): number {
  return REVIEW_INTERVALS_DAYS[Math.min(stage, REVIEW_INTERVALS_DAYS.length - 1)] ?? 150;
}

function daysAfter(date: LocalDate, days: number): LocalDate {
  return new Date(Date.parse(`${date}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
}

export function startReview(since: Instant, lesson: LocalDate, stage = 0, lowRow = 0): Review {
  return { stage, since, due: daysAfter(lesson, intervalOf(stage)), kinClean: 0, lowRow };
}

/** Whether what happens now counts: in the second half of the interval or later. */
function counts({ stage, since }: Review, at: Instant): boolean {
  return (at - since) / DAY_MS >= intervalOf(stage) / 2;
}

/** Whether the side was still there, was there in part, or was not. */
export const REVIEW_OUTCOMES = ["kept", "in-part", "lost"] as const;
export type ReviewOutcome = (typeof REVIEW_OUTCOMES)[number];

function outcomeOf(share: number): ReviewOutcome {
  return share >= 0.5 ? "kept" : share >= 0.25 ? "in-part" : "lost";
}

/** A review, and what it came to just now; null for nothing. */
export interface Reviewed {
  readonly review: Review;
  readonly outcome: ReviewOutcome | null;
}

/** After a set that came to `share` of the gate. */
export function reviewBySet(review: Review, share: number, at: Instant, lesson: LocalDate): Reviewed {
  if (!counts(review, at)) return { review, outcome: null };
  const outcome = outcomeOf(share);
  switch (outcome) {
    case "kept": {
      const stage = Math.min(review.stage + 1, REVIEW_INTERVALS_DAYS.length - 1);
      return { review: startReview(at, lesson, stage), outcome };
    }
    case "in-part":
      return { review: startReview(at, lesson, review.stage), outcome };
    case "lost":
      return { review: startReview(at, lesson, 0, review.lowRow + 1), outcome };
  }
}

/** After clean tries of a skill that needs this one. */
export function reviewByKin(review: Review, clean: number, at: Instant, lesson: LocalDate): Reviewed {
  if (!counts(review, at)) return { review, outcome: null };
  const kinClean = review.kinClean + clean;
  return kinClean >= KIN_CLEAN_TRIES
    ? reviewBySet(review, 1, at, lesson)
    : { review: { ...review, kinClean }, outcome: null };
}
