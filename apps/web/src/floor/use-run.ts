import { MOST_TAPS, type SetRequest } from "@mirrup/contract";
import type { FaultCode, Drill } from "@mirrup/core";
import { isPacing, secondsOf, type Tap } from "@mirrup/core/teaching";
import { startTransition, useCallback, useEffect, useRef, useState } from "react";
import { v7 as uuid } from "uuid";
import {
  claimRun,
  currentSender,
  dropRun,
  finishRun,
  keepRun,
  keptRun,
  putAside,
  showRun,
  writtenRun,
  type KeptRun,
} from "../device/index.js";
import {
  countedAt,
  newRun,
  readRun,
  runKey,
  setByHand,
  setOf,
  takenUp,
  withEntry,
  withFault,
  withoutHandle,
  withoutLast,
  withSensed,
  withTurn,
  type Counted,
  type Entry,
  type HandCounts,
  type RunSubject,
} from "../app/floor-run.js";
import type { Moment } from "../app/floor-run.js";
import { held, type Held } from "../app/held.js";
import { hasCounted, isOfAnother } from "../app/left-run.js";
import { isPacedHere, startPacing, stopPacing } from "./pacing.js";

/** What a floor is drawn with can be a tap old; what its keys do goes by `newest`. */
export interface FloorRun extends Counted {
  readonly newest: () => Counted;
  /** False until the device has told whether a run was under way. */
  readonly ready: boolean;
  /** The newest moment, which the numerals are drawn by before the rest of the floor. */
  readonly live: Held<Moment>;
  /** Whether a handle is listened to just now. */
  readonly sensing: boolean;
  /** When a run that was found on the device began; null for one begun on this page. */
  readonly resumedFrom: number | null;
  /** Whether the device refuses to keep the taps. */
  readonly unkept: boolean;
  /** Whether no more tries are taken: the set is longer than any lesson. */
  readonly full: boolean;
  /** Whether another tab counts this set now. */
  readonly elsewhere: boolean;
  /** Goes on with it here. */
  readonly takeOver: () => void;
  /** Starts the clock. */
  readonly begin: () => void;
  readonly enter: (entry: Entry) => void;
  /** Says why the last try missed. */
  readonly name: (fault: FaultCode) => void;
  /** Says where in the repetition it caught: the rope's bottom, from 1. */
  readonly locate: (turn: number) => void;
  readonly undo: () => void;
  readonly discard: () => void;
  /** Whether what was counted was put away here, and nothing has been counted since. */
  readonly startedOver: boolean;
  readonly bringBack: () => void;
  /** What a handle has heard since it was switched on, which was `since` by this device's clock. */
  readonly sense: (tapsFrom: (offset: number) => readonly Tap[], since: number) => void;
  readonly stopSensing: () => void;
  /**
   * Exchanges the run for its set on the device, and answers the set; null where that is under way: a finger that
   * bounces counts one set.
   */
  readonly finish: () => Promise<SetRequest> | null;
  /** The same for a set that was counted elsewhere; throws what is wrong with its numbers. */
  readonly finishByHand: (counts: HandCounts) => Promise<SetRequest> | null;
}

const TICK_MS = 200;

/** What the device has of a drill's run; one of another lesson makes room for a new one. */
async function ofThisLesson(key: string): Promise<KeptRun | null> {
  const found = await keptRun(key);
  const run = found === undefined ? null : readRun(found);
  if (run === null || !isOfAnother(run, Date.now())) return run;
  await (hasCounted(run) ? putAside(key, run) : dropRun(key));
  return null;
}

