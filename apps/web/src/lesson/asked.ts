/** What is asked of a class plan, and how the page changes it: every change by hand is a pin or a ban. */
import type { LessonAsked, LessonView } from "@mirrup/contract";
import { classTimes, lengthened, type PlacePin, type PlannedStudent } from "@mirrup/core/planning";
import type { AtHand } from "./means.js";

export interface Asked extends LessonAsked {
  readonly placePins: readonly PlacePin[];
}

/** More stations never make the best plan worse, and four at one of them do only what all four may. */
const STUDENTS_A_STATION = 3;
const MOST_STATIONS_AT_FIRST = 6;

/** What the lesson was planned with; for one that was not, what suits so many students. */
export function askedOf(
  { plan, minutes, students }: LessonView,
  { coaches, helpers, ropes, floor }: AtHand,
  hardSkill: "late" | "early",
): Asked {
  if (plan !== null) {
    const placePins = students.flatMap(({ studentId, places }) =>
      places.flatMap((place, rotation) =>
        place?.pinned === true ? [{ rotation, station: place.station, student: studentId }] : [],
      ),
    );
    return { ...plan.asked, placePins };
  }
  const many = Math.ceil(students.length / STUDENTS_A_STATION);
  const stations = Math.min(MOST_STATIONS_AT_FIRST, Math.max(1, many));
  return {
    ...{ minutes, turns: null, stations, coaches, helpers, ropes, floor, hardSkill, seed: 1 },
    ...{ bans: [], stationPins: [], placePins: [], missing: [] },
  };
}

/** Fewer minutes or stations leave pins behind that have no place any more. */
export function withNumbers(
  asked: Asked,
  changes: Partial<Pick<Asked, "minutes" | "stations" | "coaches" | "helpers" | "ropes" | "floor">>,
): Asked {
  const next = { ...asked, ...changes, turns: changes.minutes === undefined ? asked.turns : null };
  const turns = classTimes(next.minutes, next.turns).turns.length;
  const isThere = (pin: { readonly rotation: number; readonly station: number }) =>
    pin.rotation < turns && pin.station < next.stations;
  return {
    ...next,
    stationPins: asked.stationPins.filter(isThere),
    placePins: asked.placePins.filter(isThere),
  };
}

export function withStudentAt(asked: Asked, pin: PlacePin): Asked {
  return { ...asked, placePins: [...letGo(asked, pin.rotation, pin.student).placePins, pin] };
}

/** Lets the plan decide again where a student is in a turn. */
export function letGo(asked: Asked, rotation: number, student: string): Asked {
  const others = asked.placePins.filter((pin) => pin.rotation !== rotation || pin.student !== student);
  return { ...asked, placePins: others };
}

/** Two students of a turn change places; unchanged where one of them is not there. */
export function swapped(
  asked: Asked,
  students: readonly PlannedStudent[],
  rotation: number,
  pair: readonly [string, string],
): Asked {
  const stationOf = (id: string) => students.find((one) => one.id === id)?.places[rotation]?.station;
  const [one, other] = pair.map(stationOf);
  if (one === undefined || other === undefined || one === other) return asked;
  const first = withStudentAt(asked, { rotation, station: other, student: pair[0] });
  return withStudentAt(first, { rotation, station: one, student: pair[1] });
}

/** Has a skill done at a station in a turn; null lets the plan choose again. */
export function withSkillAt(asked: Asked, rotation: number, station: number, subject: string | null): Asked {
  const others = asked.stationPins.filter((pin) => pin.rotation !== rotation || pin.station !== station);
  const stationPins = subject === null ? others : [...others, { rotation, station, subject }];
  return { ...asked, stationPins };
}

/** Leaves a skill out of today, or lets it in again. */
export function withBan(asked: Asked, subject: string, isBanned: boolean): Asked {
  const bans = asked.bans.filter((one) => one !== subject);
  return {
    ...asked,
    bans: isBanned ? [...bans, subject] : bans,
    stationPins: asked.stationPins.filter((pin) => !isBanned || pin.subject !== subject),
  };
}

/** A turn by so many minutes longer, which the later ones give; unchanged where they cannot. */
export function withTurn(asked: Asked, rotation: number, by: number): Asked {
  const turns = lengthened(classTimes(asked.minutes, asked.turns).turns, rotation, by);
  return turns === null ? asked : { ...asked, turns };
}
