/**
 * The ladder of a side: its drills in order, made from the lines of the catalogue and the side's score
 * and gate (drills.md, 2 Ladders). Nothing is typed in twice: the left is the mirror of the right, what a
 * drill holds is read off its score, and a drill that could not be jumped is none.
 */
import { isRelease, type Arms } from "../rope/arms.js";
import { checkScore } from "../rope/check.js";
import { mirrorScore } from "../rope/mirror.js";
import { parseScore } from "../rope/parse.js";
import { printScore } from "../rope/print.js";
import { expandBeats, type Score } from "../rope/score.js";
import type { Catalogue } from "./catalogue.js";
import {
  DRILL_ROWS,
  drillKey,
  isClimbKind,
  isRoundKind,
  isTryKind,
  type Drill,
  gateDrill,
  type DrillKind,
} from "./drill.js";
import { DEFAULT_TEMPO, type Gate } from "./gates.js";
import { isHeld, jumpsOf, type Jumps } from "./holds.js";
import type { LadderStep } from "./ladder-line.js";
import type { Manner } from "./manner.js";
import type { Rung, Side } from "./side.js";
import { inStep } from "./step.js";
import { directed, filled, type Filling } from "./template.js";

interface Making {
  readonly catalogue: Catalogue;
  readonly side: Side;
  readonly manner: Manner;
  readonly sidesOf: (subject: string) => readonly Side[];
}

/** Seconds of holding on before the gate is asked, at the most. */
const HOLD_SECONDS = 30;
const LEAST_HOLD = 5;
const FASTER_SHARE = 1.05;
const SHADOW_SHARES = [0.6, 0.8, 1, 1.15] as const;
const MANY_COUNTS = 10;
const COUNTS = 5;

/** The score for the side: the line is written for the right. */
function forSide(text: string, { side }: Side): string | null {
  const parsed = parseScore(text);
  if (!parsed.ok) return null;
  return printScore(side === "left" ? mirrorScore(parsed.score) : parsed.score);
}

function isLegal(text: string, loops: boolean): boolean {
  const parsed = parseScore(text);
  return parsed.ok && checkScore(parsed.score, { loop: loops }).length === 0;
}

/** The step that a skill is carried by: its first need's, or an open bounce. */
function carryingOf({ catalogue, side }: Making): Score | null {
  const [need] = side.skill.needs;
  const [term] = need?.anyOf ?? [];
  const needed = term === undefined ? undefined : catalogue.skills.get(term.skill);
  if (needed?.score == null) return null;
  return term?.sides === "other" ? mirrorScore(needed.score) : needed.score;
}

/** The side's score as it would be written for the right. */
function asRight({ side, score }: Side): Score | null {
  return score !== null && side === "left" ? mirrorScore(score) : score;
}

function changesArms(score: Score): boolean {
  return expandBeats(score).some(
    ({ turns }) =>
      turns.length > 1 && turns.some((turn, place) => place > 0 && turn.arms !== turns[place - 1]?.arms),
  );
}

function endsClosed(score: Score): boolean {
  return expandBeats(score).at(-1)?.turns.at(-1)?.arms !== "o";
}

/** A drill of a kind over a score, with what the step and the kind ask. */
function drillOf(
  making: Making,
  step: Pick<LadderStep, "kind" | "dose" | "about">,
  score: string | undefined,
): readonly Drill[] {
  const { gateStreak, skill } = making.side;
  const { kind, dose, about } = step;
  const { dose: usual } = DRILL_ROWS[kind];
  const asked = dose ?? (usual === "gate" ? gateStreak : usual);
  const scored = score === undefined ? {} : { score };
  if (isTryKind(kind)) return [{ kind, count: asked, ...(about === null ? {} : { about }), ...scored }];
  if (isRoundKind(kind)) return [{ kind, rounds: asked, ...scored }];
  if (isClimbKind(kind))
    return [{ kind, top: Math.min(asked, Math.max(2, gateStreak)), onMiss: "repeat", ...scored }];
  switch (kind) {
    case "tempo-shadow":
      return SHADOW_SHARES.map((tempoShare) => ({ kind, count: asked, tempoShare, ...scored }));
    case "faster":
      return [{ kind, count: asked, tempoShare: FASTER_SHARE, ...scored }];
    case "side-rope":
      return [{ kind, count: asked, ...scored }];
    case "spaced":
    case "link":
      return [];
    case "streak":
      return asked < gateStreak ? [{ kind, count: asked, ...scored }] : [];
    case "hold": {
      const seconds = Math.min(HOLD_SECONDS, Math.floor((gateStreak * skill.beats * 60) / DEFAULT_TEMPO));
      return seconds < LEAST_HOLD ? [] : [{ kind, seconds, ...scored }];
    }
    case "count":
      return [];
  }
}

