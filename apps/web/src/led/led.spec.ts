import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import {
  blockNow,
  isDue,
  ledFrom,
  left,
  lengthened,
  secondsLeft,
  swapped,
  takenBack,
  withSet,
  type Led,
  type LedBlock,
} from "./led.js";

const START = 1_700_000_000_000;
const MINUTE = 60_000;

function block(key: string, more: Partial<LedBlock> = {}): LedBlock {
  return {
    ...{ key, name: key, phase: "main", subject: key, side: "whole", comboId: null },
    ...{ drill: { kind: "streak", count: 10 }, sets: 2, minutes: 5 },
    ...more,
  };
}

const BLOCKS = ["a", "b", "c"].map((key) => block(key));
const set = (id: string) => ({ id, clean: 8, tries: 10 });
const of = (subject: string) => ({ subject, side: "whole" as const });

describe("a session that is led", () => {
  it("goes from block to block, and keeps what each took", () => {
    const begun = ledFrom(BLOCKS, START);
    const counted = withSet(withSet(begun, of("a"), set("1")), of("a"), set("2"));
    expect(isDue(begun, START)).toBe(false);
    expect(isDue(counted, START)).toBe(true);
    const on = left(counted, "a", "done", START + 4 * MINUTE);
    expect(blockNow(on)?.key).toBe("b");
    expect(on.past).toEqual([
      { block: BLOCKS[0], end: "done", seconds: 240, sets: [set("1"), set("2")], added: 0 },
    ]);
    const over = ["b", "c"].reduce((led, key) => left(led, key, "skipped", START + 9 * MINUTE), on);
    expect(blockNow(over)).toBeNull();
    expect(isDue(over, START)).toBe(false);
  });

  it("is due when its minutes are up, the added ones with them", () => {
    const begun = ledFrom(BLOCKS, START);
    expect(secondsLeft(begun, START + MINUTE)).toBe(240);
    expect(isDue(begun, START + 5 * MINUTE)).toBe(true);
    const longer = lengthened(begun, "a", 2);
    expect(isDue(longer, START + 5 * MINUTE)).toBe(false);
    expect(secondsLeft(longer, START + 8 * MINUTE)).toBe(-60);
  });

  it("hears what is said of another block, or said twice, as nothing", () => {
    const begun = ledFrom(BLOCKS, START);
    const once = left(begun, "a", "done", START);
    expect(left(once, "a", "done", START)).toBe(once);
    expect(lengthened(once, "a", 2)).toBe(once);
    expect(swapped(once, "a", "b", START)).toBe(once);
    expect(withSet(once, of("a"), set("1"))).toBe(once);
    const counted = withSet(once, of("b"), set("1"));
    expect(withSet(counted, of("b"), set("1"))).toBe(counted);
  });

  it("exchanges a block for any that is to come, while nothing of it is done", () => {
    const begun = ledFrom(BLOCKS, START);
    const order = (withKey: string) => swapped(begun, "a", withKey, START).ahead.map((one) => one.key);
    expect(order("b")).toEqual(["b", "a", "c"]);
    expect(order("c")).toEqual(["c", "b", "a"]);
    for (const nothing of ["a", "gone"]) expect(swapped(begun, "a", nothing, START)).toBe(begun);
    const counted = withSet(begun, of("a"), set("1"));
    expect(swapped(counted, "a", "b", START)).toBe(counted);
  });

  it("is taken back only while nothing of the next block is done", () => {
    const on = left(ledFrom(BLOCKS, START), "a", "done", START);
    const counted = withSet(on, of("b"), set("1"));
    expect(takenBack(counted, START)).toBe(counted);
    expect(blockNow(takenBack(on, START))?.key).toBe("a");
  });
});

describe("whatever is pressed, in whatever order", () => {
  type Act = (led: Led, now: number) => Led;
  const key = fc.constantFrom("a", "b", "c");
  const act: fc.Arbitrary<Act> = fc.oneof(
    fc.tuple(key, fc.constantFrom("done" as const, "skipped" as const)).map(
      ([of, end]): Act =>
        (led, now) =>
          left(led, of, end, now),
    ),
    key.map(
      (of): Act =>
        (led) =>
          lengthened(led, of, 2),
    ),
    fc.tuple(key, key).map(
      ([of, other]): Act =>
        (led, now) =>
          swapped(led, of, other, now),
    ),
    fc.constant<Act>((led, now) => takenBack(led, now)),
    fc.tuple(key, fc.integer({ min: 1, max: 9 })).map(
      ([one, id]): Act =>
        (led) =>
          withSet(led, of(one), set(String(id))),
    ),
  );
  const history = fc.array(fc.tuple(act, fc.integer({ min: 0, max: 90 })), { maxLength: 60 });

  it("no block is lost or stands twice, no set counts in another's block, and no more time is told than went by", () => {
    fc.assert(
      fc.property(history, (acts) => {
        let now = START;
        let led = ledFrom(BLOCKS, START);
        for (const [go, seconds] of acts) {
          now += 1000 * seconds;
          led = go(led, now);
          const keys = [...led.past.map((one) => one.block.key), ...led.ahead.map((one) => one.key)];
          expect([...keys].sort()).toEqual(["a", "b", "c"]);
          const told = led.past.reduce((sum, one) => sum + one.seconds, 0);
          expect(told).toBeLessThanOrEqual((now - START) / 1000);
          expect(led.since).toBeLessThanOrEqual(now);
          for (const { sets } of [...led.past, led.now])
            expect(new Set(sets.map((one) => one.id)).size).toBe(sets.length);
        }
      }),
    );
  });

  it("what is taken back stands as it stood, however long after", () => {
    fc.assert(
      fc.property(history, fc.integer({ min: 0, max: 900 }), (acts, later) => {
        let now = START;
        let led = ledFrom(BLOCKS, START);
        for (const [go, seconds] of acts) {
          now += 1000 * seconds;
          led = go(led, now);
        }
        const here = blockNow(led);
        if (here === null) return;
        const back = takenBack(left(led, here.key, "done", now), now + 1000 * later);
        expect({ ...back, since: 0 }).toEqual({ ...led, since: 0 });
        expect(secondsLeft(back, now + 1000 * later)).toBe(secondsLeft(led, now));
      }),
    );
  });
});
