/**
 * Where an open side stands on its way (record.md, What now): its place on the ladder, its next drill and
 * chance, whether it is begun, stuck, had enough of for today, near its gate. Derived once for a reading;
 * everything that proposes reads it.
 */
import { gateChance } from "../record/chance.js";
import { standingOf, type Reading, type Standing } from "../record/standing.js";
import { drillKey, gateDrill, type Drill, type DrillKind } from "../syllabus/drill.js";
import { gateDrillOf, gatePlace } from "../syllabus/ladder.js";
import { gateAsStreak, gateKey, gateTarget, type Gate } from "../syllabus/gates.js";
import type { Rung, Side } from "../syllabus/side.js";
import { rungChance } from "./odds.js";
import { FAILED, failedRunning, nextStep, rungAfter, stepBack, suited, type Step } from "./walk.js";

export interface Stage {
  readonly standing: Standing;
  /** Null where nothing is left to do on the way to the gate. */
  readonly step: Step | null;
  /** What it is on the way to: its own gate, or more where a path asks for more. */
  readonly gate: Gate;
  /** The gate itself, offered beside: its drill and chance; null while it is too far. */
  readonly tryGate: { readonly drill: Drill; readonly chance: number } | null;
  /** Whether the gate comes first. */
  readonly isGateFirst: boolean;
  /** The drill after this one, once it is passed; null at the gate. */
  readonly after: Drill | null;
  /** Why the step is not the usual one. */
  readonly turn: "usual" | "step-back" | "whole-once" | "stuck";
  readonly isBegun: boolean;
  /** Whether the lesson has had enough of it. */
  readonly isSated: boolean;
  /** How far to the gate, from 0 to 1. */
  readonly progress: number;
}

/** More tries of one side in a lesson teach ever less. */
export const ENOUGH_TRIES = 60;
const OFFERED_CHANCE = 0.3;
const FIRST_CHANCE = 0.5;
const NEAR = 0.8;
/** Stepped back from so often in a lesson, and the drill does not come today. */
const ENOUGH_FAILED = 3 * FAILED;
/** Lessons on gentle rungs after which the whole is tried once. */
const GENTLE_LESSONS = 2;

function isNear({ facts, of }: Standing, gate: Gate): boolean {
  const streak = gateAsStreak(gate, of.skill.beats);
  return facts.lessons.slice(0, 2).some((lesson) => lesson.bestStreak >= NEAR * streak);
}

function gateOf({ model }: Reading, standing: Standing, gate: Gate): Pick<Stage, "tryGate" | "isGateFirst"> {
  const { belief, of } = standing;
  const chance = gateChance(belief, gate, gateAsStreak(gate, of.skill.beats), model);
  const isOffered = chance >= OFFERED_CHANCE || isNear(standing, gate);
  const isOwn = gateKey(gate) === gateKey(standing.of.gate);
  const drill = isOwn ? gateDrillOf(standing.of) : gateDrill(gate);
  return { tryGate: isOffered ? { drill, chance } : null, isGateFirst: chance >= FIRST_CHANCE };
}

/** Two lessons of gentle rungs, and today nothing else yet: the whole is tried once all the same. */
function asksWhole({ facts }: Standing, today: string): boolean {
  const before = facts.lessons.filter((lesson) => lesson.lesson < today).slice(0, GENTLE_LESSONS);
  const isGentleToday = !facts.lessons.some((lesson) => lesson.lesson === today && lesson.triedWhole);
  return isGentleToday && before.length === GENTLE_LESSONS && before.every((lesson) => !lesson.triedWhole);
}

const WHOLE_KINDS: ReadonlySet<DrillKind> = new Set(["whole", "one-out"]);

/** The ladder's own way of doing the whole once, the last before it is chained. */
function wholeStep(reading: Reading, standing: Standing): Step | null {
  const { ladder } = standing.of;
  const rung = ladder.find((one) => one.holds === "whole" && !one.isPart && WHOLE_KINDS.has(one.drill.kind));
  if (rung === undefined) return null;
  return stepOn(reading, standing, rung);
}

function stepOn(reading: Reading, standing: Standing, rung: Rung): Step {
  return { rung, drill: rung.drill, chance: rungChance(reading, standing, rung) };
}

/** A path can ask for more in a row than clears the side: on with streaks toward it. */
function pathStep(reading: Reading, standing: Standing, gate: Gate): Step | null {
  const { ladder } = standing.of;
  const rung = ladder[gatePlace(ladder)];
  if (rung === undefined) return null;
  return suited(reading, standing, {
    ...rung,
    id: gateKey(gate),
    drill: gateDrill(gate),
    isPart: false,
    about: [standing.of],
  });
}

/** Where a side stands on the way to a gate, its own unless a path asks for more. O(rungs). */
export function stageOf(reading: Reading, side: Side, asked: Gate = side.gate): Stage {
  const standing = standingOf(reading, side);
  const { facts, isStuck, status } = standing;
  const { today } = reading;
  const isMore = gateKey(asked) !== gateKey(side.gate) && facts.cleared !== null;
  const usual = isMore ? pathStep(reading, standing, asked) : nextStep(reading, standing);
  const turned = isMore ? null : turnOf(reading, standing, usual);
  const step = turned?.step ?? usual;
  const failed = usual === null ? 0 : failedRunning(facts, usual.drill, today);
  const next = step === null ? null : rungAfter(standing, step.rung);
  const { worked = 0 } = facts.lessons.find((lesson) => lesson.lesson === today) ?? {};
  return {
    standing,
    step,
    gate: asked,
    ...gateOf(reading, standing, asked),
    after: next?.drill ?? null,
    turn: turned?.turn ?? (isStuck ? "stuck" : "usual"),
    isBegun: status === "working" || facts.sets > 0 || Object.keys(facts.rungs).length > 0,
    isSated: worked >= ENOUGH_TRIES || failed >= ENOUGH_FAILED,
    progress: Math.min(1, progressOf(standing, asked)),
  };
}

function progressOf({ facts, of }: Standing, gate: Gate): number {
  if (gateKey(gate) === gateKey(of.gate)) return facts.gateBest / gateTarget(gate);
  return facts.bestStreak / gateAsStreak(gate, of.skill.beats);
}

/** Whether a rung was passed today since another was last tried: it has done what it was gone back to for. */
function isPassedSince({ facts }: Standing, back: Step, since: Step, today: string): boolean {
  const own = facts.rungs[drillKey(back.drill)];
  if (own?.lesson !== today || own.failed > 0) return false;
  const tried = facts.rungs[drillKey(since.drill)];
  return tried?.lesson !== today || own.at > tried.at;
}

function turnOf(
  reading: Reading,
  standing: Standing,
  usual: Step | null,
): { readonly step: Step; readonly turn: Stage["turn"] } | null {
  if (usual === null) return null;
  const { facts, isStuck } = standing;
  const { today } = reading;
  const failed = failedRunning(facts, usual.drill, today);
  const hasFailed = failed > 0 && failed % FAILED === 0;
  const back = hasFailed || isStuck ? stepBack(reading, standing, usual.rung) : null;
  if (back !== null && !isPassedSince(standing, back, usual, today)) {
    return { step: back, turn: hasFailed ? "step-back" : "stuck" };
  }
  if (asksWhole(standing, today) && usual.rung.holds !== "whole") {
    const whole = wholeStep(reading, standing);
    if (whole !== null) return { step: whole, turn: "whole-once" };
  }
  return null;
}
