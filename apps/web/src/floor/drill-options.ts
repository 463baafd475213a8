/** The drills to choose from for a skill and side: its ladder, and the usual ones beside. */
import { DRILLS } from "@mirrup/catalogue";
import { gateDrill, type Drill, type Gate, type SideName } from "@mirrup/core";
import { drillOfWords, drillWords } from "../app/drill-words.js";
import { sideWithGate } from "../app/syllabus.js";
import { capital } from "../app/words.js";
import { addressOf } from "../app/drill-address.js";

export interface DrillOption {
  readonly id: string;
  readonly name: string;
  readonly drill: Drill;
  /** What is done and, where the drill is about a part, about which. */
  readonly manner: string;
}

const HOLD_SECONDS = 30;
const CLIMB_TOP = 5;

function option(drill: Drill, name: string): DrillOption {
  return { id: addressOf(drill).toString(), name: capital(name), drill, manner: DRILLS[drill.kind].manner };
}

/** Options without doubles, in the order of the ladder, the usual ones last. */
export function drillOptions(subject: string, side: SideName, gate: Gate): readonly DrillOption[] {
  const of = sideWithGate(subject, side, gate);
  if (of === null) return [];
  const seconds = gate.kind === "hold" || gate.kind === "count" ? gate.seconds : HOLD_SECONDS;
  const ladder = of.ladder.map(({ drill }) => option(drill, drillOfWords(subject, side, drill)));
  const usual: readonly Drill[] = [
    { kind: "climb", top: CLIMB_TOP, onMiss: "repeat" },
    { kind: "growing-climb", top: CLIMB_TOP, onMiss: "repeat" },
    { kind: "streak", count: of.gateStreak },
    { kind: "hold", seconds },
    { kind: "count", seconds, count: of.gateStreak },
    gateDrill(gate),
  ];
  const all = [...ladder, ...usual.map((drill) => option(drill, drillWords(drill)))];
  return [...new Map(all.map((one) => [one.id, one])).values()];
}
