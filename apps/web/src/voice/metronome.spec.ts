import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import fc from "fast-check";
import { startMetronome } from "./metronome.js";
import type { Recorded } from "./recorded.js";
import { LATEST_SECONDS } from "./speak.js";

/** A sound as it was told to the audio clock: for when, and when, seconds. */
interface Told {
  readonly at: number;
  readonly now: number;
}

/** An audio clock that a test moves, and what was told to it. */
function clock() {
  const clicks: Told[] = [];
  const words: Told[] = [];
  const audio = {
    currentTime: 0,
    destination: {},
    resume: () => Promise.resolve(),
    close: () => Promise.resolve(),
    createGain: () => ({
      gain: { value: 1, setValueAtTime: () => undefined, exponentialRampToValueAtTime: () => undefined },
      connect: (to: unknown) => to,
    }),
    createOscillator: () => ({
      frequency: { value: 0 },
      connect: (to: unknown) => to,
      start: (at: number) => clicks.push({ at, now: audio.currentTime }),
      stop: () => undefined,
    }),
    createBufferSource: () => ({
      buffer: null,
      playbackRate: { value: 1 },
      connect: (to: unknown) => to,
      start: (at: number) => words.push({ at, now: audio.currentTime }),
    }),
  };
  /** Lets time pass: the page's timers with it, or, while it is busy, the audio clock alone. */
  const pass = (seconds: number, isBusy: boolean) => {
    const ticks = Math.round(seconds * 100);
    for (let tick = 0; tick < ticks; tick += 1) {
      audio.currentTime += 0.01;
      if (!isBusy) jest.advanceTimersByTime(10);
    }
    // What was due meanwhile comes at once.
    if (isBusy) jest.advanceTimersByTime(ticks * 10);
  };
  return { audio, clicks, words, pass };
}

const RECORDED = { buffer: {}, delay: 0 } as Recorded;
const PATTERN = [{ words: "swing", turns: [] }];

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(globalThis, "AudioContext");
});

function started(tempo: number) {
  const { audio, ...rest } = clock();
  Object.assign(globalThis, {
    AudioContext: function AudioContext() {
      return audio;
    },
  });
  const beats: number[] = [];
  const metronome = startMetronome(
    tempo,
    (beat) => beats.push(beat),
    PATTERN,
    () => RECORDED,
  );
  return { ...rest, beats, metronome };
}

describe("the metronome", () => {
  it("counts in, and goes on at its tempo, with a word to each beat", () => {
    const { clicks, words, beats, metronome, pass } = started(120);
    pass(5, false);
    metronome.stop();
    expect(beats).toEqual([-3, -2, -1, 0, 1, 2, 3, 4, 5, 6]);
    clicks.slice(1).forEach(({ at }, index) => expect(at - (clicks[index]?.at ?? 0)).toBeCloseTo(0.5, 9));
    expect(words).toHaveLength(clicks.length);
  });

  it("takes another tempo within two beats, without a new count-in", () => {
    const { clicks, metronome, pass } = started(120);
    pass(4, false);
    metronome.setTempo(60);
    pass(4, false);
    metronome.stop();
    const gaps = clicks.slice(1).map(({ at }, index) => at - (clicks[index]?.at ?? 0));
    const changed = gaps.findIndex((gap) => gap > 0.9);
    expect(clicks[changed]?.at).toBeLessThan(4 + 2 * 0.5);
    gaps.slice(changed).forEach((gap) => expect(gap).toBeCloseTo(1, 9));
  });

  // However long the page is busy, and how often.
  const stretches = fc.array(fc.tuple(fc.double({ min: 0.05, max: 4, noNaN: true }), fc.boolean()), {
    minLength: 1,
    maxLength: 8,
  });
  it("tells nothing to the clock that is over, and keeps to its beats over any time that the page is busy", () => {
    fc.assert(
      fc.property(stretches, fc.integer({ min: 40, max: 240 }), (parts, tempo) => {
        const { clicks, words, beats, metronome, pass } = started(tempo);
        parts.forEach(([seconds, isBusy]) => pass(seconds, isBusy));
        pass(2, false);
        metronome.stop();
        for (const { at, now } of [...clicks, ...words]) {
          expect(now - at).toBeLessThanOrEqual(LATEST_SECONDS + 1e-9);
        }
        const first = clicks[0]?.at ?? 0;
        for (const { at } of clicks) {
          const beat = ((at - first) * tempo) / 60;
          expect(Math.abs(beat - Math.round(beat))).toBeLessThan(1e-6);
        }
        expect(new Set(beats).size).toBe(beats.length);
      }),
      { numRuns: 60 },
    );
  });

  it("is busy for half a second without a beat that is left out", () => {
    const { beats, metronome, pass } = started(180);
    pass(2, false);
    pass(0.5, true);
    pass(2, false);
    metronome.stop();
    expect(beats.toSorted((a, b) => a - b)).toEqual(beats.map((_, index) => index - 3));
  });
});
