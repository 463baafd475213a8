/** The drills to choose from for a skill and side: what is proposed, the usual ones, and its ladder. */
import { CATALOGUE, DRILL_FOCUSES, DRILLS } from "@mirrup/catalogue";
import {
  gateAsStreak,
  ladderOf,
  runnableOf,
  skillOf,
  type Gate,
  type LadderDrill,
  type RunnableDrill,
  type SideName,
} from "@mirrup/core";
import { capital, drillWords, spacingWords } from "../app/words.js";
import { addressOf } from "./drill-address.js";

export interface DrillOption {
  readonly id: string;
  readonly name: string;
  readonly drill: RunnableDrill;
  /** What is done and, where the drill is about a part, about which. */
  readonly manner: string;
}

const HOLD_SECONDS = 30;
const CLIMB_TOP = 5;

function ladderName({ kind, focus, spacing }: LadderDrill): string {
  const about = [
    focus === undefined ? "" : DRILL_FOCUSES[focus],
    spacing === undefined ? "" : spacingWords(spacing),
  ];
  return [DRILLS[kind].name, ...about].filter(Boolean).join(", ");
}

function option(drill: RunnableDrill, name: string): DrillOption {
  return { id: addressOf(drill).toString(), name: capital(name), drill, manner: DRILLS[drill.kind].manner };
}

/** Options without doubles, in the order from the gentlest to the hardest, the usual ones last. */
export function drillOptions(subject: string, side: SideName, gate: Gate): readonly DrillOption[] {
  const skill = skillOf(CATALOGUE, subject);
  const streak = gateAsStreak(gate, skill.beats);
  const seconds = gate.kind === "hold" || gate.kind === "count" ? gate.seconds : HOLD_SECONDS;
  const ladder = ladderOf(CATALOGUE, subject, side).flatMap((one) => {
    const drill = one.side === side ? runnableOf(one, { gate: streak, seconds }) : null;
    return drill === null ? [] : [option(drill, ladderName(one))];
  });
  const usual: readonly RunnableDrill[] = [
    { kind: "climb", top: CLIMB_TOP, onMiss: "repeat" },
    { kind: "climb", top: CLIMB_TOP, onMiss: "repeat", growing: true },
    { kind: "streak", count: streak },
    { kind: "hold", seconds },
    { kind: "count", seconds, count: streak },
  ];
  const all = [...ladder, ...usual.map((drill) => option(drill, drillWords(drill)))];
  return [...new Map(all.map((one) => [one.id, one])).values()];
}
