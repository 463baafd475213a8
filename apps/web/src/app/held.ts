import { useSyncExternalStore } from "react";

/**
 * A value that changes faster than a page is drawn, such as the newest tap or the beat that sounds: whoever draws it is
 * told at once and alone, and whoever counts by it reads the newest.
 */
export interface Held<T> {
  readonly get: () => T;
  readonly set: (value: T) => void;
  /** Answers what ends it. */
  readonly subscribe: (hear: () => void) => () => void;
}

export function held<T>(first: T): Held<T> {
  let value = first;
  const hearers = new Set<() => void>();
  return {
    get: () => value,
    set: (next) => {
      value = next;
      for (const hear of hearers) hear();
    },
    subscribe: (hear) => {
      hearers.add(hear);
      return () => hearers.delete(hear);
    },
  };
}

/** The newest value, for what draws it. */
export function useHeld<T>({ subscribe, get }: Held<T>): T {
  return useSyncExternalStore(subscribe, get);
}
