/**
 * Where a student stands: the status of every skill and side, derived from the facts when read and
 * never stored (teaching.md, Status). One pass over the catalogue, O(skills + needs).
 */
import type { Instant, LocalDate } from "../instant.js";
import { BASE_TEST, BASE_TEST_COUNT } from "./base-test.js";
import { cleanChanceAt, hasInARow, NO_FACTS, type StandingFacts } from "./evidence.js";
import { isStuck } from "../next/stuck.js";
import { weightScale } from "./weight.js";
import type { SideName } from "../sides.js";
import type { Catalogue } from "../syllabus/catalogue.js";
import { gateOf, gateTarget, type Gate, type GateOverrides, type School } from "../syllabus/gates.js";
import { sideKey, sideTable, type SideNode, type SubjectSide, type Way } from "../syllabus/side-table.js";
import type { SkillClass } from "../syllabus/skill.js";

export const STATUSES = ["locked", "ready", "working", "cleared", "inferred", "rusty"] as const;
export type Status = (typeof STATUSES)[number];

/** One thing that keeps a skill locked. */
export interface Unmet extends SubjectSide {
  /** The gate that would meet the need. */
  readonly gate: Gate;
  /** What the gate asks, what is there and what is missing, in the gate's unit. */
  readonly need: number;
  readonly have: number;
  readonly short: number;
  /** Which of the skill's needs this belongs to, from 0. */
  readonly needIndex: number;
  /** Which way to meet that need; every entry of one way is asked, one way is enough. */
  readonly way: number;
}

export interface Standing extends SubjectSide {
  readonly status: Status;
  readonly facts: StandingFacts;
  readonly cleanChance: number;
  readonly gate: Gate;
  readonly unmet: readonly Unmet[];
  /** Begun, and not moving for three lessons of honest tries. */
  readonly isStuck: boolean;
}

/** What a read needs beside the log's facts. */
export interface StandingContext {
  readonly catalogue: Catalogue;
  readonly school: School;
  /** Gates set otherwise, the strongest first (the student's before the studio's). */
  readonly overrides?: readonly GateOverrides[];
  readonly now: Instant;
  /** The studio's day at `now`. */
  readonly today: LocalDate;
}

export type FactsBySide = ReadonlyMap<string, StandingFacts>;

function isCleared(facts: StandingFacts): boolean {
  return facts.cleared !== null;
}

/** Whether a status meets a plain need. */
export function isMet(status: Status): boolean {
  return status === "cleared" || status === "rusty" || status === "inferred";
}

const MULTIPLES: ReadonlySet<SkillClass> = new Set(["double", "fused-double", "triple", "quad"]);

/** The ways, with the most practised first; the first of the list where none has been practised. */
function mostPractised(ways: readonly Way[], facts: readonly StandingFacts[]): Way {
  const [first = []] = ways;
  if (ways.length === 1) return first;
  const practice = (way: Way) => way.reduce((sum, one) => sum + (facts[one.index] ?? NO_FACTS).sets, 0);
  return ways.reduce((most, way) => (practice(way) > practice(most) ? way : most), first);
}

/**
 * The sides that cleared skills vouch for: whoever does a skill can do what it needs, and what that
 * needs in turn. A side with sets of its own is not inferred, they say what it is; what it needs is
 * vouched for all the same. What placement took as likely stands like what is vouched for.
 */
function inferredSides(nodes: readonly SideNode[], facts: readonly StandingFacts[]): readonly boolean[] {
  const vouched = facts.map((own) => own.presumedAt !== null);
  const inferred = facts.map(() => false);
  for (let index = nodes.length - 1; index >= 0; index -= 1) {
    const own = facts[index] ?? NO_FACTS;
    const silent = own.sets === 0 && own.reopenedAt === null && !isCleared(own);
    if (vouched[index] === true && silent) inferred[index] = true;
    if (vouched[index] !== true && !isCleared(own)) continue;
    for (const ways of nodes[index]?.needs ?? []) {
      for (const one of mostPractised(ways, facts)) vouched[one.index] = true;
    }
  }
  return inferred;
}

/** The gate of a numbered side; every side of the table has one. */
function gateAt(gates: readonly Gate[], index: number): Gate {
  const gate = gates[index];
  if (gate === undefined) throw new RangeError(`The table of sides has no number ${index}.`);
  return gate;
}

/** Everything that one reading of a student works on. */
interface Reading {
  readonly facts: readonly StandingFacts[];
  readonly gates: readonly Gate[];
  readonly inferred: readonly boolean[];
}

