/**
 * Where everything of a braid is drawn, in px, from a score and its timing: the two hands' cords
 * between the sides of the body, the windows in which they can move, and the feet below.
 */
import {
  expandBeats,
  POSES,
  traceBeats,
  UNDER_FEET,
  WINDOW_FROM,
  WINDOW_TO,
  type Arms,
  type Hand,
  type Pose,
  type Score,
  type Timing,
  heightOf,
} from "@mirrup/core";

/** Longer scores are drawn up to here; what follows would not be looked at in one picture. */
export const DRAWN_BEATS = 64;

export interface CordPiece {
  readonly hand: Hand;
  readonly route: Pose["l"]["route"];
  readonly path: string;
  /** Whether the cord passes over the other one here. */
  readonly over: boolean;
}

export interface WindowShade {
  readonly x: number;
  readonly width: number;
  readonly milliseconds: number;
  readonly tightest: boolean;
}

export interface TurnMark {
  readonly x: number;
  readonly arms: Arms;
  readonly caught: boolean;
  readonly underFeet: boolean;
  readonly row: number;
}

export interface BeatMark {
  readonly x: number;
  readonly landX: number;
  readonly endX: number;
  readonly turns: number;
  readonly heightMetres: number;
  readonly pass: boolean;
}

export interface BraidLayout {
  readonly width: number;
  readonly cords: readonly CordPiece[];
  readonly windows: readonly WindowShade[];
  readonly turns: readonly TurnMark[];
  readonly beats: readonly BeatMark[];
  /** The x of an instant, seconds from the first take-off. */
  readonly xAt: (seconds: number) => number;
  readonly seconds: number;
  readonly cut: boolean;
}

export const BRAID = {
  left: 78,
  right: 158,
  top: 56,
  ground: 262,
  height: 302,
  margin: 92,
  tallest: 74,
} as const;

const LEAST_SCALE = 190;
const MOST_SCALE = 440;
const TAIL = 28;
const LEAD_SECONDS = 0.14;
const APART = 4;
const CAPTION_ROWS = 3;

interface Stop {
  readonly at: number;
  readonly arms: Arms;
}

function laneOf(hand: Hand, arms: Arms): number {
  const lane = POSES[arms][hand].side === "l" ? BRAID.left : BRAID.right;
  return lane + (hand === "l" ? -APART : APART);
}

/** The arm that passes over the other between two turns: a cross's top arm, else the one in front. */
function overHand(from: Arms, to: Arms): Hand {
  for (const arms of [to, from]) {
    if (arms === "xl" || arms === "xr") return arms === "xl" ? "l" : "r";
    const { l, r } = POSES[arms];
    if (l.route !== "front" && r.route === "front") return "r";
    if (r.route !== "front" && l.route === "front") return "l";
  }
  return "r";
}

function piecesBetween(from: Stop, to: Stop, xAt: (seconds: number) => number): CordPiece[] {
  const span = to.at - from.at;
  const [x0, x1] = [xAt(from.at), xAt(to.at)];
  const [m0, m1] = [xAt(from.at + WINDOW_FROM * span), xAt(from.at + WINDOW_TO * span)];
  const over = overHand(from.arms, to.arms);
  const piece = (hand: Hand): CordPiece[] => {
    const [y0, y1] = [laneOf(hand, from.arms), laneOf(hand, to.arms)];
    const [before, after] = [POSES[from.arms][hand].route, POSES[to.arms][hand].route];
    const middle = (m0 + m1) / 2;
    const moving = after === "front" ? before : after;
    return [
      { hand, over: false, route: before, path: `M${x0} ${y0} H${m0}` },
      {
        hand,
        over: hand === over && y0 !== y1,
        route: moving,
        path: `M${m0} ${y0} C${middle} ${y0} ${middle} ${y1} ${m1} ${y1}`,
      },
      { hand, over: false, route: after, path: `M${m1} ${y1} H${x1}` },
    ];
  };
  const [left, right] = [piece("l"), piece("r")];
  return over === "l" ? [...right, ...left] : [...left, ...right];
}

/** Lays out a braid about `available` px wide; a long score is wider and is scrolled. O(turns). */
export function braidLayout(score: Score, timing: Timing, dominant: Hand, available: number): BraidLayout {
  const all = expandBeats(score);
  const traced = traceBeats(all.slice(0, DRAWN_BEATS), score.direction, dominant).beats;
  const timings = timing.beats.slice(0, traced.length);
  const last = timings.at(-1);
  const seconds = last === undefined ? 0 : last.start + last.cycle;
  const room = (available - BRAID.margin - TAIL) / (seconds + LEAD_SECONDS);
  const scale = Math.min(MOST_SCALE, Math.max(LEAST_SCALE, room));
  const xAt = (at: number) => BRAID.margin + (at + LEAD_SECONDS) * scale;

  const stops: Stop[] = [{ at: -LEAD_SECONDS, arms: "o" }];
  const turns: TurnMark[] = [];
  traced.forEach((beat, index) => {
    beat.turns.forEach(({ arms, turn }, place) => {
      const at = timings[index]?.bottoms[place] ?? 0;
      stops.push({ at, arms });
      const underFeet = UNDER_FEET[arms] && !turn.caught;
      turns.push({ x: xAt(at), arms, caught: turn.caught, underFeet, row: turns.length % CAPTION_ROWS });
    });
  });
  stops.push({ at: seconds, arms: stops.at(-1)?.arms ?? "o" });

  const windows = timing.links.flatMap(({ from, to, cost, window }, index): WindowShade[] => {
    const start = timings[from.beat]?.bottoms[from.turn];
    const end = timings[to.beat]?.bottoms[to.turn];
    if (cost === 0 || start === undefined || end === undefined) return [];
    const x = xAt(start + WINDOW_FROM * (end - start));
    const width = xAt(start + WINDOW_TO * (end - start)) - x;
    return [{ x, width, milliseconds: window * 1000, tightest: index === timing.tightest }];
  });
  const beats = timings.map(({ start, airtime, cycle }, index): BeatMark => {
    const beat = traced[index];
    return {
      x: xAt(start),
      landX: xAt(start + airtime),
      endX: xAt(start + cycle),
      turns: beat?.turns.length ?? 0,
      heightMetres: heightOf(airtime),
      pass: beat?.turns.some(({ arms, turn }) => UNDER_FEET[arms] && !turn.caught) ?? false,
    };
  });
  return {
    width: Math.max(available, xAt(seconds) + TAIL),
    cords: stops.slice(1).flatMap((stop, index) => piecesBetween(stops[index] ?? stop, stop, xAt)),
    windows,
    turns,
    beats,
    xAt,
    seconds,
    cut: all.length > DRAWN_BEATS,
  };
}
