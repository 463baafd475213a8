/**
 * What a plan is worth, in one place. A block's worth is its reason's, less the more of its effort the
 * plan has already; a side that leaves its other behind costs. Minutes, landings and reviews are no
 * part of it: they are limits.
 */
import type { NextReason } from "../next/next.js";

export const PLAN_WEIGHTS = {
  /** By why it is done. */
  reason: {
    "near-gate": 10,
    "toward-goal": 9,
    "other-side": 8,
    opens: 7,
    "whole-once": 6.5,
    "step-back": 6,
    stuck: 6,
    "short-of-gate": 6,
    review: 3,
    new: 4,
    "second-side": 2,
  } satisfies Readonly<Record<NextReason["code"], number>>,
  /** A review under a goal. */
  goalReview: 4,
  combo: 3,
  climb: 2.5,
  /** What a block is worth more that the plan had before somebody changed it: it changes as little as can be. */
  stay: 0.9,
  /** What the plan loses for each block more of an effort that it has: the second costs this, the third twice. */
  sameEffort: 1,
  /** What it loses where one open side is in it and the other, as open, is not. */
  sideBehind: 1.5,
} as const;

/** What a minute of a class is worth to one student, between 0 and 1. */
export const CLASS_WEIGHTS = {
  /** The reason's weight that makes a minute count in full. */
  whole: 10,
  /** Showing and counting for somebody who is ready for what one has just cleared. */
  show: 0.4,
  /** Going on with what has long been cleared: nobody is idle, little is learned. */
  keep: 0.1,
  /** What each further turn at the same skill is worth of the one before. */
  again: 0.8,
  /** What a turn of the same effort as the last one is worth. */
  sameEffort: 0.8,
  /** A new, hard skill in the half of the lesson where the setting does not have it. */
  wrongHalf: 0.5,
  /** What is lost where nobody stands with whom to take turns. */
  alone: 0.5,
  /** What is lost where two who are to be together are not. */
  parted: 0.5,
  /** What a minute is worth at what is new or risky where nobody can look at it. */
  unseen: 0.5,
  /** What a minute is worth at a station by which nobody comes who could put anything right. */
  unlooked: 0.9,
  /** What is lost for each turn that is short of half at what was begun, of its minutes. */
  begun: 1,
  /** Against what is not to be: more than everything else together. */
  forbidden: 1000,
} as const;

export const CLASS_LIMITS = {
  /** Minutes of one turn at a station, about; what there is, is shared out evenly. */
  rotation: 8,
  rotations: 8,
  shortestRotation: 3,
  /** Of a rotation, for going from one station to the next and hearing what is done there. */
  change: 1,
  stations: 12,
  students: 60,
  /** Of a larger group nobody sees each: each has their share of the eyes that so many have. */
  group: 6,
  /** Who cleared a skill in so many days can show it. */
  showsForDays: 21,
  /** A review that is due within so many days can be brought forward by showing. */
  reviewWithinDays: 7,
} as const;

export const PLAN_LIMITS = {
  /** Minutes of warm-up and of cool-down (safety.md: five minutes of easy jumping). */
  warmUp: 5,
  coolDown: 2,
  /** A shorter lesson warms up for this share of it at most. */
  warmUpShare: 0.3,
  /** At most this share of a plan's minutes are reviews (teaching.md, Reviews). */
  reviewShare: 0.2,
  /** Multiples planned a lesson for whoever still grows (safety.md, growth). */
  growingMultiples: 150,
  /** New skills in a lesson while begun ones are open. */
  newSkills: 2,
  /** Blocks that are weighed against each other: the best ones of each kind. */
  mains: 9,
  reviews: 4,
  /** Sets that a block is lengthened by at most where minutes are left: before other work comes in, and after. */
  moreSets: { before: 2, after: 4 },
  /** Blocks without a landing. */
  noLanding: 6,
  /** Minutes may be left empty to this share without a word. */
  emptyShare: 0.05,
  /** Multiples of one day after which whoever still grows has a day without them (safety.md, growth). */
  highImpact: 50,
} as const;