/** One drill being run: every tap is on the device as soon as it is on the screen. */
export function useRun(about: RunSubject, proposed: Drill, said: number | null = null): FloorRun {
  const sender = currentSender();
  const key = runKey(sender?.personId ?? "", about);
  const [live] = useState(() => held<Moment>({ kept: null, now: Date.now() }));
  const [{ kept, now }, setDrawn] = useState<Moment>(live.get);
  const [ready, setReady] = useState(false);
  const [resumedFrom, setResumedFrom] = useState<number | null>(null);
  const [unkept, setUnkept] = useState(false);
  const [putAway, setPutAway] = useState<KeptRun | null>(null);
  const show = useCallback(
    (run: KeptRun | null) => {
      live.set({ kept: run, now: Date.now() });
      setDrawn(live.get());
    },
    [live],
  );

  // How often this tab has taken the set over.
  const [claims, setClaims] = useState(0);
  const [elsewhere, setElsewhere] = useState(false);
  const isElsewhere = useRef(false);
  useEffect(() => {
    let wanted = true;
    const claim = claimRun(key, {
      putDown: () => writtenRun(key),
      lost: () => {
        isElsewhere.current = true;
        stopPacing(key);
        setElsewhere(true);
      },
    });
    const read = () =>
      ofThisLesson(key)
        .then((read) => {
          if (!wanted || read === null) return;
          const run = isPacedHere(key) ? read : takenUp(read);
          show(run);
          setResumedFrom(run.startedAt);
        })
        .catch(() => wanted && setUnkept(true))
        .finally(() => wanted && setReady(true));
    void read();
    // Whoever had it in another tab has tapped on until now.
    void claim.taken.then((had) => (had && wanted ? read() : undefined));
    return () => {
      wanted = false;
      claim.release();
    };
  }, [key, claims, show]);

  useEffect(() => showRun(key), [key]);

  const drawn = countedAt({ kept, now }, proposed);
  const { drill, run, pacing } = drawn;
  const isTicking = kept !== null && run.end === "running" && (pacing || secondsOf(drill) !== null);
  useEffect(() => {
    if (!isTicking) return;
    const timer = setInterval(() => show(live.get().kept), TICK_MS);
    return () => clearInterval(timer);
  }, [isTicking, live, show]);

  // While a run is exchanged for its set nothing is written of it any more: it would come back.
  const isFinishing = useRef(false);
  const change = (next: KeptRun | null) => {
    if (next === live.get().kept || isElsewhere.current || isFinishing.current) return;
    // A tap's numerals wait for nothing else on the floor.
    startTransition(() => show(next));
    if (next !== null && isPacing(next.taps)) startPacing(key);
    else stopPacing(key);
    // Within this very task, but after the numerals.
    queueMicrotask(() => {
      if (isFinishing.current) return;
      const stored = next === null ? dropRun(key) : keepRun(key, next);
      stored.catch(() => setUnkept(true));
    });
  };
  const mend = (mended: (run: KeptRun) => KeptRun | null) => {
    const { kept: counted } = live.get();
    if (counted !== null) change(mended(counted));
  };
  const stored = async (set: SetRequest): Promise<SetRequest> => {
    if (sender === null) throw new Error("Nobody has signed in on this device yet.");
    stopPacing(key);
    isFinishing.current = true;
    try {
      await finishRun(key, set);
      live.set({ kept: null, now: Date.now() });
    } finally {
      isFinishing.current = false;
    }
    return set;
  };
  const exchange = (set: SetRequest) => (isFinishing.current ? null : stored(set));
  const fresh = (of: Drill, at: number) => newRun(uuid(), of, at, { said, studioId: sender?.studioId });
  const runOrNew = (at: number): KeptRun => live.get().kept ?? fresh(proposed, at);

  return {
    ...drawn,
    begun: drawn.begun && !elsewhere,
    newest: () => {
      const newest = countedAt(live.get(), proposed);
      return { ...newest, begun: newest.begun && !isElsewhere.current };
    },
    ready,
    live,
    elsewhere,
    takeOver: () => {
      isElsewhere.current = false;
      show(null);
      setReady(false);
      setElsewhere(false);
      setClaims((before) => before + 1);
    },
    sensing: kept?.sensedFrom !== undefined,
    resumedFrom: kept === null ? null : resumedFrom,
    unkept,
    full: drawn.taps.length >= MOST_TAPS,
    begin: () => {
      if (live.get().kept === null) change(runOrNew(Date.now()));
    },
    enter: (entry) => {
      const at = Date.now();
      if (live.get().kept === null && (entry.kind === "less" || entry.kind === "stop")) return;
      change(withEntry(runOrNew(at), entry, at));
    },
    name: (fault) => {
      mend((run) => withFault(run, fault));
    },
    locate: (turn) => {
      mend((run) => withTurn(run, turn));
    },
    undo: () => {
      mend((run) => withoutLast(run));
    },
    startedOver: kept === null && putAway !== null,
    discard: () => {
      const { kept: counted } = live.get();
      const now = Date.now();
      // A count that goes on by itself ends here.
      setPutAway(
        counted !== null && isPacing(counted.taps) ? withEntry(counted, { kind: "stop" }, now) : counted,
      );
      change(null);
    },
    bringBack: () => {
      if (live.get().kept !== null || putAway === null) return;
      change(takenUp(putAway));
      setResumedFrom(putAway.startedAt);
    },
    sense: (tapsFrom, since) => {
      const run = runOrNew(since);
      const offset = (since - run.startedAt) / 1000;
      change(withSensed(run, tapsFrom(offset), Date.now()));
    },
    stopSensing: () => {
      mend((run) => withoutHandle(run));
    },
    finish: () => {
      const { kept: counted } = live.get();
      if (counted === null || isElsewhere.current)
        throw new Error("A set that has no tap here cannot be finished.");
      return exchange(setOf(about, counted, Date.now()));
    },
    finishByHand: (counts) => exchange(setByHand(about, fresh(drill, Date.now()), counts)),
  };
}
