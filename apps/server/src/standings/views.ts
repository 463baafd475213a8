import { fusedFirstOf, settingValue, type SettingValues } from "@mirrup/catalogue";
import type { NextItem, RungItem, StandingItem, StatusCounts, UnmetItem } from "@mirrup/contract";
import type { Side } from "@mirrup/core";
import { underGoals } from "@mirrup/core/planning";
import {
  cleanChance,
  goalPath,
  isMet,
  nextDrills,
  stageOf,
  rungChance,
  walkedOf,
  type Goal,
  type NextDrill,
  type OnPath,
  type Reading,
  type SideOrder,
  type Standing,
  type Unmet,
} from "@mirrup/core/teaching";

const iso = (instant: number | null) => (instant === null ? null : new Date(instant).toISOString());

function unmetItem({ of: { subject, side }, ...rest }: Unmet): UnmetItem {
  return { subject, side, ...rest };
}

export function standingItem(standing: Standing): StandingItem {
  const { of, status, facts, unmet, isStuck } = standing;
  const { subject, side, gate } = of;
  const { bestStreak, gateBest, review, cleared, lastAt } = facts;
  return {
    ...{ subject, side, status, bestStreak, gate, gateBest, isStuck },
    cleanChance: cleanChance(standing),
    reviewDue: review?.due ?? null,
    clearedBy: cleared?.by ?? null,
    lowReviews: review?.lowRow ?? 0,
    lastAt: iso(lastAt),
    unmet: unmet.map(unmetItem),
  };
}

/** What of a student and studio decides the order of the proposals. */
export interface NextOptions {
  readonly leadingSide: "left" | "right";
  readonly goals: readonly Goal[];
  /** The student's settings, then the studio's. */
  readonly settings: readonly SettingValues[];
}

/** The sides on the way to each goal, the first goal's before the second's. */
function pathsOf(reading: Reading, { goals, settings }: NextOptions): readonly OnPath[] {
  const { baseTest } = reading.syllabus;
  return goals.flatMap((goal) =>
    goalPath(reading, [goal], { fusedFirst: fusedFirstOf(...settings) })
      // The base test is a drill of its own, and no skill's.
      .steps.filter((step) => step.of !== baseTest)
      .map(({ of, gate }) => ({ of, gate, goal: goal.subject })),
  );
}

/** The proposals in order, as plans take them. */
export function proposalsOf(reading: Reading, options: NextOptions): readonly NextDrill[] {
  const { leadingSide, goals, settings } = options;
  return nextDrills(reading, {
    strongerSide: leadingSide,
    sideOrder: settingValue("sides", ...settings) as SideOrder,
    fusedFirst: fusedFirstOf(...settings),
    path: pathsOf(reading, options),
    underGoals: underGoals(reading.syllabus, goals),
  });
}

export function nextItem({
  of: { subject, side },
  drill,
  chance,
  gate,
  tryGate,
  after,
  reason,
  isNew,
}: NextDrill): NextItem {
  return { subject, side, drill, chance, gate, tryGate, after, reason, isNew };
}

/** A side's ladder as the student stands on it, every rung with the number that suits them. */
export function ladderItems(reading: Reading, side: Side): readonly RungItem[] {
  const { standing, step } = stageOf(reading, side);
  return walkedOf(standing).map(({ rung, state }) => {
    const { id, drill, holds, isPart, isAfterGate } = rung;
    const chance = rungChance(reading, standing, rung);
    const about = rung.about.map(({ subject, side: name }) => ({ subject, side: name }));
    return { id, drill, state, chance, holds, about, isPart, isAfterGate, isNext: step?.rung.id === id };
  });
}

export function countStatuses({ standings }: Reading): StatusCounts {
  const count = (...wanted: readonly Standing["status"][]) =>
    standings.filter((one) => wanted.includes(one.status)).length;
  return {
    cleared: count("cleared", "rusty", "inferred"),
    working: count("working"),
    ready: count("ready"),
    locked: count("locked"),
  };
}

/** The level of the furthest skill that is cleared; 0 before the first. */
export function levelOf({ standings }: Reading): number {
  const met = standings.filter((one) => isMet(one.status));
  return Math.max(0, ...met.map((one) => one.of.skill.level));
}
