import { describe, expect, it } from "@jest/globals";
import { newRun } from "../app/floor-run.js";
import { liveRun } from "./live-run.js";

describe("the newest moment of a run", () => {
  it("is read by whoever is told of it, at once", () => {
    const live = liveRun(1000);
    const told: (string | undefined)[] = [];
    live.subscribe(() => told.push(live.get().kept?.setId));
    live.set({ kept: newRun("one", { kind: "streak", count: 10 }, 2000), now: 2000 });
    live.set({ kept: null, now: 3000 });
    expect(told).toEqual(["one", undefined]);
    expect(live.get()).toEqual({ kept: null, now: 3000 });
  });

  it("tells nobody who has left, and goes on telling the others", () => {
    const live = liveRun(0);
    let left = 0;
    let stays = 0;
    const leave = live.subscribe(() => (left += 1));
    live.subscribe(() => (stays += 1));
    live.set({ kept: null, now: 1 });
    leave();
    live.set({ kept: null, now: 2 });
    expect([left, stays]).toEqual([1, 2]);
  });
});
