/**
 * A combo judged as it grows: what is wrong inside a part, and what is wrong only because of what
 * stands before it. The rules are the rope's; nothing of legality is decided here. O(beats).
 */
import { checkBeat, checkScore, standing, type CheckState } from "../rope/check.js";
import type { Arms, Hand } from "../rope/arms.js";
import type { RuleFault } from "../rope/fault.js";
import { expandBeats, LIMITS, type Score } from "../rope/score.js";
import { joinScores } from "../rope/join.js";
import { traceBeats } from "../rope/trace.js";
import { comboScore, repeatedScore, type ComboPart } from "./part.js";

/** Entering a front-back cross straight from a side swing, while it is not cleared. */
export interface SidewaysEntry {
  readonly code: "sideways-entry";
  readonly beat: number;
}

export interface JudgedPart {
  /** The first of its beats in the combo, and how many it has. */
  readonly from: number;
  readonly beats: number;
  /** What is wrong with the part by itself; beats count in the combo. */
  readonly inside: readonly RuleFault[];
  /** What is wrong with what it follows. */
  readonly join: readonly RuleFault[];
  /** The classic mistake of a front-back cross: legal, and not for whoever learns it. */
  readonly sideways: readonly SidewaysEntry[];
}

export interface JudgedCombo {
  /** Null for no parts. */
  readonly score: Score | null;
  readonly parts: readonly JudgedPart[];
  readonly isLegal: boolean;
}

export interface JudgeOptions {
  readonly dominant?: Hand;
  /** Front-back crosses that may be entered straight from a side swing; all where it is left out. */
  readonly sideways?: ReadonlySet<Arms>;
}

/** Whether a link goes straight from a side swing into a front-back cross that is not cleared. */
export function isSideways(from: Arms, to: Arms, cleared: ReadonlySet<Arms> | undefined): boolean {
  const isEntry = (from === "sl" || from === "sr") && (to === "bl" || to === "br");
  return isEntry && cleared !== undefined && !cleared.has(to);
}

/** The state after some parts, whatever is wrong with them. */
export function stateAfter(parts: readonly ComboPart[], dominant: Hand): CheckState {
  const score = comboScore(parts);
  let state = standing(score?.direction ?? "forward");
  if (score !== null) for (const beat of expandBeats(score)) ({ state } = checkBeat(state, beat, dominant));
  return state;
}

/** Throws a `RangeError` past 4,096 beats. */
export function judgeCombo(
  parts: readonly ComboPart[],
  { dominant = "r", sideways }: JudgeOptions = {},
): JudgedCombo {
  const score = comboScore(parts);
  if (score === null) return { score: null, parts: [], isLegal: true };
  const scores = parts.map(repeatedScore);
  const beats = expandBeats(score);
  if (beats.length > LIMITS.beats) {
    throw new RangeError(
      `The combo would have ${beats.length} counts; at most ${LIMITS.beats} are possible. Take some parts out.`,
    );
  }
  const faults = [...joinScores(scores).faults, ...checkScore(score, { dominant })];
  const traced = traceBeats(beats, score.direction, dominant).beats;
  let from = 0;
  const judged = parts.map((part, place): JudgedPart => {
    const own = scores[place] ?? score;
    const count = expandBeats(own).length;
    const start = from;
    from += count;
    const alone = new Set(
      checkScore(own, { dominant }).flatMap(({ code, beat, turn }) =>
        beat === null ? [] : `${code} ${beat + start} ${turn}`,
      ),
    );
    const here = faults.filter(({ beat }) => beat !== null && beat >= start && beat < from);
    const isAlone = ({ code, beat, turn }: RuleFault) => alone.has(`${code} ${beat} ${turn}`);
    const entries = traced
      .slice(start, from)
      .flatMap(({ turns }, index): SidewaysEntry[] =>
        turns.some((turn) => isSideways(turn.from, turn.arms, sideways))
          ? [{ code: "sideways-entry", beat: start + index }]
          : [],
      );
    return {
      from: start,
      beats: count,
      inside: here.filter(isAlone),
      join: here.filter((fault) => !isAlone(fault)),
      sideways: entries,
    };
  });
  return { score, parts: judged, isLegal: faults.length === 0 };
}

/** How much is wrong with a combo: faults, and entries that its student should not take yet. */
export function faultCount({ parts }: JudgedCombo): number {
  return parts.reduce((sum, one) => sum + one.inside.length + one.join.length + one.sideways.length, 0);
}
