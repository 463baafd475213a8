import type { LessonView } from "@mirrup/contract";
import type { RopeStock } from "@mirrup/core/planning";
import { hashKey, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { isStale } from "../app/api.js";
import { tellFault } from "../app/undo.js";
import { askedOf } from "./asked.js";
import { isOutOfDate, stepAfter, stepBefore, studentsHere, turnsBegun, turnsWith } from "./hall.js";
import { USUALLY_AT_HAND } from "./means.js";
import { lessonQuery } from "./queries.js";
import { keptStudents, shownOf } from "./shown.js";
import { useClassPlan } from "./use-class-plan.js";
import { useClassOptions, type useLesson } from "./use-lesson.js";

/** A lesson being held: its steps, and the rest planned anew when somebody comes or goes, or time runs. */
export function useHall(
  lesson: LessonView,
  held: Pick<ReturnType<typeof useLesson>, "lesson" | "run" | "save" | "data">,
) {
  const { run, save } = held;
  const shown = shownOf(lesson);
  const plan = shown ?? { warmUpMinutes: 0, closeMinutes: 0, rotations: [], students: [] };
  const { progress } = lesson;
  const begun = turnsBegun(plan, progress);
  const [turns, setTurns] = useState<readonly number[] | null>(null);
  /** Undefined where nobody said otherwise than it was planned with. */
  const [ropes, setRopes] = useState<readonly RopeStock[] | null>();
  const stored = askedOf(lesson, USUALLY_AT_HAND, "late");
  const options = useClassOptions(held);
  const here = options.data === undefined ? undefined : studentsHere(lesson, options.data, begun);
  const { refetch } = options;
  const step = progress?.step;
  useEffect(() => {
    // Each turn begins with the drills that come next by then.
    if (step !== undefined && step > 0) void refetch({ cancelRefetch: false });
  }, [step, refetch]);
  const isOpen = shown !== null && lesson.finishedAt === null && begun < plan.rotations.length;
  const isChanged =
    here !== undefined && (turns !== null || ropes !== undefined || isOutOfDate(plan, here, begun));
  const asked = {
    ...stored,
    ropes: ropes === undefined ? (stored.ropes ?? null) : ropes,
    turns: turns ?? plan.rotations.map((turn) => turn.minutes),
  };
  const before = { rotations: plan.rotations.slice(0, begun), students: plan.students };
  const planned = useClassPlan(lesson.id, asked, isOpen && isChanged ? here : undefined, before);
  const made = planned.isPlaceholderData ? undefined : planned.data;
  const kept = useRef<typeof made>(undefined);
  const client = useQueryClient();
  const { mutate, isPending } = save;
  const now = { lesson, asked, begun, turns, ropes };
  const latest = useRef(now);
  useEffect(() => {
    latest.current = now;
  });
  useEffect(() => {
    if (made === undefined || made === kept.current || isPending) return;
    kept.current = made;
    const { lesson: from, asked: question, begun: done, ...said } = latest.current;
    if (from.plan === null || made.rotations.length === 0) return;
    const { placePins, ...rest } = question;
    const { rotations, minutes, useful, sameForAll, most, room } = made;
    mutate(
      {
        version: from.version,
        plan: { ...from.plan, asked: rest, rotations, minutes, useful, sameForAll, most, room },
        students: keptStudents(from.students, made.students, placePins, done),
      },
      {
        onSuccess: () => {
          // What was said while this was on its way is still to be planned.
          setTurns((before) => (before === said.turns ? null : before));
          setRopes((before) => (before === said.ropes ? undefined : before));
        },
        onError: (error) => {
          if (!isStale(error)) {
            tellFault(error);
            return;
          }
          // Somebody changed the plan meanwhile: once it is read, this is kept on top of it.
          kept.current = undefined;
          void client.invalidateQueries({ queryKey: lessonQuery(from.id).queryKey, exact: true });
        },
      },
    );
  }, [made, isPending, mutate, client, lesson.version]);

  const goOn = (skipped: readonly number[] = progress?.skipped ?? [], more = 0) => {
    const next = stepAfter(plan, progress, new Date());
    if (next === null) run({ finished: true });
    else run({ progress: { ...next, minutes: next.minutes + more, skipped } });
  };
  const earlier = progress === null ? null : stepBefore(progress);
  return {
    plan: shown,
    begun,
    planning: planned.planning,
    isPlanning: planned.isFetching,
    faults: made?.faults ?? [],
    begin: () => goOn([]),
    next: () => goOn(),
    /** Ends the turn here; those after the next one share what it still had, or else the next one has it. */
    skip: (minutesLeft: number) => {
      if (progress === null) return;
      const given = Math.max(0, minutesLeft);
      const isShared = begun + 1 < plan.rotations.length;
      if (isShared) setTurns(turnsWith(plan, begun + 1, given));
      goOn([...progress.skipped, progress.step], isShared ? 0 : given);
    },
    /** Gives the step more minutes, which the later turns lose. */
    extend: (by: number) => {
      if (progress === null) return;
      run({ progress: { ...progress, minutes: progress.minutes + by } });
      if (begun < plan.rotations.length) setTurns(turnsWith(plan, begun, -by));
    },
    ropes: asked.ropes,
    coaches: asked.coaches,
    /** Everybody of the lesson with what is known of their rope. */
    people: options.data ?? [],
    /** These ropes are left: the rest is planned anew with them. */
    haveRopes: (left: readonly RopeStock[] | null) => {
      if (hashKey([left]) !== hashKey([asked.ropes])) setRopes(left);
    },
    /** Somebody has a rope along, or has not: the rest is planned anew. */
    bringsRope: (studentId: string, has: boolean) => {
      run({ ownRopes: { [studentId]: has } });
      setRopes(asked.ropes === null ? null : [...asked.ropes]);
    },
    /** Takes back that this step began: the one before it goes on where it was. Null where none is known. */
    back:
      earlier === null || progress === null
        ? null
        : { to: earlier.step, take: () => run({ progress: earlier, takesBack: progress.startedAt }) },
    finish: () => run({ finished: true }),
    reopen: () => run({ finished: false }),
  };
}
