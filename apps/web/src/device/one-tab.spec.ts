import { afterEach, describe, expect, it } from "@jest/globals";
import { claimRun, type Claim } from "./one-tab.js";

const open: Claim[] = [];
afterEach(() => {
  for (const claim of open.splice(0)) claim.release();
});

/** A tab that counts, and the device that all of them keep their taps on. */
function tab(device: Map<string, number>, key: string) {
  let counted = 0;
  let isLost = false;
  const claim = claimRun(key, {
    putDown: async () => {
      // A burst of taps is written after a while.
      await new Promise((resolve) => setTimeout(resolve, 20));
      device.set(key, counted);
    },
    lost: () => (isLost = true),
  });
  open.push(claim);
  return {
    ready: claim.taken.then(() => (counted = device.get(key) ?? 0)),
    tap: () => (isLost ? undefined : (counted += 1)),
    isLost: () => isLost,
    counted: () => counted,
  };
}

describe("a set that two tabs have open", () => {
  it("goes on in the last with every tap of the first, which takes none any more", async () => {
    const device = new Map<string, number>();
    const first = tab(device, "cross left");
    await first.ready;
    for (let tap = 0; tap < 13; tap += 1) first.tap();
    const second = tab(device, "cross left");
    await second.ready;
    expect([first.isLost(), second.isLost()]).toEqual([true, false]);
    expect(second.counted()).toBe(13);
    first.tap();
    second.tap();
    expect([first.counted(), second.counted()]).toEqual([13, 14]);
    // And back again.
    const third = tab(device, "cross left");
    await third.ready;
    expect([second.isLost(), third.counted()]).toEqual([true, 14]);
  });

  it("is where it was put down last, also for who opens it before the one before has it", async () => {
    const device = new Map<string, number>();
    const first = tab(device, "cross left");
    await first.ready;
    for (let tap = 0; tap < 5; tap += 1) first.tap();
    const others = [tab(device, "cross left"), tab(device, "cross left")];
    await Promise.all(others.map((other) => other.ready));
    expect([first, ...others].map((one) => one.isLost())).toEqual([true, true, false]);
    expect(others.at(-1)?.counted()).toBe(5);
  });

  it("is nobody else's business", async () => {
    const device = new Map<string, number>();
    const one = tab(device, "cross left");
    await one.ready;
    const other = tab(device, "cross right");
    await other.ready;
    expect([one.isLost(), other.isLost()]).toEqual([false, false]);
  });
});