/** Whether a step is where the gate itself stands. */
function isGateStep({ kind, dose, template }: LadderStep, gate: Gate): boolean {
  return dose === null && template === null && (kind === "streak" || kind === gate.kind);
}

/** The drill that meets the gate; single ones each back to a bounce. */
export function gateDrillOf({ gate, score }: Pick<Side, "gate" | "score">): Drill {
  const drill = gateDrill(gate);
  if (drill.kind !== "one-out" || score === null) return drill;
  const text = directed(`${printScore({ ...score, direction: "forward" })} o`, score.direction);
  return isLegal(text, false) ? { ...drill, score: tidy(text) } : drill;
}

/** What of a ladder a step comes to, before it is known what each drill is about. */
interface Made {
  readonly drill: Drill;
  readonly parts: readonly string[];
  /** The side that a count of a need is of. */
  readonly of?: Side;
  readonly isGate?: boolean;
  readonly isPiece?: boolean;
}

/** Each need in turn, so often in a row: the door to what it makes possible. */
function countsOfNeeds(side: Side): readonly Made[] {
  return side.needs.flatMap(([way = []]) =>
    way.flatMap(({ of }): Made[] => {
      if (of.score === null) return [];
      const many = of.skill.skillClass === "base" || of.skill.skillClass === "double";
      const items = printScore({ ...of.score, direction: "forward" });
      const times = many ? MANY_COUNTS : COUNTS;
      const text = `${of.score.direction === "backward" ? "< " : ""}[${items}]*${times}`;
      const parsed = parseScore(text);
      if (!parsed.ok || !isLegal(text, false)) return [];
      return [{ drill: { kind: "part-counts", count: 3, score: tidy(text) }, parts: [of.subject], of }];
    }),
  );
}

/** `[o]*10` as `o*10`. */
function tidy(text: string): string {
  const parsed = parseScore(text.replaceAll(/\[(\([^)]*\)\S*|[^\s[\]()]+)\]/g, "$1"));
  return parsed.ok ? printScore(parsed.score) : text;
}

function newSteps(making: Making): readonly Drill[] {
  const { catalogue, side, manner } = making;
  if (side.score === null) return [];
  const steps = [...catalogue.roles.steps].sort(
    (one, other) => Number(other === manner.homeStep) - Number(one === manner.homeStep),
  );
  const { score } = side;
  return steps.flatMap((id): Drill[] => {
    const step = catalogue.skills.get(id)?.score ?? null;
    const text = step === null ? null : inStep(score, step, side.side);
    return text === null ? [] : [{ kind: "new-step", count: 8, score: text }];
  });
}

/** Each beat of a step alone after a bounce, each once; a plain one is no step. */
function beatsAlone(making: Making, step: LadderStep): readonly Made[] {
  const score = asRight(making.side);
  if (score === null) return [];
  const texts = expandBeats(score).map((unit) =>
    printScore({ ...score, items: [{ unit, count: null }] }).replace(/^< /, ""),
  );
  return [...new Set(texts)]
    .filter((text) => text !== "o")
    .flatMap((text) => madeOf(making, { ...step, template: `o ${text}` }));
}

