/** A combo as a subject of the log: its key, its links' keys, its sides and its gate. */
import { mirrorScore } from "../rope/mirror.js";
import { printScore } from "../rope/print.js";
import type { SideName } from "../sides.js";
import type { Gate } from "../syllabus/gates.js";
import type { Status } from "../record/standing.js";
import { cleanChanceAt, NO_FACTS, type StandingFacts } from "../record/evidence.js";
import { weightScale } from "../record/weight.js";
import type { Instant, LocalDate } from "../instant.js";
import { comboScore, type ComboPart } from "./part.js";

/** Four whole ones of five, out of a bounce and back into one: what clears a combo on each side. */
export const COMBO_GATE: Gate = { kind: "clean", clean: 4, of: 5 };

const SUBJECT = /^combo:([0-9a-f-]{36})(?:#link(\d{1,3}))?$/;

export interface ComboSubject {
  readonly id: string;
  /** The link, by the place of the part after it; null for the combo as a whole. */
  readonly link: number | null;
}

export function comboKey(id: string): string {
  return `combo:${id}`;
}

export function linkKey(id: string, link: number): string {
  return `combo:${id}#link${link}`;
}

/** What a subject of the log says of a combo; null for a skill. */
export function comboSubject(subject: string): ComboSubject | null {
  const [, id, link] = SUBJECT.exec(subject) ?? [];
  return id === undefined ? null : { id, link: link === undefined ? null : Number(link) };
}

/** The right side is the combo as written, the left its mirror; one that is its own mirror has no sides. */
export function sidesOfScore(parts: readonly ComboPart[]): readonly SideName[] {
  const score = comboScore(parts);
  if (score === null) return [];
  return printScore(mirrorScore(score)) === printScore(score) ? ["whole"] : ["left", "right"];
}

export interface ComboStanding {
  readonly status: Status;
  readonly cleanChance: number;
  /** The most clean ones of five so far. */
  readonly gateBest: number;
  readonly bestStreak: number;
  readonly reviewDue: LocalDate | null;
}

/** Where somebody stands with a combo: like a skill, its parts being what it needs. */
export function comboStanding(
  facts: StandingFacts | undefined,
  canBegin: boolean,
  now: Instant,
  today: LocalDate,
): ComboStanding {
  const own = facts ?? NO_FACTS;
  const status: Status =
    own.cleared !== null
      ? own.review !== null && own.review.due < today
        ? "rusty"
        : "cleared"
      : !canBegin
        ? "locked"
        : own.sets > 0
          ? "working"
          : "ready";
  return {
    status,
    cleanChance: cleanChanceAt(own, weightScale(now)),
    gateBest: own.gateBest,
    bestStreak: own.bestStreak,
    reviewDue: own.review?.due ?? null,
  };
}
