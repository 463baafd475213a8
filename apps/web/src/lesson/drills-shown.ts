/** The kinds of drill that a plan asks for, so that a stranger reads once what each is. */
import { DRILL_KINDS, type DrillKind } from "@mirrup/core";
import type { ShownPlan } from "./shown.js";

/** Each kind once, in the order in which ladders have them. */
export function drillsShown({ students }: Pick<ShownPlan, "students">): readonly DrillKind[] {
  const asked = new Set(students.flatMap(({ places }) => places.flatMap((place) => place?.drill.kind ?? [])));
  return DRILL_KINDS.filter((kind) => asked.has(kind));
}
