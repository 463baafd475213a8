/**
 * An interval clock (drills.md, Programmes, intervals, circuits): work and rest by the clock, circuits whose lines
 * grow, and a mix that is called. A programme is a list of stretches, and everything that is shown of it follows from
 * how long ago it began: a page that was closed meanwhile shows the same second.
 */

/** What is called within a stretch, one after the other. */
export interface ClockCall {
  readonly name: string;
  readonly seconds: number;
}

/** Where in its programme a stretch stands, each from 1. */
export interface ClockPlace {
  readonly round: number;
  readonly rounds: number;
  readonly set: number;
  readonly sets: number;
}

export interface Stretch {
  readonly kind: "count-in" | "work" | "rest";
  readonly seconds: number;
  /** Beats a minute that are clicked in it; null for none. */
  readonly tempo: number | null;
  /** What is clicked in it where that is no even beat, seconds from its beginning. */
  readonly clicks?: readonly number[];
  readonly calls: readonly ClockCall[];
  readonly place: ClockPlace;
}

/** Seconds before the first stretch. */
const COUNT_IN = 5;
const COUNTS_A_FOUR = 4;

export interface Rounds {
  readonly rounds: number;
  /** Seconds. */
  readonly work: number;
  readonly rest: number;
  /** All rounds so many times over, and the seconds between. */
  readonly sets: number;
  readonly setRest: number;
  /** What is done in the work. */
  readonly what: string;
}

function plain(kind: Stretch["kind"], seconds: number, place: ClockPlace, name?: string): Stretch {
  return { kind, seconds, tempo: null, calls: name === undefined ? [] : [{ name, seconds }], place };
}

/** Stretches with the seconds before them; none for none. */
export function withCountIn(stretches: readonly Stretch[]): readonly Stretch[] {
  const [first] = stretches;
  return first === undefined ? [] : [plain("count-in", COUNT_IN, first.place), ...stretches];
}

/** Rounds of work and rest; none after the last of a set, which has its own. */
export function roundsClock({ rounds, work, rest, sets, setRest, what }: Rounds): readonly Stretch[] {
  const all: Stretch[] = [];
  for (let set = 1; set <= sets; set += 1) {
    for (let round = 1; round <= rounds; round += 1) {
      const place = { round, rounds, set, sets };
      all.push(plain("work", work, place, what));
      const after = round < rounds ? rest : set < sets ? setRest : 0;
      if (after > 0) all.push(plain("rest", after, place));
    }
  }
  return withCountIn(all);
}

/** A part of a circuit: so many counts of one thing. */
export interface CircuitPart {
  readonly name: string;
  readonly counts: number;
}

export interface Circuit {
  readonly parts: readonly CircuitPart[];
  /** Each line so many times. */
  readonly sets: number;
  /** Counts of rest after each set. */
  readonly recover: number;
  /** Counts a minute. */
  readonly tempo: number;
}

/** Whole fours, as a circuit counts. */
export function wholeFours(counts: number): number {
  return COUNTS_A_FOUR * Math.max(1, Math.ceil(counts / COUNTS_A_FOUR));
}

/** A growing circuit: each line holds the one before and one part more. */
export function circuitClock({ parts, sets, recover, tempo }: Circuit): readonly Stretch[] {
  const secondsOf = (counts: number) => (counts * 60) / tempo;
  const all: Stretch[] = [];
  parts.forEach((_, line) => {
    const calls = parts
      .slice(0, line + 1)
      .map(({ name, counts }) => ({ name, seconds: secondsOf(wholeFours(counts)) }));
    const seconds = calls.reduce((sum, call) => sum + call.seconds, 0);
    for (let set = 1; set <= sets; set += 1) {
      const place = { round: line + 1, rounds: parts.length, set, sets };
      all.push({ kind: "work", seconds, tempo, calls, place });
      const isLast = line === parts.length - 1 && set === sets;
      if (!isLast && recover > 0) all.push({ ...plain("rest", secondsOf(recover), place), tempo });
    }
  });
  return withCountIn(all);
}

/** Moves that are called one after the other, each for so many counts. */
export function callsClock(
  calls: readonly { readonly name: string; readonly counts: number }[],
  tempo: number,
): readonly Stretch[] {
  if (calls.length === 0) return [];
  const timed = calls.map(({ name, counts }) => ({ name, seconds: (counts * 60) / tempo }));
  const seconds = timed.reduce((sum, call) => sum + call.seconds, 0);
  const place = { round: 1, rounds: 1, set: 1, sets: 1 };
  return withCountIn([{ kind: "work", seconds, tempo, calls: timed, place }]);
}

export function clockSeconds(stretches: readonly Stretch[]): number {
  return stretches.reduce((sum, stretch) => sum + stretch.seconds, 0);
}

