/**
 * Where the rope is in its circle at any time. The angle is 0 under the feet and grows as a forward
 * rope turns: behind, over the head, ahead. It is told about an axis that stays as the jumper turns,
 * so that a half turn leaves the rope as it ran. Between two bottoms it runs smoothly and never back,
 * but for a rope that is brought out on its other side.
 */
import { cellOf } from "../grid.js";
import { isRelease, type Arms } from "../rope/arms.js";
import { turnsBody } from "../rope/feet.js";
import type { Timing } from "../rope/timing.js";
import type { TracedBeat } from "../rope/trace.js";

/** What is known of the rope and the hands at one time. */
export interface TurningKey {
  /** Seconds from the first take-off. */
  readonly at: number;
  readonly angle: number;
  /** Radians a second. */
  readonly speed: number;
  readonly arms: Arms;
  /** 1 where the rope runs as a forward one does at the start, −1 against it. */
  readonly sense: number;
}

const CIRCLE = 2 * Math.PI;
/** Lying behind the heels before it is turned. */
const AT_REST = 0.22;
/** Stopped under the toes. */
const AT_TOES = 0.17;
/** Its handle let go, the rope lies ahead. */
const LYING_AHEAD = 1.05;
const LEAST_LEAD = 0.55;
const SHORT = 0.3;

interface Draft {
  readonly at: number;
  readonly angle: number;
  readonly arms: Arms;
  readonly sense: number;
  /** Whether it stands still here. */
  readonly still: boolean;
  /** Whether it comes here the other way than it went. */
  readonly reversed: boolean;
}

function secant(from: Draft, to: Draft): number {
  return (to.angle - from.angle) / (to.at - from.at);
}

/** The speed at a key: the harmonic mean of both sides', which never runs over (Fritsch and Carlson). */
function speedAt(before: Draft | undefined, key: Draft, after: Draft | undefined): number {
  if (key.still) return 0;
  const into = before === undefined || key.reversed ? null : secant(before, key);
  const out = after === undefined || after.reversed ? null : secant(key, after);
  if (into !== null && out !== null) return into * out <= 0 ? 0 : (2 * into * out) / (into + out);
  const [one = 0] = [into, out].filter((speed) => speed !== null);
  return one;
}

/** The keys of a traced and timed score, from before its first take-off to after its last landing. O(turns). */
export function turningKeys(beats: readonly TracedBeat[], timing: Timing): readonly TurningKey[] {
  const start = beats[0]?.direction === "backward" ? -1 : 1;
  const lead = Math.max(LEAST_LEAD, ...timing.beats.slice(0, 1).map(({ cycle }) => cycle));
  const drafts: Draft[] = [
    { at: -lead, angle: start * AT_REST, arms: "o", sense: start, still: true, reversed: false },
  ];
  let bottom = 0;
  let facing = 1;
  let pending = false;
  beats.forEach((beat, place) => {
    const { bottoms } = cellOf(timing.beats, place);
    beat.turns.forEach(({ arms, turn, direction }, index) => {
      const before = cellOf(drafts, drafts.length - 1);
      const at = cellOf(bottoms, index);
      const sense = facing * (direction === "forward" ? 1 : -1);
      const isRest = before.still && drafts.length > 1;
      // It lies still until its turn comes, the hands open.
      const waits = Math.max((before.at + at) / 2, at - cellOf(timing.beats, place).cycle);
      const staysAway = pending && isRelease(arms);
      if (isRest && !staysAway && (before.arms !== "o" || waits > before.at + SHORT))
        drafts.push({ ...before, at: waits, arms: "o", sense });
      const reversed = !isRest && sense !== before.sense;
      // A rope that is brought out on its other side comes back to where it was; one that lies ahead goes on from there.
      if (!reversed && !pending) bottom += sense * CIRCLE;
      pending = isRelease(arms);
      const short = pending ? LYING_AHEAD : turn.caught ? AT_TOES : 0;
      drafts.push({
        at,
        angle: bottom - sense * short,
        arms,
        sense,
        still: turn.caught || pending,
        reversed,
      });
    });
    if (beat.beat.gestures.some(turnsBody)) facing = -facing;
  });
  const last = cellOf(drafts, drafts.length - 1);
  const end = Math.max(timing.duration, last.at) + lead;
  const whole = drafts.length > 1 && !last.still ? cellOf(drafts, drafts.length - 2) : null;
  const speed = whole === null ? 0 : (last.sense * CIRCLE) / Math.max(0.1, last.at - whole.at);
  drafts.push({ ...last, at: end, angle: last.angle + speed * (end - last.at), reversed: false });
  return drafts.map((key, place) => ({
    ...{ at: key.at, angle: key.angle, arms: key.arms, sense: key.sense },
    speed: speedAt(drafts[place - 1], key, drafts[place + 1]),
  }));
}

export interface Turning {
  readonly angle: number;
  readonly speed: number;
  readonly sense: number;
  readonly from: TurningKey;
  readonly to: TurningKey;
  /** 0 to 1 between both. */
  readonly share: number;
}

/** The place of the last of the sorted `times` that is not after `at`; 0 before the first. */
export function lastBefore(times: readonly number[], at: number): number {
  let [low, high] = [0, times.length];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (cellOf(times, middle) <= at) low = middle;
    else high = middle;
  }
  return low;
}

/** The rope's angle at a time, by a cubic between the keys around it. O(log turns). */
export function turningAt(keys: readonly TurningKey[], times: readonly number[], at: number): Turning {
  const place = Math.min(lastBefore(times, at), Math.max(0, keys.length - 2));
  const from = cellOf(keys, place);
  const to = keys[place + 1] ?? from;
  const span = to.at - from.at;
  const share = span <= 0 ? 0 : Math.min(1, Math.max(0, (at - from.at) / span));
  const [s, t] = [share, 1 - share];
  const angle =
    (1 + 2 * s) * t * t * from.angle +
    s * t * t * span * from.speed +
    s * s * (3 - 2 * s) * to.angle -
    s * s * t * span * to.speed;
  const speed =
    span <= 0
      ? 0
      : (6 * s * t * (to.angle - from.angle)) / span +
        t * (1 - 3 * s) * from.speed +
        s * (3 * s - 2) * to.speed;
  return { angle, speed, sense: from.sense + (to.sense - from.sense) * share, from, to, share };
}
