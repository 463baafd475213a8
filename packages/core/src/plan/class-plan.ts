/**
 * What a class does in these minutes: warm-up together, turns at stations, a close together. Who is where
 * is searched (`class-search`) for the most useful minutes over all students: nobody idle, nobody at a
 * locked skill, no more at a station than its clear circles hold, a coach where it can hurt or is hard.
 */
import { classBound, sameForAll } from "./class-bound.js";
import type { ClassOption, ClassUse, Watch } from "./class-option.js";
import { searchClass } from "./class-search.js";
import { ClassTable } from "./class-table.js";
import { classTimes } from "./class-times.js";
import { circlesThatFit, clearRadius, type Floor } from "./space.js";
import { CLASS_LIMITS } from "./weights.js";
import type { Side } from "../sides.js";
import type { Drill } from "../practice/drill.js";
import type { NextReason } from "../practice/next.js";

export interface ClassStudent {
  readonly id: string;
  readonly options: readonly ClassOption[];
  readonly heightMm: number | null;
  /** Landings and multiples that today may still come to; null where nothing is judged. */
  readonly landingsLeft: number | null;
  readonly multiplesLeft: number | null;
  /** The turns that this one is here for, from 0; who comes late or leaves early misses some. */
  readonly from?: number;
  readonly until?: number;
}

/** A student who is to be at a station in a turn, or a skill that is to be done there; turns and stations from 0. */
export interface PlacePin {
  readonly rotation: number;
  readonly station: number;
  readonly student: string;
}
export interface StationPin {
  readonly rotation: number;
  readonly station: number;
  readonly subject: string;
}

export interface ClassAsked {
  readonly minutes: number;
  /** Minutes of each turn; null where they are shared out evenly. */
  readonly turns: readonly number[] | null;
  readonly stations: number;
  readonly coaches: number;
  readonly helpers: number;
  /** Null where the floor has not been measured: its room is then not judged. */
  readonly floor: Floor | null;
  readonly hardSkill: "late" | "early";
  /** Skills that are not done today. */
  readonly bans: readonly string[];
  readonly stationPins: readonly StationPin[];
  readonly placePins: readonly PlacePin[];
  readonly seed: number;
}

/** Turns that were done, or are to stay as they are; the search fills what comes after them. */
export interface ClassBefore {
  readonly rotations: readonly Rotation[];
  readonly students: readonly PlannedStudent[];
}

export interface Station {
  /** Null for a station that stays empty in this turn. */
  readonly subject: string | null;
  readonly watchedBy: Watch;
}

export interface Rotation {
  readonly minutes: number;
  readonly stations: readonly Station[];
}

/** What a student does in one turn. */
export interface Place {
  readonly station: number;
  readonly side: Side;
  readonly use: ClassUse;
  readonly drill: Drill;
  readonly aim: number | null;
  readonly chance: number | null;
  readonly reason: NextReason | null;
}

export interface PlannedStudent {
  readonly id: string;
  /** One for each turn; null where the student is not there. */
  readonly places: readonly (Place | null)[];
}

export type ClassFault =
  | { readonly code: "no-minutes" | "no-students" | "no-stations" }
  | { readonly code: "too-many-students"; readonly most: number }
  /** The floor holds so many who take turns in pairs. */
  | { readonly code: "floor-too-small"; readonly holds: number }
  /** Somebody may do nothing that is left. */
  | { readonly code: "nothing-open"; readonly students: readonly string[] }
  /** A skill that is locked, ruled out or banned for somebody who was to do it. */
  | { readonly code: "pin-refused"; readonly pin: PlacePin }
  /** Not everywhere a coach is asked for is there one. */
  | { readonly code: "coach-missing"; readonly rotation: number }
  | { readonly code: "over-load"; readonly students: readonly string[] };

