import { CATALOGUE } from "@mirrup/catalogue";
import { sideKey, SideSet, sidesOf } from "@mirrup/core";
import type { SideStatus } from "@mirrup/core/combos";
import type { Status } from "@mirrup/core/teaching";
import { describe, expect, it } from "@jest/globals";
import {
  addressOfMaking,
  everything,
  makeAskedFrom,
  openSides,
  poolOf,
  questionOf,
  together,
} from "./make-asked.js";
import type { ComboStudent } from "./combo-student.js";

const USUAL = makeAskedFrom(new URLSearchParams());
const NONE = new SideSet();

function student(name: string, statuses: Readonly<Record<string, Status>>): ComboStudent {
  const sides = [...CATALOGUE.skills.values()].flatMap((skill) =>
    sidesOf(skill).map((side): SideStatus => ({
      subject: skill.id,
      side,
      status: statuses[skill.id] ?? "locked",
    })),
  );
  const byKey = new Map(sides.map((one) => [sideKey(one.subject, one.side), one.status]));
  return {
    id: name,
    name,
    sides,
    statusOf: (subject, side) => byKey.get(sideKey(subject, side)),
    sideways: new Set(["br"]),
  };
}

describe("what is asked of combos", () => {
  it("stands in the address, and what is usual does not", () => {
    expect(addressOfMaking(USUAL, new URLSearchParams("for=x")).toString()).toBe("for=x");
    const asked = {
      ...USUAL,
      counts: 32,
      include: ["cross:left"],
      exclude: ["double-under"],
      bothSides: false,
      newSide: "cross:right",
      seed: 9,
    };
    expect(makeAskedFrom(addressOfMaking(asked, new URLSearchParams()))).toEqual(asked);
  });

  it("is kept within its limits, and forgets skills that there are none of", () => {
    const asked = makeAskedFrom(
      new URLSearchParams("counts=9999&many=-4&in=moonwalk&difficulty=evil&spacing=x&seed=0"),
    );
    expect(asked).toMatchObject({
      counts: 64,
      howMany: 1,
      include: [],
      difficulty: "any",
      spacing: 1,
      seed: 1,
    });
  });

  it("draws other combos for the next seed", () => {
    const seedOf = (seed: number) => questionOf({ ...USUAL, seed }, everything()).seed;
    expect(Math.abs(seedOf(2) - seedOf(1))).toBeGreaterThan(1000);
    expect(questionOf({ ...USUAL, difference: 5 }, everything()).difference).toBe(0.5);
  });
});

describe("for whom", () => {
  const one = student("One", {
    "basic-bounce": "cleared",
    cross: "cleared",
    "double-under": "working",
    swing: "ready",
  });
  const other = student("Other", { "basic-bounce": "inferred", cross: "ready", "double-under": "cleared" });

  it("is what all of a group can do", () => {
    const { sides } = together("both", [one, other]);
    const status = (subject: string) => sides.find((side) => side.subject === subject)?.status;
    expect(["basic-bounce", "cross", "double-under", "side-swing"].map(status)).toEqual([
      "cleared",
      "ready",
      "ready",
      "locked",
    ]);
    expect(openSides(together("both", [one, other]))).toEqual(
      expect.arrayContaining(["cross:left", "double-under:whole"]),
    );
    expect(together("nobody", []).sides).toEqual([]);
  });

  it("makes combos of what is met, and of the one new side that is named", () => {
    const makers = together("One", [one]);
    const subjects = (asked: Partial<typeof USUAL>) =>
      [...new Set(poolOf(makers, { ...USUAL, ...asked }, [], NONE).map(({ part }) => part.subject))].sort();
    expect(subjects({})).toEqual(["basic-bounce", "cross"]);
    expect(subjects({ newSide: "double-under:whole" })).toEqual(["basic-bounce", "cross", "double-under"]);
    expect(subjects({ newSide: "triple-under:whole" })).toEqual(["basic-bounce", "cross"]);
    expect(subjects({ among: ["double-under"] })).toEqual(["basic-bounce"]);
  });

  it("takes the slow bounce only where it is asked for", () => {
    const has = (include: readonly string[]) =>
      poolOf(everything(), { ...USUAL, include }, [], NONE).some(
        ({ part }) => part.subject === "slow-bounce",
      );
    expect([has([]), has(["slow-bounce"])]).toEqual([false, true]);
  });
});
