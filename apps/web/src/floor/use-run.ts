import { CATALOGUE } from "@mirrup/catalogue";
import type { SetRequest } from "@mirrup/contract";
import {
  DEFAULT_TEMPO,
  heldRepetitions,
  runOf,
  secondsOf,
  skillOf,
  type Drill,
  type FaultCode,
  type Run,
  type RunnableDrill,
  type Side,
  type Tap,
} from "@mirrup/core";
import { useEffect, useRef, useState } from "react";
import { v7 as uuid } from "uuid";
import { currentSender, dropRun, exchangeRun, keepRun, keptRun, type KeptRun } from "../outbox/index.js";

export interface RunSubject {
  readonly studentId: string;
  readonly subject: string;
  readonly side: Side;
}

export interface FloorRun {
  /** False until the device has told whether a run was under way. */
  readonly ready: boolean;
  readonly drill: RunnableDrill;
  readonly taps: readonly Tap[];
  readonly run: Run;
  /** Whether the set has begun: by a tap, or by its clock. */
  readonly begun: boolean;
  /** Seconds since it began, for drills by the clock; 0 for the rest. */
  readonly elapsed: number;
  /** When a run that was found on the device began; null for one begun on this page. */
  readonly resumedFrom: number | null;
  /** Whether the device refuses to keep the taps. */
  readonly unkept: boolean;
  /** Starts the clock. */
  readonly begin: () => void;
  readonly tap: (tap: Tap) => void;
  /** Says why the last tap missed. */
  readonly name: (fault: FaultCode) => void;
  readonly undo: () => void;
  readonly discard: () => void;
  /** Exchanges the run for its set on the device, and answers the set. */
  readonly finish: () => Promise<SetRequest>;
}

const TICK_MS = 200;

function elapsedOf({ drill, startedAt }: KeptRun, now: number): number {
  const seconds = secondsOf(drill);
  return seconds === null ? 0 : Math.min(seconds, (now - startedAt) / 1000);
}

/** What of the run is written down about the drill: at which spacing it ended. */
function loggedDrill(drill: RunnableDrill, run: Run): Drill {
  return run.spacing === null ? drill : { ...drill, spacing: run.spacing };
}

/** Clean tries, misses and streak; nobody counts a hold, so its tempo does. */
function countsOf(subject: string, { drill }: KeptRun, run: Run, elapsed: number) {
  const { clean, misses, bestStreak } = run;
  if (drill.kind !== "hold") return { clean, misses, bestStreak };
  const held = heldRepetitions(elapsed, DEFAULT_TEMPO, skillOf(CATALOGUE, subject).beats);
  const at = misses.map((miss) => ({ ...miss, position: held + 1 }));
  return { clean: held, misses: at, bestStreak: held };
}

function setOf({ studentId, subject, side }: RunSubject, kept: KeptRun, now: number): SetRequest {
  const clocked = secondsOf(kept.drill) !== null;
  // A miss ends a hold where it fell; until then the clock runs to the moment it is finished.
  const ended = kept.taps.length > 0 && kept.drill.kind === "hold" ? kept.lastTapAt : now;
  const elapsed = clocked ? elapsedOf(kept, ended) : (kept.lastTapAt - kept.startedAt) / 1000;
  const run = runOf(kept.drill, kept.taps, elapsed);
  return {
    id: kept.setId,
    studentId,
    subject,
    side,
    drill: loggedDrill(kept.drill, run),
    ...countsOf(subject, kept, run, elapsed),
    seconds: Math.round(elapsed * 10) / 10,
    countedBy: "tapped",
    at: new Date(clocked ? ended : kept.lastTapAt).toISOString(),
  };
}

/** One drill being run: every tap is on the device as soon as it is on the screen. */
export function useRun(about: RunSubject, proposed: RunnableDrill): FloorRun {
  const sender = currentSender();
  const key = `${sender?.personId ?? ""} ${about.studentId} ${about.subject} ${about.side}`;
  const [kept, setKept] = useState<KeptRun | null>(null);
  const [ready, setReady] = useState(false);
  const [resumedFrom, setResumedFrom] = useState<number | null>(null);
  const [unkept, setUnkept] = useState(false);
  const [now, setNow] = useState(0);
  // Taps can come faster than renders; the newest run is here.
  const current = useRef<KeptRun | null>(null);

  useEffect(() => {
    let wanted = true;
    keptRun(key)
      .then((found) => {
        if (!wanted || found === undefined) return;
        current.current = found;
        setKept(found);
        setNow(Date.now());
        setResumedFrom(found.startedAt);
      })
      .catch(() => wanted && setUnkept(true))
      .finally(() => wanted && setReady(true));
    return () => {
      wanted = false;
    };
  }, [key]);

  const drill = kept?.drill ?? proposed;
  const taps = kept?.taps ?? [];
  const elapsed = kept === null ? 0 : elapsedOf(kept, now);
  const run = runOf(drill, taps, elapsed);
  const isTicking = kept !== null && secondsOf(drill) !== null && run.end === "running";
  useEffect(() => {
    if (!isTicking) return;
    const timer = setInterval(() => setNow(Date.now()), TICK_MS);
    return () => clearInterval(timer);
  }, [isTicking]);

  const change = (next: KeptRun | null) => {
    current.current = next;
    setKept(next);
    setNow(Date.now());
    const stored = next === null ? dropRun(key) : keepRun(key, next);
    stored.catch(() => setUnkept(true));
  };

  const newRun = (at: number): KeptRun => ({
    setId: uuid(),
    drill: proposed,
    taps: [],
    startedAt: at,
    lastTapAt: at,
  });

  const begin = () => {
    if (current.current === null) change(newRun(Date.now()));
  };

  const tap = (one: Tap) => {
    const at = Date.now();
    const before = current.current ?? newRun(at);
    if (runOf(before.drill, before.taps, elapsedOf(before, at)).end !== "running") return;
    const timed = { ...one, at: (at - before.startedAt) / 1000 };
    change({ ...before, taps: [...before.taps, timed], lastTapAt: at });
  };

  const name = (fault: FaultCode) => {
    const before = current.current;
    if (before?.taps.at(-1)?.kind !== "miss") return;
    change({ ...before, taps: [...before.taps.slice(0, -1), { kind: "miss", fault }] });
  };

  const undo = () => {
    const before = current.current;
    if (before === null) return;
    const fewer = before.taps.slice(0, -1);
    const isOver = fewer.length === 0 && (secondsOf(before.drill) === null || before.taps.length === 0);
    change(isOver ? null : { ...before, taps: fewer });
  };

  const finish = async () => {
    const run = current.current;
    if (run === null) throw new Error("A set without a tap cannot be finished.");
    if (sender === null) throw new Error("Nobody has signed in on this device yet.");
    const set = setOf(about, run, Date.now());
    await exchangeRun(key, set, sender);
    current.current = null;
    return set;
  };

  return {
    ready,
    drill,
    taps,
    run,
    begun: kept !== null,
    elapsed,
    resumedFrom: kept === null ? null : resumedFrom,
    unkept,
    begin,
    tap,
    name,
    undo,
    discard: () => change(null),
    finish,
  };
}
