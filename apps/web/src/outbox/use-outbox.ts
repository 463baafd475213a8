import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";
import { onOutboxChange, onStored, outboxState, startOutbox, type OutboxState } from "./outbox.js";

let started = false;

export function useOutbox(): OutboxState {
  return useSyncExternalStore(onOutboxChange, outboxState);
}

/** Sends what waits for as long as the app is open, and lets every view read anew what a set changed. */
export function useSending(): void {
  const client = useQueryClient();
  useEffect(() => {
    const stop = onStored(() => void client.invalidateQueries({ queryKey: ["students"] }));
    if (!started) {
      started = true;
      startOutbox();
    }
    return stop;
  }, [client]);
}
