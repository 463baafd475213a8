import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";
import { onOutboxChange, onStored, outboxState, startOutbox, type OutboxState } from "./outbox.js";
import { onStopsChange, pressedToday, startStops, stopsWaiting } from "./stops.js";

let started = false;

export function useOutbox(): OutboxState {
  return useSyncExternalStore(onOutboxChange, outboxState);
}

/** Whether jumping has ended for a student today: what was pressed here counts at once, whatever was read. */
export function useStops(): (studentId: string, isStored: boolean) => boolean {
  const waiting = useSyncExternalStore(onStopsChange, stopsWaiting);
  return (studentId, isStored) => pressedToday(waiting, studentId) ?? isStored;
}

/**
 * Sends what waits for as long as the app is open, and lets every view read anew what a set changed; says what of an
 * early stop is refused for good.
 */
export function useSending(onRefused: (error: unknown) => void): void {
  const client = useQueryClient();
  useEffect(() => {
    const stop = onStored(() => void client.invalidateQueries({ queryKey: ["students"] }));
    if (!started) {
      started = true;
      startOutbox();
      startStops(onRefused);
    }
    return stop;
  }, [client, onRefused]);
}
