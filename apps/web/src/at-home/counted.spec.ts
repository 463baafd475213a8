import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { checkSetCounts, missCount } from "@mirrup/core";
import { runAt, tapped, tappedSet, typedFault, typedSet, undone, type Counting } from "./counted.js";
import { countingKept, keepCounting } from "./kept-counting.js";
import { keepView, keptView, type KeptView } from "./kept-view.js";
import { linkHere, tokenOf } from "./link.js";

const START = Date.UTC(2026, 5, 1, 17);
const begun: Counting = {
  ...{ id: "set", subject: "cross", side: "left", startedAt: START, taps: [] },
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
  it("has each miss at its place, and when the clean ones were", () => {
    const taps = ["clean", "clean", "miss", "clean"] as const;
    const counting = taps.reduce((one, kind, place) => tapped(one, kind, after(place + 1)), begun);
    expect(tappedSet(counting, after(9))).toEqual({
      ...{ id: "set", subject: "cross", side: "left", drill: begun.drill },
      ...{ clean: 3, misses: [{ position: 3 }], bestStreak: 1, seconds: 4, ticks: [1, 2, 4] },
      at: new Date(after(9)).toISOString(),
    });
  });

  it("ends where the drill does: what is tapped after that counts for nothing", () => {
    const five = [1, 2, 3, 4, 5, 6].reduce((one, second) => tapped(one, "clean", after(second)), begun);
    expect(runAt(five, after(7)).end).not.toBe("running");
    expect(five.taps).toHaveLength(5);
  });

  it("is as it was before the last tap once that is taken back", () => {
    const one = tapped(begun, "miss", after(1));
    expect(undone(tapped(one, "clean", after(2)))).toEqual(one);
  });

  it("is a set that the log takes, whatever was tapped", () => {
    const taps = fc.array(fc.tuple(fc.constantFrom("clean" as const, "miss" as const), fc.nat(20)));
    fc.assert(
      fc.property(taps, fc.constantFrom("one-out", "streak", "climb"), (all, kind) => {
        const drill = { one: { kind: "one-out", count: 5 }, streak: { kind: "streak", count: 4 } } as const;
        const climb = { kind: "climb", top: 4, onMiss: "repeat" } as const;
        const of = kind === "climb" ? climb : kind === "streak" ? drill.streak : drill.one;
        let [counting, second]: [Counting, number] = [{ ...begun, drill: of }, 0];
        for (const [tap, rest] of all) counting = tapped(counting, tap, after((second += rest)));
        const set = tappedSet(counting, after(second));
        expect(checkSetCounts(set)).toEqual([]);
        expect(set.clean + missCount(set.misses)).toBeLessThanOrEqual(counting.taps.length);
      }),
    );
  });
});

describe("a set that was counted in the head", () => {
  it("claims no run that nobody knows", () => {
    const set = (missed: number, best: number | null) => typedSet(begun, { clean: 12, missed, best }, START);
    expect(set(0, null)).toMatchObject({ clean: 12, misses: [], bestStreak: 12 });
    expect(set(3, null)).toMatchObject({ clean: 12, misses: [{ count: 3 }], bestStreak: 0 });
    expect(set(3, 7)).toMatchObject({ bestStreak: 7 });
  });

  it("is refused in a sentence where it cannot have been so", () => {
    const fault = (clean: number, missed: number, best: number | null = null) =>
      typedFault({ clean, missed, best });
    expect(fault(12, 3, 7)).toBeNull();
    expect(fault(0, 0)).toBe("Give at least one try.");
    expect(fault(5, 0, 9)).toBe("9 in a row is more than the 5 clean ones. Give at most 5.");
    expect(fault(1.5, 0)).toBe("Give whole numbers, 0 or more.");
    expect(fault(NaN, 0)).toBe("Give whole numbers, 0 or more.");
    expect(fault(4999, 2)).toContain("at most 5000");
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
    expect(keptView(TOKEN, "two", kept)).toBeNull();
    kept.setItem("mirrup-home-view", "{");
    expect(keptView(TOKEN, "one", kept)).toBeNull();
  });

  it("is every tap of a counting under way", () => {
    const kept = storage();
    const counting = tapped(begun, "clean", after(1));
    keepCounting(TOKEN, counting, kept);
    expect(countingKept(TOKEN, kept)).toEqual(counting);
    expect(countingKept("another", kept)).toBeNull();
    keepCounting(TOKEN, null, kept);
    expect(countingKept(TOKEN, kept)).toBeNull();
  });
});