export interface ClassPlan {
  readonly warmUpMinutes: number;
  readonly closeMinutes: number;
  readonly rotations: readonly Rotation[];
  readonly students: readonly PlannedStudent[];
  /** Jumpers at once at one station; null where the floor was not given. */
  readonly room: number | null;
  /** Minutes at stations, over all students. */
  readonly minutes: number;
  /** Of these, what counts; the same for one drill for everybody at a time; and the most that any plan could have. */
  readonly useful: number;
  readonly sameForAll: number;
  readonly most: number;
  readonly faults: readonly ClassFault[];
}

const EMPTY: Omit<ClassPlan, "faults"> = {
  warmUpMinutes: 0,
  closeMinutes: 0,
  rotations: [],
  students: [],
  room: null,
  minutes: 0,
  useful: 0,
  sameForAll: 0,
  most: 0,
};

/** The most stations, up to those asked for, at which everybody has room; jumpers at once at each. */
function roomFor(
  { floor, stations }: ClassAsked,
  students: readonly ClassStudent[],
): { readonly stations: number; readonly room: number | null } {
  if (floor === null) return { stations, room: null };
  const radius = Math.max(...students.map((one) => clearRadius(one.heightMm)));
  const circles = circlesThatFit(floor, radius);
  for (let count = Math.min(stations, circles); count > 0; count -= 1) {
    const room = Math.floor(circles / count);
    if (2 * room * count >= students.length) return { stations: count, room };
  }
  return { stations: 0, room: circles };
}

function refusal(asked: ClassAsked, students: readonly ClassStudent[]): ClassFault | null {
  if (classTimes(asked.minutes, asked.turns).turns.length === 0) return { code: "no-minutes" };
  if (students.length === 0) return { code: "no-students" };
  if (asked.stations < 1) return { code: "no-stations" };
  if (students.length > CLASS_LIMITS.students) {
    return { code: "too-many-students", most: CLASS_LIMITS.students };
  }
  return null;
}

export type ClassProgress = (share: number, best: ClassPlan) => void;

/**
 * The best plan found; without blocks and with the reason where there can be none. `before` keeps its
 * turns as they are, and the search fills those after them. The same for the same question and seed.
 */
export function planClass(
  asked: ClassAsked,
  students: readonly ClassStudent[],
  before: ClassBefore = { rotations: [], students: [] },
  onProgress: ClassProgress = () => undefined,
): ClassPlan {
  const refused = refusal(asked, students);
  if (refused !== null) return { ...EMPTY, faults: [refused] };
  const fit = roomFor(asked, students);
  if (fit.stations === 0) {
    return { ...EMPTY, faults: [{ code: "floor-too-small", holds: 2 * (fit.room ?? 0) }] };
  }
  const bans = new Set(asked.bans);
  const allowed = students.map((one) => ({
    ...one,
    options: one.options.filter((option) => !bans.has(option.subject)),
  }));
  const idle = allowed.filter((one) => one.options.length === 0).map((one) => one.id);
  const able = allowed.filter((one) => one.options.length > 0);
  const idleFault: readonly ClassFault[] =
    idle.length === 0 ? [] : [{ code: "nothing-open", students: idle }];
  if (able.length === 0) return { ...EMPTY, faults: idleFault };
  const { warmUp, turns, close } = classTimes(asked.minutes, asked.turns);
  const kept = before.rotations.slice(0, CLASS_LIMITS.rotations);
  const minutes = [...kept.map((one) => one.minutes), ...turns.slice(kept.length)];
  const table = new ClassTable({ asked, students: able, minutes, before, ...fit });
  const measures = { sameForAll: sameForAll(table), most: classBound(table) };
  const planOf = (): ClassPlan => ({
    warmUpMinutes: warmUp,
    closeMinutes: close,
    ...table.plan(),
    room: fit.room,
    ...measures,
    faults: [...idleFault, ...table.faults()],
  });
  searchClass(table, asked.seed, (share) => onProgress(share, planOf()));
  return planOf();
}
