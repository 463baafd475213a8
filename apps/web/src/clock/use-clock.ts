import {
  clockFrom,
  elapsedAt,
  momentAt,
  onceMore,
  paused,
  resumed,
  skipped,
  type ClockMoment,
  type RunningClock,
  type Stretch,
} from "@mirrup/core/teaching";
import { useLocalStorage } from "@mantine/hooks";
import { useNow } from "../app/use-now.js";
import { usePersonId } from "../device/index.js";

const TICK_MS = 100;

export interface HeldClock {
  /** Null while none runs. */
  readonly clock: RunningClock | null;
  /** Null while none runs, and once it is over. */
  readonly moment: ClockMoment | null;
  readonly begin: (stretches: readonly Stretch[]) => void;
  readonly toggle: () => void;
  readonly skip: () => void;
  readonly again: () => void;
  readonly end: () => void;
}

/** The clock that runs here, kept on the device: a page that is opened anew shows the same second. */
export function useClock(keptAs: string): HeldClock {
  const personId = usePersonId();
  const [clock, keep, forget] = useLocalStorage<RunningClock | null>({
    key: `mirrup-clock ${personId} ${keptAs}`,
    defaultValue: null,
    getInitialValueInEffect: false,
  });
  const now = useNow(TICK_MS, clock !== null);
  const change = (next: (clock: RunningClock, now: number) => RunningClock) =>
    keep((before) => (before === null ? before : next(before, Date.now())));
  return {
    clock,
    moment: clock === null ? null : momentAt(clock.stretches, elapsedAt(clock, now)),
    begin: (stretches: readonly Stretch[]) => keep(clockFrom(stretches, Date.now())),
    toggle: () =>
      change((before, at) => (before.pausedAt === null ? paused(before, at) : resumed(before, at))),
    skip: () => change(skipped),
    again: () => change(onceMore),
    end: forget,
  };
}
