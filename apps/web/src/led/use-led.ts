import { missCount } from "@mirrup/core";
import type { SetRequest } from "@mirrup/contract";
import { useLocalStorage } from "@mantine/hooks";
import { isForgotten } from "../app/forgotten.js";
import { useNow } from "../app/use-now.js";
import { usePersonId } from "../device/index.js";
import {
  ledFrom,
  left,
  lengthened,
  swapped,
  takenBack,
  withSet,
  type Led,
  type LedBlock,
  type PastBlock,
} from "./led.js";

const LOOK_MS = 60_000;

export interface LedSession {
  /** Null while none is held. */
  readonly led: Led | null;
  readonly begin: (blocks: readonly LedBlock[]) => void;
  readonly leave: (key: string, end: PastBlock["end"]) => void;
  readonly takeBack: () => void;
  readonly lengthen: (key: string, minutes: number) => void;
  readonly swap: (key: string, withKey: string) => void;
  readonly count: (set: SetRequest) => void;
  /** Puts it away. */
  readonly end: () => void;
}

/** The session that is held with a student on this device: at each press it is kept, for a reload and another tab. */
export function useLed(studentId: string): LedSession {
  const personId = usePersonId();
  const [kept, keep, forget] = useLocalStorage<Led | null>({
    key: `mirrup-led ${personId} ${studentId}`,
    defaultValue: null,
    getInitialValueInEffect: false,
  });
  const now = useNow(LOOK_MS, kept !== null);
  const led = kept !== null && !isForgotten(kept.startedAt, now) ? kept : null;
  const change = (next: (led: Led, now: number) => Led) =>
    keep((before) => (before === null ? before : next(before, Date.now())));
  return {
    led,
    begin: (blocks) => keep(ledFrom(blocks, Date.now())),
    leave: (key, end) => change((before, now) => left(before, key, end, now)),
    takeBack: () => change(takenBack),
    lengthen: (key, minutes) => change((before) => lengthened(before, key, minutes)),
    swap: (key, withKey) => change((before, now) => swapped(before, key, withKey, now)),
    count: ({ id, subject, side, clean, misses }) =>
      change((before) => withSet(before, { subject, side }, { id, clean, tries: clean + missCount(misses) })),
    end: forget,
  };
}
