/** Who goes where in a lesson, and the coaches' way through it, as lines over its turns. Pure; lengths in px. */
import type { CoachWay } from "@mirrup/core/planning";
import type { ShownPlan } from "./shown.js";

export const PICTURE = {
  /** Room for names before the first turn. */
  names: 150,
  turn: 140,
  /** Of a turn's width: where everybody is at their station; the rest is the way to the next. */
  stays: 0.72,
  /** From one line to the next. */
  line: 16,
  /** Room for a skill's name above the lines of a station, and for the coach below them. */
  head: 20,
  coach: 16,
} as const;

export interface Spot {
  readonly turn: number;
  readonly station: number;
  readonly y: number;
}

export interface Band {
  readonly station: number;
  readonly top: number;
  readonly height: number;
}

export interface TurnsPicture {
  readonly width: number;
  readonly height: number;
  readonly bands: readonly Band[];
  /** Everybody's spots, in the order of the turns; who is away in one has none in it. */
  readonly lines: readonly { readonly id: string; readonly spots: readonly Spot[]; readonly path: string }[];
  /** A path for each coach. */
  readonly coaches: readonly string[];
}

const xOf = (turn: number, share = 0) => PICTURE.names + PICTURE.turn * (turn + share * PICTURE.stays);

/** Straight while somebody stays, a bend on the way to the next. */
function pathOf(points: readonly (readonly [from: number, to: number, y: number])[]): string {
  return points
    .map(([from, to, y], place) => {
      const before = points[place - 1];
      if (before === undefined) return `M${from} ${y}H${to}`;
      const middle = (before[1] + from) / 2;
      return `C${middle} ${before[2]} ${middle} ${y} ${from} ${y}H${to}`;
    })
    .join("");
}

function bandsOf({ rotations, students }: ShownPlan): readonly Band[] {
  const stations = Math.max(0, ...rotations.map((one) => one.stations.length));
  let top = 0;
  return Array.from({ length: stations }, (_, station) => {
    const most = Math.max(
      1,
      ...rotations.map(
        (_one, turn) => students.filter(({ places }) => places[turn]?.station === station).length,
      ),
    );
    const height = PICTURE.head + PICTURE.line * most + PICTURE.coach;
    const band = { station, top, height };
    top += height;
    return band;
  });
}

/**
 * The picture of a plan. At a station those stand in the order in which they came, so that lines cross only where
 * people do.
 */
export function turnsPicture(plan: ShownPlan, way: CoachWay): TurnsPicture {
  const { rotations, students } = plan;
  const bands = bandsOf(plan);
  const topOf = (station: number) => bands[station]?.top ?? 0;
  const lastY = new Map(students.map(({ id }, place) => [id, place]));
  const spots = new Map<string, Spot[]>(students.map(({ id }) => [id, []]));
  for (const turn of rotations.keys()) {
    for (const { station, top } of bands) {
      students
        .filter(({ places }) => places[turn]?.station === station)
        .sort((one, other) => (lastY.get(one.id) ?? 0) - (lastY.get(other.id) ?? 0))
        .forEach(({ id }, place) => {
          const y = top + PICTURE.head + PICTURE.line * (place + 0.5);
          spots.get(id)?.push({ turn, station, y });
        });
    }
    for (const [id, own] of spots) {
      const last = own.at(-1);
      if (last?.turn === turn) lastY.set(id, last.y);
    }
  }
  const coaches = Math.max(-1, ...way.turns.flat().map(({ coach }) => coach)) + 1;
  return {
    width: PICTURE.names + PICTURE.turn * rotations.length,
    height: bands.reduce((sum, { height }) => sum + height, 0),
    bands,
    lines: students.map(({ id }) => {
      const own = spots.get(id) ?? [];
      return { id, spots: own, path: pathOf(own.map(({ turn, y }) => [xOf(turn), xOf(turn, 1), y])) };
    }),
    coaches: Array.from({ length: coaches }, (_, coach) =>
      pathOf(
        way.turns.flatMap((looks, turn) => {
          const minutes = Math.max(1, rotations[turn]?.minutes ?? 1);
          return looks
            .filter((look) => look.coach === coach)
            .map(({ station, from, minutes: stay }) => {
              const y = topOf(station) + (bands[station]?.height ?? 0) - PICTURE.coach / 2;
              return [xOf(turn, from / minutes), xOf(turn, (from + stay) / minutes), y] as const;
            });
        }),
      ),
    ),
  };
}
