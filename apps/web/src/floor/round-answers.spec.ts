import { describe, expect, it } from "@jest/globals";
import type { Drill } from "@mirrup/core";
import { answersAt, heldFor } from "./round-answers.js";

const hold: Drill = { kind: "hold", seconds: 30 };
const streak: Drill = { kind: "streak", count: 10 };

describe("how long a hold was held", () => {
  it("is to a tenth of a second, and nothing once it is over, or for what is no hold", () => {
    expect(heldFor(hold, 12.345)).toBe(12.3);
    expect(heldFor(hold, -2)).toBe(0);
    expect(heldFor(hold, 30)).toBeNull();
    expect(heldFor(streak, 3)).toBeNull();
  });
});

describe("the answers when a round ends", () => {
  const all = (drill: Drill, elapsed: number | null) =>
    answersAt({ a: 12.3, away: "made-it" }, ["a", "b"], () => drill, elapsed);

  it("of a hold: who was not tapped held it to its end, or until it was ended for all", () => {
    expect(all(hold, 31)).toEqual({ a: 12.3, b: "made-it" });
    expect(all(hold, 20.04)).toEqual({ a: 12.3, b: 20 });
  });

  it("of what is no hold, and of one that never began: those alone that were tapped and are here", () => {
    expect(all(streak, 31)).toEqual({ a: 12.3 });
    expect(all(hold, null)).toEqual({ a: 12.3 });
  });

  it("are each by their own drill", () => {
    const mixed = answersAt({}, ["a", "b"], (id) => (id === "a" ? hold : streak), 40);
    expect(mixed).toEqual({ a: "made-it" });
  });
});
