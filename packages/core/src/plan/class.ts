/** A class as it is asked for and as it is planned: students, turns, stations, places. */
import type { SideName } from "../sides.js";
import type { CautionCode } from "../syllabus/caution.js";
import type { Drill } from "../syllabus/drill.js";
import type { NextReason } from "../next/next.js";
import type { ClassOption, ClassUse, Watch } from "./class-option.js";
import type { Helper } from "./class-eyes.js";
import type { RopeStock } from "./rope-stock.js";
import type { Floor } from "./space.js";

export interface ClassStudent {
  readonly id: string;
  readonly options: readonly ClassOption[];
  readonly heightMm: number | null;
  /** Landings and multiples that today may still come to; null where nothing is judged. */
  readonly landingsLeft: number | null;
  readonly multiplesLeft: number | null;
  /** The length of rope that they should have, mm; null, or left out, where any will do. */
  readonly ropeMm?: number | null;
  /** Brings a rope that fits. */
  readonly hasOwnRope?: boolean;
  /** Students with whom they are not to be at a station, and those with whom they are to be. */
  readonly apart?: readonly string[];
  readonly together?: readonly string[];
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
  readonly helpers: readonly Helper[];
  /** Ropes of the hall; null, or left out, where everybody has one. */
  readonly ropes?: readonly RopeStock[] | null;
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
  readonly side: SideName;
  readonly use: ClassUse;
  readonly drill: Drill;
  readonly chance: number | null;
  readonly cautions: readonly CautionCode[];
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
  /** Two who are to be apart stand together in a turn, or who are to be together do not. */
  | {
      readonly code: "not-apart" | "not-together";
      readonly rotation: number;
      readonly students: readonly [string, string];
    }
  /** Not everywhere a coach is asked for is there one. */
  | { readonly code: "coach-missing"; readonly rotation: number }
  | { readonly code: "over-load"; readonly students: readonly string[] };

export interface ClassPlan {
  readonly warmUpMinutes: number;
  readonly closeMinutes: number;
  readonly rotations: readonly Rotation[];
  readonly students: readonly PlannedStudent[];
  /** Jumpers at once in the hall; null where the floor was not given. */
  readonly room: number | null;
  /** Minutes at stations, over all students. */
  readonly minutes: number;
  /** Of these, what counts; the same for one drill for everybody at a time; and the most that any plan could have. */
  readonly useful: number;
  readonly sameForAll: number;
  readonly most: number;
  readonly faults: readonly ClassFault[];
}
