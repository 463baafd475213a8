import { describe, expect, it } from "@jest/globals";
import { MOST_TAPS } from "@mirrup/contract";
import type { Drill } from "@mirrup/core";
import { runOf } from "@mirrup/core/teaching";
import fc from "fast-check";
import { setRequest } from "@mirrup/contract/schemas";
import {
  asksWhy,
  countedAt,
  elapsedOf,
  handFault,
  newRun,
  runAt,
  setByHand,
  setOf,
  takenUp,
  withEntry,
  withFault,
  withoutHandle,
  withoutLast,
  withSensed,
  type Entry,
} from "./floor-run.js";

const START = Date.parse("2026-11-25T17:30:00Z");
const SET_ID = "0199c6b0-0000-7000-8000-000000000001";
const ABOUT = { studentId: "0199c6b0-0000-7000-8000-000000000002", subject: "cross", side: "left" } as const;
const STREAK: Drill = { kind: "streak", count: 10 };
const CLEAN: Entry = { kind: "clean" };
const MISS: Entry = { kind: "miss" };

/** Entries a second apart, from the first second on. */
function entered(entries: readonly Entry[], drill = STREAK) {
  return entries.reduce(
    (run, entry, place) => withEntry(run, entry, START + 1000 * (place + 1)),
    newRun(SET_ID, drill, START),
  );
}

describe("a run on this device", () => {
  it("comes to a set that the server takes, timed by its last try", () => {
    const set = setOf(ABOUT, entered([CLEAN, CLEAN, MISS, CLEAN]), START + 60_000);
    expect(setRequest.validate(set).error).toBeUndefined();
    expect(set).toMatchObject({
      clean: 3,
      misses: [{ position: 3 }],
      bestStreak: 2,
      seconds: 4,
      countedBy: "tapped",
      at: "2026-11-25T17:30:04.000Z",
    });
  });

  it("keeps when each clean try came, where each was tapped", () => {
    expect(setOf(ABOUT, entered([CLEAN, MISS, CLEAN]), START + 9000).ticks).toEqual([1, 3]);
    const typed = entered([CLEAN, { kind: "clean", times: 3 }]);
    expect(setOf(ABOUT, typed, START + 9000)).not.toHaveProperty("ticks");
    expect(setOf(ABOUT, entered([MISS]), START + 9000)).not.toHaveProperty("ticks");
    // A device's clock that was put back is no rhythm, and no reason to refuse the set.
    const back = withEntry(entered([CLEAN, CLEAN]), CLEAN, START + 500);
    const set = setOf(ABOUT, back, START + 9000);
    expect(set).not.toHaveProperty("ticks");
    expect(setRequest.validate(set).error).toBeUndefined();
  });

  it("takes no more tries once it is over, but can be corrected", () => {
    const over = entered(Array.from({ length: 10 }, () => CLEAN));
    expect(withEntry(over, CLEAN, START + 20_000)).toBe(over);
    const corrected = withEntry(over, { kind: "less", times: 2 }, START + 20_000);
    expect(runAt(corrected, START + 21_000)).toMatchObject({ done: 8, end: "running" });
  });

  it("stands tap by tap as all its taps come to, whatever was entered", () => {
    const entry = fc.oneof(
      { weight: 3, arbitrary: fc.constantFrom<Entry>(CLEAN, MISS) },
      fc.constantFrom<Entry>({ kind: "clean", times: 5 }, { kind: "less", times: 2 }),
      fc.constantFrom<Entry>({ kind: "pace", every: 1 }, { kind: "stop" }),
    );
    const drill = fc.constantFrom<Drill>(
      ...[{ kind: "streak", count: 30 } as const, { kind: "link", count: 3, spacing: 4 } as const],
      ...[
        { kind: "climb", top: 9, onMiss: "drop" } as const,
        { kind: "count", count: 9, seconds: 20 } as const,
      ],
    );
    fc.assert(
      fc.property(drill, fc.array(fc.tuple(entry, fc.nat(4000))), (of, entries) => {
        let [kept, now] = [newRun(SET_ID, of, START), START];
        for (const [one, later] of entries) {
          now += later;
          kept = withEntry(kept, one, now);
          expect(runAt(kept, now)).toEqual(runOf(of, kept.taps, elapsedOf(kept, now)));
        }
      }),
    );
  });

  it("takes a lesson's worth of taps and no more", () => {
    const long: Drill = { kind: "streak", count: 100_000 };
    const taps = Array.from({ length: MOST_TAPS }, () => ({ kind: "clean" as const, at: 1 }));
    const full = { ...newRun(SET_ID, long, START), taps };
    expect(withEntry(full, CLEAN, START)).toBe(full);
  });

  it("names only the miss that was just made", () => {
    expect(withFault(entered([MISS]), "toes").taps).toMatchObject([{ kind: "miss", fault: "toes", at: 1 }]);
    const later = entered([MISS, CLEAN]);
    expect(withFault(later, "toes")).toBe(later);
  });

  it("is undone to its beginning, where a clock has one too", () => {
    const one = entered([CLEAN]);
    expect(withoutLast(one)).toBeNull();
    const hold = entered([MISS], { kind: "hold", seconds: 30 });
    const running = withoutLast(hold);
    expect(running?.taps).toEqual([]);
    expect(running === null ? "" : withoutLast(running)).toBeNull();
  });
});

