import { settingValue, type SettingValues } from "@mirrup/catalogue";
import type { NextItem, StandingItem, StatusCounts } from "@mirrup/contract";
import {
  BASE_TEST,
  goalPath,
  isMet,
  nextDrills,
  type FusedFirst,
  type Goal,
  type OnPath,
  type SideOrder,
  type Standing,
  type StandingContext,
} from "@mirrup/core";

const iso = (instant: number | null) => (instant === null ? null : new Date(instant).toISOString());

export function standingItem(standing: Standing): StandingItem {
  const { subject, side, status, facts, cleanChance, gate, unmet, isStuck } = standing;
  const { bestStreak, gateBest } = facts;
  return {
    subject,
    side,
    status,
    bestStreak,
    cleanChance,
    gate,
    gateBest,
    reviewDue: facts.review?.due ?? null,
    clearedBy: facts.cleared?.by ?? null,
    isStuck,
    lastAt: iso(facts.lastAt),
    unmet,
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
function pathsOf(standings: readonly Standing[], goals: readonly Goal[], context: StandingContext): OnPath[] {
  return goals.flatMap((goal) =>
    goalPath(standings, [goal], context)
      // The base test is a drill of its own, and no skill's.
      .steps.filter((step) => step.subject !== BASE_TEST)
      .map(({ subject, side, gate }) => ({ subject, side, gate, goal: goal.subject })),
  );
}

export function nextOf(
  standings: readonly Standing[],
  { leadingSide, goals, settings }: NextOptions,
  context: StandingContext,
): readonly NextItem[] {
  const { catalogue, now, today } = context;
  return nextDrills(standings, {
    catalogue,
    now,
    today,
    strongerSide: leadingSide,
    sideOrder: settingValue("sides", ...settings) as SideOrder,
    fusedFirst: settingValue("fused-first", ...settings) as FusedFirst,
    path: pathsOf(standings, goals, context),
  });
}

export function countStatuses(standings: readonly Standing[]): StatusCounts {
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
export function levelOf(standings: readonly Standing[], { catalogue }: StandingContext): number {
  const met = standings.filter((one) => isMet(one.status));
  return Math.max(0, ...met.map((one) => catalogue.levels.get(one.subject) ?? 0));
}
