import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { homeSet } from "@mirrup/contract/schemas";
import { checkSetCounts, type Drill } from "@mirrup/core";
import { newRun, withEntry } from "../app/floor-run.js";
import { tappedSet, typedFault, typedSet, type Counting } from "./counted.js";
import { countingKept, keepCounting } from "./kept-counting.js";
import { dropView, keepView, keptView, type KeptView } from "./kept-view.js";
import { linkHere, tokenOf } from "./link.js";

const START = Date.UTC(2026, 5, 1, 17);
const chosen: Counting = {
  ...{ id: "set", subject: "cross", side: "left", kept: null },
  drill: { kind: "one-out", count: 5 },
};
const after = (seconds: number) => START + 1000 * seconds;
const TOKEN = "abcdefghijklmnopqrstuvwxyz";

/** A phone's storage. */
function storage(isFull = false): Storage {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (isFull) throw new Error("full");
      kept.set(key, value);
    },
    removeItem: (key: string) => kept.delete(key),
  } as unknown as Storage;
}

describe("a set that is tapped at home", () => {
  it("is what the floor would make of the taps, and says neither whose it is nor who saw it", () => {
    const taps = ["clean", "clean", "miss", "clean"] as const;
    const kept = taps.reduce(
      (run, kind, place) => withEntry(run, { kind }, after(place + 1)),
      newRun("set", chosen.drill, START),
    );
    expect(tappedSet(chosen, kept, after(9))).toEqual({
      ...{ id: "set", subject: "cross", side: "left", drill: chosen.drill },
      ...{ clean: 3, misses: [{ position: 3 }], bestStreak: 1, seconds: 4, ticks: [1, 2, 4] },
      at: new Date(after(4)).toISOString(),
    });
  });

  it("is held by the clock where nobody counts, from when that was started", () => {
    const hold: Counting = { ...chosen, drill: { kind: "hold", seconds: 45 } };
    const set = tappedSet(hold, newRun("set", hold.drill, START), after(60));
    expect(set).toMatchObject({ seconds: 45, misses: [] });
    expect(set.clean).toBeGreaterThan(20);
  });

  it("is a set that the log takes, whatever was tapped", () => {
    const taps = fc.array(fc.tuple(fc.constantFrom("clean" as const, "miss" as const), fc.nat(20)));
    const drills: readonly Drill[] = [
      chosen.drill,
      { kind: "streak", count: 4 },
      { kind: "climb", top: 4, onMiss: "repeat" },
      { kind: "count", count: 20, seconds: 30 },
      { kind: "hold", seconds: 20 },
    ];
    fc.assert(
      fc.property(taps, fc.constantFrom(...drills), (all, drill) => {
        let [kept, second] = [newRun("0199c1b2-7a10-7c3e-9d52-1f0a3c5b7e90", drill, START), 0];
        for (const [kind, rest] of all) kept = withEntry(kept, { kind }, after((second += rest)));
        const set = tappedSet({ ...chosen, drill }, kept, after(second));
        expect(checkSetCounts(set)).toEqual([]);
        expect(homeSet.validate(set, { convert: false }).error).toBeUndefined();
      }),
    );
  });
});

describe("a set that was counted in the head", () => {
  it("claims no run that nobody knows", () => {
    const set = (missed: number, best: number | null) => typedSet(chosen, { clean: 12, missed, best }, START);
    expect(set(0, null)).toMatchObject({ clean: 12, misses: [], bestStreak: 12 });
    expect(set(3, null)).toMatchObject({ clean: 12, misses: [{ count: 3 }], bestStreak: 0 });
    expect(set(3, 7)).toMatchObject({ bestStreak: 7 });
  });

  it("is refused in a sentence where it cannot have been so", () => {
    const fault = (clean: number, missed: number, best: number | null = null) =>
      typedFault({ clean, missed, best });
    expect(fault(12, 3, 7)).toBeNull();
    expect(fault(0, 0)).toBe("Type how many tries were clean, or missed.");
    expect(fault(5, 0, 9)).toBe("The best streak is 9, more than the 5 clean tries. Give at most 5.");
    expect(fault(1.5, 0)).toBe("Give whole numbers, 0 or more.");
    expect(fault(NaN, 0)).toBe("Give whole numbers, 0 or more.");
    expect(fault(4999, 2)).toContain("More than 5000 tries");
  });
});

describe("what a phone keeps", () => {
  it("is the link that was opened last, for a page that is opened from the home screen", () => {
    const kept = storage();
    expect(linkHere("/home/", kept)).toBeNull();
    expect(linkHere(`/home/${TOKEN}`, kept)).toBe(TOKEN);
    expect(linkHere("/home/", kept)).toBe(TOKEN);
    expect(linkHere(`/home/${TOKEN}`, storage(true))).toBe(TOKEN);
    for (const path of [
      "/home/short",
      `/home/${TOKEN}/more`,
      `/homes/${TOKEN}`,
      "/home/<script>xxxxxxxxxxxxxxx",
    ])
      expect(tokenOf(path)).toBeNull();
  });

  it("is of its own link and build, and nothing where it is damaged", () => {
    const kept = storage();
    const view = { token: TOKEN, shape: "one", at: "now", view: {} } as unknown as KeptView;
    keepView(view, kept);
    expect(keptView(TOKEN, "one", kept)).toEqual(view);
    expect(keptView("another", "one", kept)).toBeNull();
    // A brother's link on the same phone takes nothing from it.
    keepView({ ...view, token: "another" }, kept);
    dropView("another", kept);
    expect(keptView(TOKEN, "one", kept)).toEqual(view);
    expect(keptView(TOKEN, "two", kept)).toBeNull();
    kept.setItem(`mirrup-home-view ${TOKEN}`, "{");
    expect(keptView(TOKEN, "one", kept)).toBeNull();
  });

  it("is every tap of a counting under way", () => {
    const kept = storage();
    const run = withEntry(newRun("set", chosen.drill, START), { kind: "clean" }, after(1));
    const counting: Counting = { ...chosen, kept: run };
    keepCounting(TOKEN, counting, kept);
    expect(countingKept(TOKEN, kept, START)).toEqual({ counting, isOld: false });
    expect(countingKept("another", kept, START)).toBeNull();
    keepCounting(TOKEN, null, kept);
    expect(countingKept(TOKEN, kept, START)).toBeNull();
  });

  it("is told apart from what is counted today, and is nothing where only a clock ran, or nobody can read it", () => {
    const kept = storage();
    const DAY = 24 * 3600;
    const keep = (counting: Counting) => keepCounting(TOKEN, counting, kept);
    const run = withEntry(newRun("set", chosen.drill, START), { kind: "miss" }, after(1));
    keep({ ...chosen, kept: run });
    expect(countingKept(TOKEN, kept, after(DAY))?.isOld).toBe(true);
    const hold = { kind: "hold", seconds: 30 } as const;
    keep({ ...chosen, drill: hold, kept: newRun("set", hold, START) });
    expect(countingKept(TOKEN, kept, after(60))?.isOld).toBe(false);
    expect(countingKept(TOKEN, kept, after(DAY))).toBeNull();
    keep({ ...chosen, drill: { kind: "somersault" } as never, kept: null });
    expect(countingKept(TOKEN, kept, START)).toBeNull();
    keep({ ...chosen, kept: null });
    expect(countingKept(TOKEN, kept, after(DAY))).toEqual({
      counting: { ...chosen, kept: null },
      isOld: false,
    });
  });
});
