import type { JumpMeasure, LessonRun } from "@mirrup/contract";
import { localDate } from "@mirrup/core";
import { useMemo, useSyncExternalStore } from "react";
import type { Command } from "./command.js";
import { outbox } from "./here.js";
import type { OutboxState } from "./outbox.js";
import { jumpsOf, newcomersOf, pressedOf, runOf, type Newcomer } from "./shown.js";

export function useOutbox(): OutboxState {
  return useSyncExternalStore(outbox.onChange, outbox.current);
}

/** What was said here and is not on the pages as the server has it. */
function useSaid(): readonly Command[] {
  const { told, waiting } = useOutbox();
  return useMemo(() => [...told, ...waiting.map((one) => one.command)], [told, waiting]);
}

/** Whether jumping has ended for a student today: what was pressed here counts at once, whatever was read. */
export function useStops(): (studentId: string, isStored: boolean) => boolean {
  const said = useSaid();
  const { timeZone } = new Intl.DateTimeFormat().resolvedOptions();
  return (studentId, isStored) =>
    pressedOf(said, studentId, localDate(Date.now(), timeZone), timeZone) ?? isStored;
}

/** The jumps of a student with what was said of them here: the newest first. */
export function useJumps(studentId: string | null, stored: readonly JumpMeasure[]): readonly JumpMeasure[] {
  const said = useSaid();
  return useMemo(
    () => (studentId === null ? NO_JUMPS : jumpsOf(said, studentId, stored)),
    [said, studentId, stored],
  );
}

/** Who was added here and is not among the students that were read. */
export function useNewcomers(): readonly Newcomer[] {
  const said = useSaid();
  return useMemo(() => newcomersOf(said), [said]);
}

const NO_JUMPS: readonly JumpMeasure[] = [];

/** What was tapped of a lesson and is not with the server yet; null for nothing. */
export function useRun(lessonId: string): LessonRun | null {
  const said = useSaid();
  return useMemo(() => runOf(said, lessonId), [said, lessonId]);
}
