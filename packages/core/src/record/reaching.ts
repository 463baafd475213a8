/** Whether a set by itself came to what somebody asks, whatever the gate in force is. */
import type { LoggedSet } from "../log/line.js";
import { DRILL_KINDS, DRILL_ROWS, type DrillKind } from "../syllabus/drill.js";
import { gateTarget, type Gate } from "../syllabus/gates.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { isSameSide } from "../syllabus/side-map.js";
import type { Syllabus } from "../syllabus/syllabus.js";
import { evidenceOf } from "./evidence.js";
import { gateProgress } from "./facts.js";

/** The kinds of drill that count for a gate of a kind. */
export function drillsFor(kind: Gate["kind"]): readonly DrillKind[] {
  return DRILL_KINDS.filter((one) => DRILL_ROWS[one].meets.includes(kind));
}

/** Whether one set came to so much of a side; a set of something else that holds it counts too, one that nobody saw does not. */
export function reaches(set: LoggedSet, of: SubjectSide, gate: Gate, syllabus: Syllabus): boolean {
  if (set.isAlone === true) return false;
  return evidenceOf(set, syllabus).some(
    (bearing) => isSameSide(bearing.of, of) && gateProgress({ ...set, ...bearing }, gate) >= gateTarget(gate),
  );
}
