import { describe, expect, it } from "@jest/globals";
import { rhythmOf, ticksOf, withMessage, type HandleMessage } from "@mirrup/core/combos";
import { playHandle, type Jumper } from "./handle.js";

const JUMPER: Jumper = { seed: 7, tempo: 120, clean: 0.97, drift: 0, evenness: 95, fatigue: 0 };

const heard = (jumper: Jumper, seconds: number) =>
  playHandle(jumper, seconds).reduce<readonly HandleMessage[]>(
    (all, { message }) => withMessage(all, message),
    [],
  );

describe("a simulated handle", () => {
  it("is the same for the same seed, and another for another", () => {
    expect(playHandle(JUMPER, 30)).toEqual(playHandle(JUMPER, 30));
    expect(playHandle(JUMPER, 30)).not.toEqual(playHandle({ ...JUMPER, seed: 8 }, 30));
  });

  it("sends some messages twice, late or not at all, and breaks its line", () => {
    const sendings = playHandle(JUMPER, 240);
    const seqs = sendings.map(({ message }) => message.seq);
    expect(new Set(seqs).size).toBeLessThan(seqs.length);
    expect(new Set(seqs).size).toBeLessThan(Math.max(...seqs) + 1);
    expect(seqs.some((seq, place) => seq < Math.max(...seqs.slice(0, place)))).toBe(true);
    expect(sendings.some((one) => one.breaksAfter)).toBe(true);
  });

  it("is heard in full for all that: every turn is counted once", () => {
    const messages = heard(JUMPER, 120);
    expect(ticksOf(messages)).toHaveLength(messages.at(-1)?.turns ?? 0);
  });

  it("turns at the tempo asked, trips as often as asked, and tires", () => {
    const fresh = heard(JUMPER, 300);
    const share = fresh.filter((one) => one.kind === "turn").length / fresh.length;
    expect(share).toBeGreaterThan(0.94);
    expect(rhythmOf(ticksOf(heard({ ...JUMPER, clean: 1 }, 60)))?.tempo).toBeCloseTo(120, -1);
    const tired = heard({ ...JUMPER, fatigue: 0.1 }, 300);
    const trips = (from: number, to: number) =>
      tired.filter((one) => one.kind === "trip" && one.at >= from && one.at < to).length;
    expect(trips(150_000, 300_000)).toBeGreaterThan(1.5 * trips(0, 150_000));
  });

  it("is as even as asked", () => {
    const evenness = (asked: number) =>
      rhythmOf(ticksOf(heard({ ...JUMPER, clean: 1, evenness: asked }, 120)))?.evenness ?? 0;
    expect(evenness(100)).toBeGreaterThan(95);
    expect(evenness(80)).toBeLessThan(90);
  });
});