/** What is missing of each way to meet a need; null where one way misses nothing. */
function gapsOf(
  ways: readonly Way[],
  { facts, gates, inferred }: Reading,
): readonly Omit<Unmet, "needIndex">[] | null {
  const gaps: Omit<Unmet, "needIndex">[] = [];
  for (let number = 0; number < ways.length; number += 1) {
    const before = gaps.length;
    for (const { subject, side, index, count } of ways[number] ?? []) {
      const own = facts[index] ?? NO_FACTS;
      const met = count === null ? isCleared(own) || inferred[index] === true : hasInARow(own, count);
      if (met) continue;
      const gate: Gate = count === null ? gateAt(gates, index) : { kind: "streak", count };
      const need = gateTarget(gate);
      const have = count === null ? own.gateBest : own.bestStreak;
      gaps.push({ subject, side, gate, need, have, short: need - have, way: number });
    }
    if (gaps.length === before) return null;
  }
  return gaps;
}

function unmetOf(node: SideNode, reading: Reading): Unmet[] {
  const unmet: Unmet[] = [];
  node.needs.forEach((ways, needIndex) => {
    for (const gap of gapsOf(ways, reading) ?? []) unmet.push({ ...gap, needIndex });
  });
  return unmet;
}

/** The base test, where the school asks it before any multiple and it has not been passed. */
function baseTestUnmet(facts: FactsBySide, node: SideNode): Unmet {
  const need = BASE_TEST_COUNT;
  const gate: Gate = { kind: "streak", count: need };
  const have = facts.get(sideKey(BASE_TEST, "whole"))?.bestStreak ?? 0;
  const place = { needIndex: node.needs.length, way: 0 };
  return { subject: BASE_TEST, side: "whole", gate, need, have, short: need - have, ...place };
}

/** The standing of every skill and side of the catalogue, in its order, left before right. */
export function standingsOf(context: StandingContext, facts: FactsBySide): readonly Standing[] {
  const { catalogue, school, overrides = [], now, today } = context;
  const { nodes } = sideTable(catalogue, school);
  const own = nodes.map(({ subject, side }) => facts.get(sideKey(subject, side)) ?? NO_FACTS);
  const gates = nodes.map(({ skill }) => gateOf(school, skill, overrides));
  const reading: Reading = { facts: own, gates, inferred: inferredSides(nodes, own) };
  const basePassed = isCleared(facts.get(sideKey(BASE_TEST, "whole")) ?? NO_FACTS);
  const asksBase = school.asksBaseTest && !basePassed;
  const scale = weightScale(now);
  return nodes.map((node, index): Standing => {
    const ownFacts = own[index] ?? NO_FACTS;
    const unmet = unmetOf(node, reading);
    if (asksBase && MULTIPLES.has(node.skill.skillClass)) unmet.push(baseTestUnmet(facts, node));
    const status = statusOf(today, ownFacts, unmet, reading.inferred[index] === true);
    return {
      subject: node.subject,
      side: node.side,
      status,
      facts: ownFacts,
      cleanChance: cleanChanceAt(ownFacts, scale),
      gate: gateAt(gates, index),
      unmet,
      isStuck: status === "working" && isStuck(ownFacts),
    };
  });
}

function statusOf(
  today: LocalDate,
  facts: StandingFacts,
  unmet: readonly Unmet[],
  inferred: boolean,
): Status {
  if (isCleared(facts)) return facts.review !== null && facts.review.due < today ? "rusty" : "cleared";
  if (inferred) return "inferred";
  if (unmet.length > 0) return "locked";
  return facts.sets > 0 ? "working" : "ready";
}

/** The sides whose reviews a set of this skill and side can count for: those that it needs. */
export function kinSides(
  { catalogue, school }: Pick<StandingContext, "catalogue" | "school">,
  subject: string,
  side: SideName,
): readonly SubjectSide[] {
  const { nodes, indexOf } = sideTable(catalogue, school);
  const needs = nodes[indexOf.get(sideKey(subject, side)) ?? -1]?.needs ?? [];
  const sides = needs.flat(2);
  return [...new Map(sides.map((one) => [one.index, one])).values()].map((one) => ({
    subject: one.subject,
    side: one.side,
  }));
}

/** What came within reach between two readings: sides that were locked and are not any more. */
export function openedBetween(
  before: readonly Standing[],
  after: readonly Standing[],
): readonly SubjectSide[] {
  const locked = new Set(
    before.filter((one) => one.status === "locked").map((one) => sideKey(one.subject, one.side)),
  );
  return after
    .filter((one) => one.status !== "locked" && locked.has(sideKey(one.subject, one.side)))
    .map(({ subject, side }) => ({ subject, side }));
}
