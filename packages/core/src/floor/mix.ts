/**
 * A mix to be called out (drills.md, Programmes): of what somebody has cleared, each move for so many counts, legal at
 * every join; a call that is not legal after what runs gets a bounce before.
 */
import { between, randomFrom, type Random } from "../random.js";
import { checkScore } from "../rope/check.js";
import { joinScores } from "../rope/join.js";
import { expandBeats, type Score } from "../rope/score.js";

export interface MixMove {
  readonly name: string;
  readonly score: Score;
}

export interface MixCall {
  readonly move: MixMove;
  /** Of its counts, all that is jumped, the bounce before it too. */
  readonly score: Score;
  /** Whether a bounce had to come before it. */
  readonly isBridged: boolean;
}

export interface Mix {
  readonly calls: readonly MixCall[];
  /** What cannot be jumped over and over, nor with a bounce between. */
  readonly leftOut: readonly MixMove[];
}

export interface MixAsked {
  readonly calls: number;
  /** Counts of each. */
  readonly every: number;
  readonly seed: number;
  readonly bounce: Score;
}

const MOST_TRIES = 8;

function joined(scores: readonly Score[]): Score | null {
  const { score, faults } = joinScores(scores);
  return faults.length === 0 && checkScore(score).length === 0 ? score : null;
}

const times = <T>(count: number, one: T): readonly T[] => new Array<T>(count).fill(one);

/** A move for so many counts: as often as it goes, with bounces between where it must be, and bounces to the end. */
function filled({ score }: MixMove, counts: number, bounce: Score): Score | null {
  const beats = expandBeats(score).length;
  const most = Math.floor(counts / beats);
  const close = most === 0 ? null : joined([...times(most, score), ...times(counts - most * beats, bounce)]);
  if (close !== null) return close;
  const apart = Math.floor(counts / (beats + 1));
  if (apart === 0) return null;
  const pairs = times(apart, [score, bounce]).flat();
  return joined([...pairs, ...times(counts - apart * (beats + 1), bounce)]);
}

function shuffled<T>(list: readonly T[], random: Random): readonly T[] {
  const all = [...list];
  for (let last = all.length - 1; last > 0; last -= 1) {
    const other = between(random, 0, last);
    const [one, two] = [all[last], all[other]];
    if (one !== undefined && two !== undefined) [all[last], all[other]] = [two, one];
  }
  return all;
}

/** So many calls, every move as often as the others, none twice running where there is another. */
export function mixOf(moves: readonly MixMove[], { calls, every, seed, bounce }: MixAsked): Mix {
  const random = randomFrom(seed);
  const isPlayable = (move: MixMove) => {
    const shorter = filled(move, every - 1, bounce);
    return (
      shorter !== null && joined([bounce, shorter, bounce]) !== null && filled(move, every, bounce) !== null
    );
  };
  const playable = moves.filter(isPlayable);
  const leftOut = moves.filter((move) => !playable.includes(move));
  const made: MixCall[] = [];
  let waiting: readonly MixMove[] = [];
  // So many tries at most: what nothing may follow leads nowhere.
  for (let tries = 0; made.length < calls && playable.length > 0 && tries < MOST_TRIES * calls; tries += 1) {
    if (waiting.length === 0) waiting = shuffled(playable, random);
    const before = made.at(-1);
    const next = waiting.find((move) => move !== before?.move) ?? waiting[0];
    if (next === undefined) break;
    waiting = waiting.filter((move) => move !== next);
    const close = filled(next, every, bounce);
    const isLegal = close !== null && (before === undefined || joined([before.score, close]) !== null);
    const bridged = filled(next, every - 1, bounce);
    const score = isLegal ? close : bridged === null ? null : joined([bounce, bridged]);
    // What ends so that not even a bounce may follow ends the mix with itself.
    if (score === null || (before !== undefined && joined([before.score, score]) === null)) continue;
    made.push({ move: next, score, isBridged: !isLegal });
  }
  return { calls: made, leftOut };
}
