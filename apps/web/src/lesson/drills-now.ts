/** A turn's drills as the records stand now, and not as they stood when the class was planned. Pure. */
import type { ClassStudentView } from "@mirrup/contract";
import type { ShownPlan } from "./shown.js";

/**
 * The plan with what each one does in a turn renewed: the same skill at the same station, on the side and with the
 * drill that come next for them now. Whoever may not do the skill any more, or of whom nothing is known, keeps
 * what was planned.
 */
export function withDrillsNow(
  plan: ShownPlan,
  turn: number,
  known: readonly Pick<ClassStudentView, "id" | "options">[],
): ShownPlan {
  const optionsOf = new Map(known.map((one) => [one.id, one.options]));
  const stations = plan.rotations[turn]?.stations ?? [];
  return {
    ...plan,
    students: plan.students.map(({ id, places }) => ({
      id,
      places: places.map((place, at) => {
        const subject = place === null || at !== turn ? null : (stations[place.station]?.subject ?? null);
        const option = optionsOf.get(id)?.find((one) => one.subject === subject);
        if (place === null || option === undefined) return place;
        const { side, use, drill, chance, cautions, reason } = option;
        return { ...place, side, use, drill, chance, cautions, reason };
      }),
    })),
  };
}
