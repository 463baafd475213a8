/** Where a student stands, with every skill and with the combos that were practised. */
import { comboSubject, SideMap, type Gate, type SideName } from "@mirrup/core";
import { comboStanding } from "@mirrup/core/combos";
import { COMBO_GATE, readingOf, type Reading, type SideFacts, type Status } from "@mirrup/core/teaching";
import type { Scope } from "../database/scope.js";
import type { KeptFacts } from "./facts.js";
import { readerFor, todayIn, type Learner, type Taught } from "./learner.js";

export interface ComboReading {
  readonly subject: string;
  readonly side: SideName;
  readonly status: Status;
  readonly cleanChance: number;
  readonly bestStreak: number;
  readonly gateBest: number;
  readonly gate: Gate;
}

export interface StudentReading {
  readonly reading: Reading;
  /** The combos and links that have been practised. */
  readonly combos: readonly ComboReading[];
}

const NOTHING: KeptFacts = new SideMap<SideFacts>();

/** Where the student stands with every skill, from the facts that are kept. */
export function skillsReading(scope: Scope, learner: Taught, facts: KeptFacts = NOTHING): Reading {
  const { syllabus, model } = readerFor(scope, learner);
  const now = scope.now.getTime();
  return readingOf({ syllabus, model, now, today: todayIn(scope), factsOf: (side) => facts.get(side) });
}

function combosIn(scope: Scope, facts: KeptFacts): readonly ComboReading[] {
  const today = todayIn(scope);
  return facts.entries().flatMap(([{ subject, side }, own]): ComboReading[] => {
    if (comboSubject(subject) === null) return [];
    const { status, cleanChance, bestStreak, gateBest } = comboStanding(own, true, today);
    return [{ subject, side, status, cleanChance, bestStreak, gateBest, gate: COMBO_GATE }];
  });
}

export function studentReading(scope: Scope, learner: Learner, facts: KeptFacts = NOTHING): StudentReading {
  return { reading: skillsReading(scope, learner, facts), combos: combosIn(scope, facts) };
}
