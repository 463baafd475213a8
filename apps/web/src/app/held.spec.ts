import { describe, expect, it } from "@jest/globals";
import { held } from "./held.js";

describe("a value that is held", () => {
  it("is read by whoever is told of it, at once", () => {
    const beat = held<number | null>(null);
    const told: (number | null)[] = [];
    beat.subscribe(() => told.push(beat.get()));
    beat.set(1);
    beat.set(null);
    expect(told).toEqual([1, null]);
    expect(beat.get()).toBeNull();
  });

  it("tells nobody who has left, and goes on telling the others", () => {
    const beat = held(0);
    let left = 0;
    let stays = 0;
    const leave = beat.subscribe(() => (left += 1));
    beat.subscribe(() => (stays += 1));
    beat.set(1);
    leave();
    beat.set(2);
    expect([left, stays]).toEqual([1, 2]);
  });
});