describe("a count at a tempo", () => {
  const paced = entered([{ kind: "pace", every: 0.5 }]);

  it("goes on until it is stopped, and the set is timed by its last try", () => {
    expect(runAt(paced, START + 3100).clean).toBe(4);
    expect(setOf(ABOUT, paced, START + 3100)).toMatchObject({ clean: 4, seconds: 3 });
  });

  it("ends when a page that was closed last saw it", () => {
    const seen = { ...paced, seenAt: START + 4000 };
    expect(runAt(takenUp(seen), START + 3_600_000)).toMatchObject({ clean: 6, end: "running" });
    expect(runAt(takenUp(paced), START + 3_600_000).clean).toBe(0);
  });
});

describe("a handle", () => {
  const heard = (count: number) =>
    Array.from({ length: count }, (_, place) =>
      place === 1 ? ({ kind: "miss", turn: 1, at: place } as const) : ({ kind: "clean", at: place } as const),
    );

  it("counts after what was tapped before it, each time anew, and keeps the faults that were named", () => {
    const before = entered([CLEAN, CLEAN]);
    const first = withFault(withSensed(before, heard(2), START + 3000), "toes");
    const then = withSensed(first, heard(4), START + 4000);
    expect(then.taps.map((tap) => tap.kind)).toEqual(["clean", "clean", "clean", "miss", "clean", "clean"]);
    expect(then.taps[3]).toMatchObject({ fault: "toes", turn: 1 });
    expect(setOf(ABOUT, then, START + 9000)).toMatchObject({
      countedBy: "sensor",
      misses: [{ position: 4, fault: "toes", turn: 1 }],
    });
  });

  it("is the only one to count while it is listened to", () => {
    const sensed = withSensed(newRun(SET_ID, STREAK, START), heard(1), START);
    expect(withEntry(sensed, CLEAN, START)).toBe(sensed);
    expect(withEntry(withoutHandle(sensed), CLEAN, START + 1000).taps).toHaveLength(2);
    expect(takenUp(sensed).sensedFrom).toBeUndefined();
  });
});

describe("a set typed in afterwards", () => {
  it("is taken where its numbers fit each other", () => {
    const counts = { clean: 14, missed: 3, best: 8 };
    expect(handFault(counts)).toBeNull();
    const set = setByHand(ABOUT, newRun(SET_ID, STREAK, START), counts);
    expect(setRequest.validate(set).error).toBeUndefined();
    expect(set).toMatchObject({ countedBy: "hand", misses: [{ count: 3 }], bestStreak: 8 });
  });

  it.each([
    [{ clean: 0, missed: 0, best: 0 }, /Type how many/],
    [{ clean: 4, missed: 1, best: 9 }, /best streak is 9/],
    [{ clean: 9000, missed: 0, best: 1 }, /Split it/],
  ])("says what is wrong with %j", (counts, sentence) => {
    expect(handFault(counts)).toMatch(sentence);
  });
});

describe("a set as it stands", () => {
  const DRILL = { kind: "streak", count: 10 } as const;
  it("has not begun before the first tap, and is then of its own drill, whatever is proposed by now", () => {
    expect(countedAt({ kept: null, now: 5000 }, DRILL)).toMatchObject({ begun: false, taps: [], elapsed: 0 });
    const kept = withEntry(newRun("one", { kind: "streak", count: 4 }, 1000), { kind: "clean" }, 2000);
    expect(countedAt({ kept, now: 4000 }, DRILL)).toMatchObject({
      ...{ begun: true, drill: { count: 4 }, elapsed: 3, pacing: false },
      run: { done: 1, end: "running" },
    });
  });

  it("asks why after a miss until that is said", () => {
    const missed = withEntry(newRun("one", DRILL, 0), { kind: "miss" }, 1000);
    const why = (kept: typeof missed) => asksWhy(countedAt({ kept, now: 2000 }, DRILL).run);
    expect(why(missed)).toBe(true);
    expect(why(withFault(missed, "toes"))).toBe(false);
    expect(why(withEntry(missed, { kind: "clean" }, 2000))).toBe(false);
  });
});
