/** What a plan of one student's minutes is asked with. */
import type { NextDrill } from "../next/next.js";
import type { Reading, Status } from "../record/standing.js";
import type { SideName } from "../sides.js";
import type { SideMap, SideSet } from "../syllabus/side-map.js";
import type { ComboPart } from "../combos/part.js";
import type { Precaution } from "./precaution.js";

export const ENERGIES = ["fresh", "normal", "tired"] as const;
export type Energy = (typeof ENERGIES)[number];

/** A kept combo on one side, as a plan asks. */
export interface PlanCombo {
  readonly id: string;
  readonly name: string;
  readonly side: SideName;
  /** As it is done on that side. */
  readonly parts: readonly ComboPart[];
  readonly status: Status;
  readonly cleanChance: number;
}

export interface StudentPlanContext {
  readonly reading: Reading;
  /** What comes next, the best first. */
  readonly next: readonly NextDrill[];
  readonly minutes: number;
  readonly energy: Energy;
  /** Where the new, hard skill stands. */
  readonly hardSkill: "late" | "early";
  /** Landings and multiples that today may still come to; null where nothing is judged. */
  readonly landingsLeft: number | null;
  readonly multiplesLeft: number | null;
  /** Whether somebody who may still grow had a day of many multiples yesterday: today is one without. */
  readonly isRestDay?: boolean;
  /** Sides that are not to be in it, and those that are, whatever the limits say. */
  readonly bans: SideSet;
  readonly pins: SideSet;
  /** Sides that get so many sets more, or fewer, than they would. */
  readonly moreSets?: SideMap<number>;
  /** What is not at hand today. */
  readonly missing?: ReadonlySet<Precaution>;
  /** The studio's combos, as the student stands with them. */
  readonly combos?: readonly PlanCombo[];
}
