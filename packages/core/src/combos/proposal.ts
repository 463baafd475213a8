/**
 * What a score says of itself as a skill: whether it has sides, of which class it is, and what it needs. All of it is a
 * proposal, derived from the rope model and the skills that there are; an instructor takes it or not.
 */
import { measureScore } from "../rope/measure.js";
import { mirrorScore } from "../rope/mirror.js";
import { scoreOf } from "../rope/parse.js";
import { expandBeats, type Beat, type Score } from "../rope/score.js";
import { traceBeats } from "../rope/trace.js";
import type { SideName } from "../sides.js";
import { isHeld, jumpsOf } from "../syllabus/holds.js";
import type { NeedSides, NeedTerm } from "../syllabus/needs.js";
import type { Side } from "../syllabus/side.js";
import type { SkillClass } from "../syllabus/skill.js";
import { candidatesIn, type Syllabus } from "../syllabus/syllabus.js";
import { derivedNeeds } from "./derived-needs.js";

/** Whether left and right of it differ: begun elsewhere, its mirror is itself where they do not. */
export function hasSides(score: Score): boolean {
  const keys = (one: Score) => jumpsOf(one).beats.map(({ turns, feet }) => `${turns} ${feet}`);
  const own = keys(score);
  const twice = [...own, ...own].join(";");
  return !twice.includes(keys(mirrorScore(score)).join(";"));
}

const POWER = /^(?:squat|tuck|plank|lunge[lr])$/;
const TAPS = /^(?:toe|heel)[lr]$/;

/** The class by the hardest thing in it. */
export function classOfScore(score: Score): SkillClass {
  const { beats } = traceBeats(expandBeats(score), score.direction, "r");
  const arms = beats.flatMap(({ turns }) => turns.map((turn) => turn.arms));
  const gestures = beats.flatMap(({ beat }) => beat.gestures);
  const has = (first: string) => arms.some((one) => first.includes(one.charAt(0)));
  const { highest } = measureScore(score);
  const closed = new Set(arms.map((one) => one.charAt(0)).filter((one) => "xbuk".includes(one)));
  if (highest > 3) return "quad";
  if (highest === 3) return "triple";
  if (highest === 2) return closed.size > 0 ? "fused-double" : "double";
  if (has("wh")) return "release";
  if (gestures.some((one) => one.startsWith("turn"))) return "turn";
  if (gestures.some((one) => POWER.test(one))) return "power";
  // Arms that are closed on both sides change over; for the plain cross that is a cross still.
  const changesOver = new Set(arms.filter((one) => "bu".includes(one.charAt(0)))).size > 1;
  if (closed.size > 1 || changesOver || (closed.size > 0 && has("se"))) return "fusion";
  if (closed.size > 0) return "cross";
  if (has("se")) return "swing";
  if (gestures.length > 0 && gestures.every((one) => TAPS.test(one))) return "taps";
  return gestures.length > 0 ? "footwork" : "base";
}

/** Why something is proposed: it stands in it as it is, or slower; or it is the simplest that has something of it. */
export type ProposalReason = "held" | "slower" | "alike";

/** A jump of more turns than these is not taken apart: no two jumps of it are a skill. */
const MOST_SPLIT = 4;

/** The ways to take so many turns in more than one jump, each as where the jumps begin. */
function splitsOf(turns: number): readonly (readonly number[])[] {
  if (turns < 2 || turns > MOST_SPLIT) return [];
  const places = Array.from({ length: turns - 1 }, (_, place) => place + 1);
  const choices = 2 ** places.length;
  return Array.from({ length: choices - 1 }, (_, choice) => [
    0,
    ...places.filter((_place, bit) => ((choice + 1) >> bit) % 2 === 1),
  ]);
}

/** The score with one of its jumps taken in several, in every way: what is learned before it. */
function slower(score: Score): readonly Score[] {
  const beats = expandBeats(score);
  return beats.flatMap((beat, at) =>
    splitsOf(beat.turns.length).map((starts): Score => {
      const jumps = starts.map((from, place): Beat => {
        const isLast = place === starts.length - 1;
        const turns = beat.turns.slice(from, starts[place + 1]);
        return isLast ? { ...beat, turns } : { ...beat, turns, landing: null, gestures: [] };
      });
      const items = [...beats.slice(0, at), ...jumps, ...beats.slice(at + 1)];
      return { ...score, items: items.map((unit) => ({ unit, count: null })) };
    }),
  );
}

export interface ProposedNeed {
  readonly term: NeedTerm;
  readonly reason: ProposalReason;
}

const BOUNCE = scoreOf("o");

/** The score with the open turn after it that most skills end in. */
function withBounce(score: Score): Score {
  return { ...score, items: [...score.items, ...BOUNCE.items] };
}

/** All subjects that a side asks for, and what those ask for. */
function beneath(side: Side, known: Map<Side, ReadonlySet<string>>): ReadonlySet<string> {
  const found = known.get(side);
  if (found !== undefined) return found;
  const subjects = new Set(side.kin.flatMap((one) => [one.subject, ...beneath(one, known)]));
  known.set(side, subjects);
  return subjects;
}

function sidesAsked(sides: ReadonlySet<SideName>): NeedSides {
  if (sides.has("left") && sides.has("right")) return "both";
  return sides.has("left") ? "other" : "same";
}

/**
 * What a score needs: the skills that stand in it, or would if it were jumped in more jumps, and of what else is in it
 * the simplest that has it; without what those need themselves. Nothing of what no skill has. `except` is the skill itself.
 */
export function proposedNeeds(
  syllabus: Syllabus,
  score: Score,
  except: string | null = null,
): readonly ProposedNeed[] {
  const simplest = derivedNeeds(syllabus, score, "r", except) ?? [];
  const bounce = syllabus.catalogue.roles.bounce;
  const heldIn = (one: Score) => {
    const jumps = jumpsOf(withBounce(one), true);
    return candidatesIn(syllabus, jumps).filter(
      (side) =>
        side.subject !== except && side.subject !== bounce && side.jumps.some((form) => isHeld(jumps, form)),
    );
  };
  const held = heldIn(score);
  const parts = slower(score).flatMap((one) => heldIn(one));
  const known = new Map<Side, ReadonlySet<string>>();
  const all = [...new Set([...held, ...parts, ...simplest])];
  const left = all.filter(
    ({ subject }) => !all.some((other) => other.subject !== subject && beneath(other, known).has(subject)),
  );
  const bySubject = new Map<string, Set<SideName>>();
  for (const { subject, side } of left) {
    bySubject.set(subject, (bySubject.get(subject) ?? new Set()).add(side));
  }
  const isAmong = (some: readonly Side[], subject: string) => some.some((side) => side.subject === subject);
  const isOneSided = !hasSides(score);
  return [...bySubject].map(([subject, sides]) => {
    const asked = sidesAsked(sides);
    return {
      // What has no sides has no other one.
      term: { skill: subject, atLeast: null, sides: isOneSided && asked === "other" ? "same" : asked },
      reason: isAmong(held, subject) ? "held" : isAmong(parts, subject) ? "slower" : "alike",
    };
  });
}
