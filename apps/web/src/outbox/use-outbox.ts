import type { LessonRun } from "@mirrup/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useSyncExternalStore } from "react";
import { onOutboxChange, onStored, outboxState, startOutbox, type OutboxState } from "./outbox.js";
import { adoptOldRuns, lessonRuns, runOf } from "./lesson-runs.js";
import { currentSender } from "./sender.js";
import { pressedToday, stops } from "./stops.js";

let started = false;

export function useOutbox(): OutboxState {
  return useSyncExternalStore(onOutboxChange, outboxState);
}

/** Whether jumping has ended for a student today: what was pressed here counts at once, whatever was read. */
export function useStops(): (studentId: string, isStored: boolean) => boolean {
  const waiting = useSyncExternalStore(stops.onChange, stops.all);
  return (studentId, isStored) => pressedToday(waiting, studentId) ?? isStored;
}

/** What was tapped of a lesson and is not with the server yet; null for nothing. */
export function useRun(lessonId: string): LessonRun | null {
  const waiting = useSyncExternalStore(lessonRuns.onChange, lessonRuns.all);
  return useMemo(() => runOf(waiting, currentSender(), lessonId), [waiting, lessonId]);
}

/**
 * Sends what waits for as long as the app is open, and lets every view read anew what a set changed; says what of a
 * hall's taps is refused for good.
 */
export function useSending(onRefused: (error: unknown) => void): void {
  const client = useQueryClient();
  useEffect(() => {
    const stop = onStored(() => void client.invalidateQueries({ queryKey: ["students"] }));
    if (!started) {
      started = true;
      startOutbox();
      stops.start(onRefused);
      lessonRuns.start(onRefused);
      adoptOldRuns();
    }
    return stop;
  }, [client, onRefused]);
}
