/** A plan as the pages show it: by turn and station, whether it was just planned or read from the server. */
import type { LessonStudent, PlannedPlaces, LessonView } from "@mirrup/contract";
import {
  pairsOf,
  type Place,
  type PlacePin,
  type PlannedStudent,
  type Rotation,
} from "@mirrup/core/planning";

export interface ShownPlan {
  readonly warmUpMinutes: number;
  readonly closeMinutes: number;
  readonly rotations: readonly Rotation[];
  readonly students: readonly PlannedStudent[];
}

export interface AtPlace {
  readonly id: string;
  readonly place: Place;
}

/** The plan that the server keeps; null for a lesson that nobody planned. */
export function shownOf({ plan, students }: LessonView): ShownPlan | null {
  if (plan === null) return null;
  const { warmUpMinutes, closeMinutes, rotations } = plan;
  const placed = students.map(({ studentId, places }) => ({ id: studentId, places }));
  return { warmUpMinutes, closeMinutes, rotations, students: placed };
}

/** Who is at a station in a turn. */
export function atStation(
  { students }: Pick<ShownPlan, "students">,
  turn: number,
  station: number,
): readonly AtPlace[] {
  return students.flatMap(({ id, places }) => {
    const place = places[turn];
    return place?.station === station ? [{ id, place }] : [];
  });
}

/** The same in pairs, one jumping while the other counts. */
export function pairsAt(
  plan: Pick<ShownPlan, "students">,
  turn: number,
  station: number,
): readonly (readonly AtPlace[])[] {
  // By id, so that the same two are a pair wherever the plan was read from.
  const here = [...atStation(plan, turn, station)].sort((one, other) => (one.id < other.id ? -1 : 1));
  const byId = new Map(here.map((one) => [one.id, one]));
  const pairs = pairsOf(here.map(({ id, place }) => ({ id, use: place.use })));
  return pairs.map((pair) => pair.flatMap((id) => byId.get(id) ?? []));
}

export type LessonStep =
  | { readonly kind: "warm-up" | "close"; readonly minutes: number; readonly from: number }
  | { readonly kind: "turn"; readonly turn: number; readonly minutes: number; readonly from: number };

/** The steps of a lesson in order, each with its minutes and when it begins, minutes into the lesson. */
export function stepsOf({
  warmUpMinutes,
  rotations,
  closeMinutes,
}: Omit<ShownPlan, "students">): readonly LessonStep[] {
  let from = 0;
  const begin = (minutes: number) => {
    const started = from;
    from += minutes;
    return { minutes, from: started };
  };
  return [
    { kind: "warm-up", ...begin(warmUpMinutes) },
    ...rotations.map(({ minutes }, turn): LessonStep => ({ kind: "turn", turn, ...begin(minutes) })),
    { kind: "close", ...begin(closeMinutes) },
  ];
}

/** `17:42` so many minutes after `17:30`; minutes alone where no hour is set. */
export function clockWords(startTime: string | null, minutes: number): string {
  if (startTime === null) return `${Math.floor(minutes)} min`;
  const [hours = 0, start = 0] = startTime.split(":").map(Number);
  const all = (hours * 60 + start + Math.floor(minutes)) % (24 * 60);
  return `${String(Math.floor(all / 60)).padStart(2, "0")}:${String(all % 60).padStart(2, "0")}`;
}

/**
 * Everybody of the lesson with the places that a plan gives them, and what was put there by hand. Who
 * left keeps the places of the turns that had begun.
 */
export function keptStudents(
  before: readonly LessonStudent[],
  planned: readonly PlannedStudent[],
  pins: readonly PlacePin[],
  begun = 0,
): readonly PlannedPlaces[] {
  const placesOf = new Map(planned.map((one) => [one.id, one.places]));
  return before.map((student) => {
    const places = placesOf.get(student.studentId) ?? student.places.slice(0, begun);
    const isPinned = (rotation: number, station: number) =>
      pins.some(
        (pin) => pin.student === student.studentId && pin.rotation === rotation && pin.station === station,
      );
    return {
      studentId: student.studentId,
      places: places.map((place, rotation) =>
        place === null ? null : { ...place, pinned: isPinned(rotation, place.station) },
      ),
    };
  });
}