/** A move of its run-up from singles to doubles, where that is how it is prepared. */
function prepared({ side, manner }: Making, { kind, template }: LadderStep): string | null {
  if (template === null || manner.prepare === "singles" || side.skill.skillClass !== "fused-double")
    return template;
  if (kind === "spaced") return template.replace("o*n", "D*n");
  return kind === "one-out" && template === "S o" ? "D S o" : template;
}

function madeOf(making: Making, step: LadderStep): readonly Made[] {
  const { side } = making;
  const { parts } = step;
  if (isGateStep(step, side.gate)) return [{ drill: gateDrillOf(side), parts, isGate: true }];
  const score = asRight(side);
  if (step.condition === "closed" && (score === null || !endsClosed(score))) return [];
  if (step.condition === "arms-change" && (score === null || !changesArms(score))) return [];
  if (step.ofNeeds) return countsOfNeeds(side);
  const template = prepared(making, step);
  const { isPiece } = step;
  // What has no other side cannot be done on both by turns.
  if (side.other === null && template?.includes("M") === true) return [];
  if (step.kind === "new-step" && template === null)
    return newSteps(making).map((drill) => ({ drill, parts }));
  if (template === "o b") return beatsAlone(making, step);
  if (template === null || score === null)
    return drillOf(making, step, undefined).map((drill) => ({ drill, parts }));
  const filling: Filling = { score, carrying: carryingOf(making) };
  const { loops } = DRILL_ROWS[step.kind];
  const texts =
    step.spacings.length === 0
      ? [{ text: filled(template, filling), spacing: 0 }]
      : step.spacings.map((spacing) => ({ text: filled(template, filling, spacing), spacing }));
  return texts.flatMap(({ text, spacing }): Made[] => {
    const own = text === null ? null : forSide(text, side);
    if (own === null || !isLegal(own, loops)) return [];
    const plain = side.score !== null && own === printScore(side.score) ? undefined : own;
    if (step.kind === "spaced") {
      const drill = {
        kind: "spaced",
        count: 5,
        spacing,
        ...(plain === undefined ? {} : { score: plain }),
      } as const;
      return [{ drill, parts, isPiece }];
    }
    return drillOf(making, step, plain).map((drill) => ({ drill, parts, isPiece }));
  });
}

/** The steps of a side's ladder: its own line's, else its class's; a fused double out of a rhythm has its run-ups first. */
function stepsOf({ catalogue, side, manner }: Making): readonly LadderStep[] {
  const { first, then } = catalogue.ladders.classes[side.skill.skillClass];
  const steps = catalogue.ladders.skills.get(side.subject) ?? [...first, ...then];
  if (manner.fusedStart === "standing" || side.skill.skillClass !== "fused-double") return steps;
  const isFromRest = (step: LadderStep) => step.kind === "from-rest" && step.parts.length === 0;
  const last = steps.findLastIndex((step) => step.kind === "rounds");
  if (last < 0) return steps;
  const resting = steps.slice(0, last).filter(isFromRest);
  return [
    ...steps.slice(0, last + 1).filter((step) => !isFromRest(step)),
    ...resting,
    ...steps.slice(last + 1),
  ];
}

const BEHIND: ReadonlySet<Arms | "x"> = new Set(["bl", "br", "k"]);
const SAFETY_KINDS: ReadonlySet<DrillKind> = new Set(["toe-catch", "stop-in", "one-stop"]);

/** A catch or a stop before arms behind the body, a backward multiple or a rope let go. */
function needsSafety({ score }: Side): boolean {
  if (score === null) return false;
  const beats = expandBeats(score);
  const some = (test: (arms: Arms) => boolean) =>
    beats.some(({ turns }) => turns.some(({ arms }) => arms !== "x" && test(arms)));
  const isBackwardMultiple = score.direction === "backward" && beats.some(({ turns }) => turns.length > 1);
  return isBackwardMultiple || some((arms) => BEHIND.has(arms)) || some(isRelease);
}

/** The sides of a part that stand in the drill; its own side's where none can be told. */
function sidesOfPart(making: Making, part: string, jumps: Jumps | null): readonly Side[] {
  const sides = making.sidesOf(part);
  const held = jumps === null ? [] : sides.filter((one) => one.jumps.some((form) => isHeld(jumps, form)));
  if (held.length > 0) return held;
  const same = sides.filter((one) => one.side === making.side.side || one.side === "whole");
  return same.length > 0 ? same : sides;
}

