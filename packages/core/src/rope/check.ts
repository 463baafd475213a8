/** Whether a score can be jumped: every link and beat of the expanded score. O(beats). */
import type { Arms, Hand } from "./arms.js";
import { BEAT_RULES, SLACK_MESSAGE } from "./beat-rules.js";
import type { RuleCode, RuleFault } from "./fault.js";
import { linkFault, longestRow, rowFault, type LinkFault } from "./link-rules.js";
import { expandBeats, withoutDefaults, type Score, type Span } from "./score.js";
import { traceBeats, type TracedBeat, type TracedTurn } from "./trace.js";

export interface CheckOptions {
  readonly dominant?: Hand;
  /** Whether the score must also follow itself, as in a streak. */
  readonly loop?: boolean;
}

/** Follows rows of wraps and releases, which go on across `.` and end at a `!`. */
class Rows {
  private arms: Arms | null = null;
  private length = 0;

  fault({ arms, from, fromRest }: TracedTurn): LinkFault | null {
    this.length = !fromRest && this.arms === arms ? this.length + 1 : 1;
    this.arms = arms;
    const broken = linkFault(from, arms);
    const longest = longestRow(arms);
    return broken ?? (longest !== null && this.length > longest ? rowFault(arms) : null);
  }
}

function checkBeats(beats: readonly TracedBeat[]): RuleFault[] {
  const faults: RuleFault[] = [];
  const rows = new Rows();
  let hops = 0;
  beats.forEach((traced, beat) => {
    const { turns } = traced;
    const add = (code: RuleCode, turn: number, { from, to }: Span, message: string) =>
      faults.push({ code, beat, turn, from, to, message });
    turns.forEach((turn, index) => {
      const broken = rows.fault(turn);
      if (broken !== null) add(broken.code, index, turn.turn, broken.message);
    });
    const last = Math.max(0, turns.length - 1);
    for (const { code, broken } of BEAT_RULES) {
      const message = broken(traced);
      if (message !== null) add(code, last, traced.beat, message);
    }
    hops = turns.length > 0 ? 0 : hops + 1;
    if (hops > 1 && traced.turning) add("slack", 0, traced.beat, SLACK_MESSAGE);
  });
  return faults;
}

function checkLoop(score: Score, dominant: Hand): RuleFault[] {
  const plain = withoutDefaults(score);
  const copy = expandBeats(plain);
  const trace = traceBeats([...copy, ...copy, ...copy], plain.direction, dominant);
  const keyOf = ({ code, beat, turn }: RuleFault) => `${code} ${beat} ${turn}`;
  const seen = new Set<string>();
  return checkBeats(trace.beats).flatMap((fault) => {
    const placed = { ...fault, beat: (fault.beat ?? 0) % copy.length };
    const key = keyOf(placed);
    // The first copy reports a beat rule of one beat once already; later copies only what is new.
    if ((fault.beat ?? 0) >= copy.length && seen.has(key)) return [];
    seen.add(key);
    return [placed];
  });
}

/** Every fault of a score in order of beat, turn and rule; none for a legal one. */
export function checkScore(score: Score, { dominant = "r", loop = false }: CheckOptions = {}): RuleFault[] {
  if (loop) return checkLoop(score, dominant);
  return checkBeats(traceBeats(expandBeats(score), score.direction, dominant).beats);
}
