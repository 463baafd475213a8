/** Whether a score can be jumped: every link and beat of the expanded score. O(beats). */
import type { Hand } from "./arms.js";
import { BEAT_RULES, SLACK_MESSAGE } from "./beat-rules.js";
import type { RuleCode, RuleFault } from "./fault.js";
import { linkFault, longestRow, rowFault, type LinkFault } from "./link-rules.js";
import { expandBeats, withoutDefaults, type Beat, type Direction, type Score, type Span } from "./score.js";
import { atRest, traceBeat, type RopeState, type TracedBeat, type TracedTurn } from "./trace.js";

export interface CheckOptions {
  readonly dominant?: Hand;
  /** Whether the score must also follow itself, as in a streak. */
  readonly loop?: boolean;
}

/** A rope under way, with what the rules count: rows of wraps and releases, and hops with no turn. */
export interface CheckState {
  readonly rope: RopeState;
  /** How long the row of the turn before is; it goes on across `.` and ends at a `!`. */
  readonly row: number;
  readonly hops: number;
}

/** Standing, before the first beat. */
export function standing(direction: Direction): CheckState {
  return { rope: atRest(direction), row: 0, hops: 0 };
}

function linkFaultOf({ arms, from }: TracedTurn, row: number): LinkFault | null {
  const broken = linkFault(from, arms);
  const longest = longestRow(arms);
  return broken ?? (longest !== null && row > longest ? rowFault(arms) : null);
}

/** One beat judged out of a state: its faults, placed at `beat`, and the state that it leaves. */
export function checkBeat(
  { rope, row, hops }: CheckState,
  beat: Beat,
  dominant: Hand,
  place = 0,
): { readonly faults: readonly RuleFault[]; readonly traced: TracedBeat; readonly state: CheckState } {
  const { traced, state } = traceBeat(rope, beat, dominant);
  const { turns } = traced;
  const faults: RuleFault[] = [];
  const add = (code: RuleCode, turn: number, { from, to }: Span, message: string) =>
    faults.push({ code, beat: place, turn, from, to, message });
  let length = row;
  let { last } = rope;
  turns.forEach((turn, index) => {
    length = !turn.fromRest && last === turn.arms ? length + 1 : 1;
    last = turn.arms;
    const broken = linkFaultOf(turn, length);
    if (broken !== null) add(broken.code, index, turn.turn, broken.message);
  });
  for (const { code, broken } of BEAT_RULES) {
    const message = broken(traced);
    if (message !== null) add(code, Math.max(0, turns.length - 1), beat, message);
  }
  const slack = turns.length > 0 ? 0 : hops + 1;
  if (slack > 1 && traced.turning) add("slack", 0, beat, SLACK_MESSAGE);
  return { faults, traced, state: { rope: state, row: length, hops: slack } };
}

function checkBeats(beats: readonly Beat[], direction: Direction, dominant: Hand): RuleFault[] {
  let state = standing(direction);
  return beats.flatMap((beat, place) => {
    const next = checkBeat(state, beat, dominant, place);
    ({ state } = next);
    return next.faults;
  });
}

function checkLoop(score: Score, dominant: Hand): RuleFault[] {
  const plain = withoutDefaults(score);
  const copy = expandBeats(plain);
  const keyOf = ({ code, beat, turn }: RuleFault) => `${code} ${beat} ${turn}`;
  const seen = new Set<string>();
  return checkBeats([...copy, ...copy, ...copy], plain.direction, dominant).flatMap((fault) => {
    const { beat } = fault;
    if (beat === null) return [fault];
    const placed = { ...fault, beat: beat % copy.length };
    const key = keyOf(placed);
    // The first copy reports a beat rule of one beat once already; later copies only what is new.
    if (beat >= copy.length && seen.has(key)) return [];
    seen.add(key);
    return [placed];
  });
}

/** Every fault of a score in order of beat, turn and rule; none for a legal one. */
export function checkScore(score: Score, { dominant = "r", loop = false }: CheckOptions = {}): RuleFault[] {
  if (loop) return checkLoop(score, dominant);
  return checkBeats(expandBeats(score), score.direction, dominant);
}