function jumpsOfDrill({ kind, score }: Drill): Jumps | null {
  const parsed = score === undefined ? null : parseScore(score);
  return parsed?.ok === true ? jumpsOf(parsed.score, DRILL_ROWS[kind].loops) : null;
}

/** Whether a drill holds a side: its own score, or one that has it. */
export function holdsSide(drill: Drill, side: Side): boolean {
  if (!DRILL_ROWS[drill.kind].isEvidence) return false;
  const jumps = jumpsOfDrill(drill);
  if (jumps === null) return drill.score === undefined;
  return side.jumps.some((form) => isHeld(jumps, form, drill.kind === "new-step" ? "any" : "same"));
}

export const GATE_RUNG = "gate";

function rungOf(
  making: Making,
  { drill, parts, of, isGate = false, isPiece = false }: Made,
  isSafe: boolean,
): Rung {
  const { side } = making;
  const jumps = jumpsOfDrill(drill);
  const counted = drill.kind === "streak" ? `streak ${drill.count}` : drillKey(drill);
  const id = isGate ? GATE_RUNG : drill.kind === "tempo-shadow" ? `${counted} ${drill.tempoShare}` : counted;
  const isEvidence = DRILL_ROWS[drill.kind].isEvidence;
  const isSafety = isSafe && SAFETY_KINDS.has(drill.kind) && parts.length === 0;
  const rung = { id, drill, isPart: parts.length > 0, isSafety, isAfterGate: false };
  if (parts.length > 0) {
    const about = of === undefined ? parts.flatMap((part) => sidesOfPart(making, part, jumps)) : [of];
    return { ...rung, holds: isEvidence ? "piece" : "shape", about };
  }
  if (drill.kind === "other-side") return { ...rung, holds: "whole", about: [side.other ?? side] };
  const isWhole = !isPiece && holdsSide(drill, side);
  const both = isWhole && drill.score !== undefined && side.other !== null && holdsSide(drill, side.other);
  const about = both ? [side, side.other] : [side];
  return {
    ...rung,
    holds: isWhole ? "whole" : isEvidence || drill.score !== undefined ? "piece" : "shape",
    about,
  };
}

/** The other side of it, as the same single ones. */
function otherSide({ other }: Side): readonly Made[] {
  if (other === null) return [];
  const score = other.score === null ? {} : { score: printScore(other.score) };
  return [{ drill: { kind: "other-side", count: 5, ...score }, parts: [] }];
}

/** The rungs of a side: what leads to the gate, the gate, the other side, and both by turns. O(steps · score). */
export function ladderOf(making: Making): readonly Rung[] {
  const { side } = making;
  const isSafe = needsSafety(side);
  const steps = stepsOf(making).flatMap((step) => madeOf(making, step));
  const gate: Made = { drill: gateDrillOf(side), parts: [], isGate: true };
  const made = steps.some((one) => one.isGate) ? steps : [...steps, gate];
  const rungs = [...made, ...otherSide(side)].map((one) => rungOf(making, one, isSafe));
  const distinct = rungs.filter((rung, place) => rungs.findIndex((one) => one.id === rung.id) === place);
  const atGate = distinct.findIndex((rung) => rung.id === GATE_RUNG);
  // Both sides by turns come once each side has been cleared.
  const isAfter = (rung: Rung, place: number) => place > atGate || (!rung.isPart && rung.about.length > 1);
  return [
    ...distinct.filter((rung, place) => !isAfter(rung, place)),
    ...distinct
      .filter(isAfter)
      .sort((one, other) => one.about.length - other.about.length)
      .map((rung) => ({ ...rung, isAfterGate: true })),
  ];
}

/** Where the gate stands on a ladder. */
export function gatePlace(ladder: readonly Rung[]): number {
  return ladder.findIndex((rung) => rung.id === GATE_RUNG);
}
