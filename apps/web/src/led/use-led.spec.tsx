import { afterEach, describe, expect, it } from "@jest/globals";
import type { SetRequest } from "@mirrup/contract";
import { act, cleanup } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import type { LedBlock } from "./led.js";
import { useLed, type LedSession } from "./use-led.js";

const block = (subject: string): LedBlock => ({
  ...{
    key: `main ${subject}:left`,
    name: subject,
    phase: "main",
    subject,
    side: "left",
    sets: 2,
    minutes: 6,
  },
  ...{ drill: { kind: "streak", count: 5 }, comboId: null },
});
const BLOCKS = ["cross", "skier", "side-swing"].map(block);
const KEYS = BLOCKS.map(({ key }) => key);
const [FIRST = "", SECOND = "", THIRD = ""] = KEYS;
const set = (id: string, subject = "cross") =>
  ({
    ...{ id, studentId: "hana", subject, side: "left", drill: { kind: "streak", count: 5 }, clean: 7 },
    ...{ misses: [{ position: 3 }, { position: null, count: 2 }], bestStreak: 4, countedBy: "tapped" },
  }) as unknown as SetRequest;

/** A session as a page has it, and what it says after something was done. */
function held(studentId = "hana") {
  let session: LedSession | undefined;
  function Page() {
    session = useLed(studentId);
    return null;
  }
  drawn(<Page />);
  const now = () => {
    if (session === undefined) throw new Error("Nothing was drawn.");
    return session;
  };
  return {
    led: () => now().led,
    ahead: () => now().led?.ahead.map(({ key }) => key),
    // Storage tells of what was written a moment later.
    does: (what: (one: LedSession) => void) =>
      act(() => {
        what(now());
        return Promise.resolve();
      }),
  };
}

afterEach(() => {
  cleanup();
  localStorage.clear();
});

describe("a session that is held", () => {
  it("is none until it is begun, and none of another student's", async () => {
    const page = held();
    expect(page.led()).toBeNull();
    await page.does((one) => one.begin(BLOCKS));
    expect(page.ahead()).toEqual(KEYS);
    cleanup();
    expect(held("anton").led()).toBeNull();
    cleanup();
    // A reload.
    expect(held().ahead()).toEqual(KEYS);
  });

  it("counts the tries of a set, missed ones too, for the block that is under way, once", async () => {
    const page = held();
    await page.does((one) => one.begin(BLOCKS));
    await page.does((one) => one.count(set("s")));
    await page.does((one) => one.count(set("s")));
    await page.does((one) => one.count(set("t", "skier")));
    expect(page.led()?.now.sets).toEqual([{ id: "s", clean: 7, tries: 10 }]);
  });

  it("leaves a block, goes back to it, and gives it minutes", async () => {
    const page = held();
    await page.does((one) => one.begin(BLOCKS));
    await page.does((one) => one.leave(FIRST, "skipped"));
    expect([page.ahead(), page.led()?.past.map(({ end }) => end)]).toEqual([[SECOND, THIRD], ["skipped"]]);
    await page.does((one) => one.leave(FIRST, "done"));
    expect(page.ahead()).toEqual([SECOND, THIRD]);
    await page.does((one) => one.takeBack());
    expect(page.ahead()).toEqual(KEYS);
    await page.does((one) => one.lengthen(FIRST, 2));
    await page.does((one) => one.lengthen(SECOND, 5));
    expect(page.led()?.now.added).toBe(2);
  });

  it("does a later block first, and is put away", async () => {
    const page = held();
    await page.does((one) => one.begin(BLOCKS));
    await page.does((one) => one.swap(FIRST, THIRD));
    expect(page.ahead()).toEqual([THIRD, SECOND, FIRST]);
    await page.does((one) => one.end());
    expect(page.led()).toBeNull();
  });

  it("is forgotten when it is of another day", async () => {
    const page = held();
    await page.does((one) => one.begin(BLOCKS));
    const [key = ""] = Object.keys(localStorage);
    const kept = JSON.parse(localStorage.getItem(key) ?? "null") as { readonly startedAt: number };
    cleanup();
    localStorage.setItem(key, JSON.stringify({ ...kept, startedAt: kept.startedAt - 3 * 86_400_000 }));
    expect(held().led()).toBeNull();
  });
});
