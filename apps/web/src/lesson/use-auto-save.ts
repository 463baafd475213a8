import type { LessonView } from "@mirrup/contract";
import type { ClassPlan } from "@mirrup/core/planning";
import { useEffect, useRef } from "react";
import { keptStudents } from "./shown.js";
import type { useAsking } from "./use-asking.js";
import type { useLesson } from "./use-lesson.js";

/** Stores every plan that was made; the server's refusal is shown, and nothing is written over. */
export function useAutoSave(
  { students }: LessonView,
  { asked, base, settle }: Pick<ReturnType<typeof useAsking>, "asked" | "base" | "settle">,
  made: ClassPlan | undefined,
  { mutateAsync, isPending, isError }: ReturnType<typeof useLesson>["save"],
): void {
  const saved = useRef<ClassPlan>(undefined);
  const latest = useRef({ asked, students, settle });
  useEffect(() => {
    latest.current = { asked, students, settle };
  });
  useEffect(() => {
    if (made === undefined || isPending || made.rotations.length === 0) return;
    const { asked: planned, students: before, settle: stored } = latest.current;
    if (made === saved.current) {
      if (!isError) stored(planned);
      return;
    }
    saved.current = made;
    const { placePins, ...kept } = planned;
    const { warmUpMinutes, closeMinutes, room, minutes, useful, sameForAll, most, rotations } = made;
    mutateAsync({
      version: base.current,
      minutes: kept.minutes,
      plan: { asked: kept, warmUpMinutes, closeMinutes, room, minutes, useful, sameForAll, most, rotations },
      students: keptStudents(before, made.students, placePins),
    }).then(
      (lesson) => stored(planned, lesson.version),
      // The refusal is on the page, by the mutation's own state.
      () => undefined,
    );
  }, [made, isPending, isError, mutateAsync, base]);
}