/** What is to be shown of a programme at a moment. */
export interface ClockMoment {
  readonly index: number;
  readonly stretch: Stretch;
  /** Seconds into the stretch, and what is left of it. */
  readonly into: number;
  readonly left: number;
  /** Which of its calls it is at, and what is left of that one; null where it has none. */
  readonly call: { readonly index: number; readonly left: number } | null;
}

/** The place of a moment within things that follow each other; null past the last. */
function within(
  lengths: readonly number[],
  elapsed: number,
): { readonly index: number; readonly into: number } | null {
  let into = elapsed;
  for (const [index, seconds] of lengths.entries()) {
    if (into < seconds) return { index, into };
    into -= seconds;
  }
  return null;
}

/** The moment so many seconds after the programme began; null once it is over. */
export function momentAt(stretches: readonly Stretch[], elapsed: number): ClockMoment | null {
  const found = within(
    stretches.map((stretch) => stretch.seconds),
    Math.max(0, elapsed),
  );
  const stretch = found === null ? undefined : stretches[found.index];
  if (found === null || stretch === undefined) return null;
  const { index, into } = found;
  const at = within(
    stretch.calls.map((call) => call.seconds),
    into,
  );
  const call = at === null ? undefined : stretch.calls[at.index];
  return {
    ...{ index, stretch, into, left: stretch.seconds - into },
    call: at === null || call === undefined ? null : { index: at.index, left: call.seconds - at.into },
  };
}

/** A programme that runs on a device. */
export interface RunningClock {
  readonly stretches: readonly Stretch[];
  /** As if it had run since then without a pause, ms. */
  readonly startedAt: number;
  readonly pausedAt: number | null;
}

export function clockFrom(stretches: readonly Stretch[], now: number): RunningClock {
  return { stretches, startedAt: now, pausedAt: null };
}

/** Seconds since it began, without its pauses. */
export function elapsedAt({ startedAt, pausedAt }: RunningClock, now: number): number {
  return Math.max(0, (pausedAt ?? now) - startedAt) / 1000;
}

/** Stops for a while; the same clock where it stands already. */
export function paused(clock: RunningClock, now: number): RunningClock {
  return clock.pausedAt === null ? { ...clock, pausedAt: now } : clock;
}

export function resumed(clock: RunningClock, now: number): RunningClock {
  if (clock.pausedAt === null) return clock;
  return { ...clock, startedAt: clock.startedAt + Math.max(0, now - clock.pausedAt), pausedAt: null };
}

function shifted(clock: RunningClock, seconds: number): RunningClock {
  return { ...clock, startedAt: clock.startedAt - 1000 * seconds };
}

/** Skip to the next stretch. */
export function skipped(clock: RunningClock, now: number): RunningClock {
  const moment = momentAt(clock.stretches, elapsedAt(clock, now));
  return moment === null ? clock : shifted(clock, moment.left);
}

/** The stretch from its beginning: a line in which a bounce was dropped, say. */
export function onceMore(clock: RunningClock, now: number): RunningClock {
  const moment = momentAt(clock.stretches, elapsedAt(clock, now));
  return moment === null ? clock : shifted(clock, -moment.into);
}

/** When each call of a stretch begins. */
function callStarts(calls: readonly ClockCall[]): readonly number[] {
  let at = 0;
  return calls.map(({ seconds }) => {
    const start = at;
    at += seconds;
    return start;
  });
}

/** Whether a click is the first since a call began. */
function isFirstAfter(starts: readonly number[], clicks: readonly number[], at: number): boolean {
  return starts.some((start) => at >= start && !clicks.some((other) => other >= start && other < at));
}

/** The clicks within a span of a programme, in seconds from its beginning: each beat of what has a tempo. */
export function clicksBetween(
  stretches: readonly Stretch[],
  from: number,
  to: number,
): readonly { readonly at: number; readonly isFirst: boolean }[] {
  const clicks: { at: number; isFirst: boolean }[] = [];
  let began = 0;
  for (const { seconds, tempo, clicks: own, calls } of stretches) {
    if (own !== undefined) {
      const turns = callStarts(calls);
      for (const at of own)
        if (began + at >= from && began + at < to)
          clicks.push({ at: began + at, isFirst: isFirstAfter(turns, own, at) });
    }
    const gap = tempo === null ? null : 60 / tempo;
    if (gap !== null && began < to && began + seconds > from) {
      const first = Math.max(0, Math.ceil((from - began) / gap - 1e-9));
      // Beats to come are told by their number, so that no error adds up.
      for (let beat = first; beat * gap < seconds - 1e-6 && began + beat * gap < to; beat += 1)
        clicks.push({ at: began + beat * gap, isFirst: beat % COUNTS_A_FOUR === 0 });
    }
    began += seconds;
  }
  return clicks;
}
