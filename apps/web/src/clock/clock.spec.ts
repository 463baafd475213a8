import { CATALOGUE, INTERVALS } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import { clockSeconds, momentAt, type Stretch } from "@mirrup/core/teaching";
import { statusCodes } from "@mirrup/core/teaching";
import { type ClockMeans, FIRST_ASKED, stretchesOf, withInterval } from "./asked.js";
import { poolOfClass, poolOfStudent } from "./pool.js";
import { nextWords, nowWords, placeWords } from "./words.js";

const standing = (subject: string, side: "left" | "right" | "whole", status: "cleared" | "locked") =>
  ({ subject, side, status }) as Parameters<typeof poolOfStudent>[0][number];

const POOL = poolOfStudent([
  standing("basic-bounce", "whole", "cleared"),
  standing("cross", "left", "cleared"),
  standing("cross", "right", "locked"),
  standing("side-swing", "left", "cleared"),
]);

const SWING = { subject: "side-swing", side: "right", score: "sr o", times: 1 } as const;
const COMBOS = ["a", "b"].map((id) => ({ id, name: id, parts: [SWING], names: ["side swing"] }));
const MEANS: ClockMeans = { pool: POOL, combos: COMBOS, jumper: { dominant: "r" }, seed: 1 };

describe("what a clock may call", () => {
  it("is what a student has cleared and can be counted", () => {
    expect(POOL.map((move) => move.key)).toEqual(["basic-bounce:whole", "cross:left", "side-swing:left"]);
  });

  it("of a class is what all of them have, and of nobody nothing", () => {
    expect(statusCodes([])).toBe("");
    const sides = ["basic-bounce:whole", "cross:left"];
    const students = [
      { id: "a", name: "A", codes: "cc" },
      { id: "b", name: "B", codes: "i-" },
    ];
    expect(poolOfClass({ sides, students }).map((move) => move.key)).toEqual(["basic-bounce:whole"]);
    expect(poolOfClass({ sides, students: [] })).toEqual([]);
  });
});

describe("what is asked of a clock", () => {
  it("comes to a programme from each ready one", () => {
    for (const interval of INTERVALS) {
      const { rounds, work, rest } = interval;
      const { stretches } = stretchesOf(withInterval({ ...FIRST_ASKED, kind: "mix" }, interval), {
        ...MEANS,
        pool: [],
        seed: 1,
      });
      expect(clockSeconds(stretches.slice(1))).toBe(rounds * work + (rounds - 1) * rest);
    }
  });

  it("of a combo does it so often, with rests between, and the first kept where none is named", () => {
    const asked = { ...FIRST_ASKED, kind: "combo", rounds: 3, rest: 10, tempo: 120 } as const;
    const kinds = (combo: string, combos = COMBOS) =>
      stretchesOf({ ...asked, combo }, { ...MEANS, combos }).stretches.map((one) => one.kind);
    const whole = ["count-in", "work", "rest", "work", "rest", "work"];
    for (const combo of ["b", "", "gone"]) expect(kinds(combo)).toEqual(whole);
    expect(kinds("b", [])).toEqual([]);
  });

  it("as a circuit grows from the bounces, and is nothing without a part", () => {
    const asked = {
      ...FIRST_ASKED,
      kind: "circuit",
      tempo: 120,
      parts: ["cross:left", "gone:left"],
    } as const;
    const work = stretchesOf(asked, { ...MEANS, seed: 1 }).stretches.filter((one) => one.kind === "work");
    expect(work.map((one) => one.calls.length)).toEqual([1, 1, 2, 2]);
    expect(work[0]?.seconds).toBe(2);
    expect(stretchesOf({ ...asked, parts: [] }, { ...MEANS, seed: 1 }).stretches).toEqual([]);
  });

  it("as a mix fills its minutes with what is cleared", () => {
    const { stretches } = stretchesOf({ ...FIRST_ASKED, kind: "mix", minutes: 2 }, { ...MEANS, seed: 1 });
    expect(clockSeconds(stretches.slice(1))).toBeGreaterThan(110);
    expect(clockSeconds(stretches.slice(1))).toBeLessThan(130);
    const known = new Set(POOL.map((move) => move.name));
    for (const { calls } of stretches.slice(1))
      for (const call of calls) expect(known.has(call.name)).toBe(true);
    expect(stretchesOf({ ...FIRST_ASKED, kind: "mix" }, { ...MEANS, pool: [], seed: 1 }).stretches).toEqual(
      [],
    );
  });
});

describe("what a clock says", () => {
  const asked = { ...FIRST_ASKED, rounds: 2, work: 20, rest: 10, sets: 2, setRest: 30, what: "skier" };
  const { stretches } = stretchesOf(asked, { ...MEANS, pool: [], seed: 1 });
  const at = (seconds: number) => {
    const moment = momentAt(stretches, seconds);
    if (moment === null) return null;
    return [nowWords(moment), nextWords(moment, stretches), placeWords(moment.stretch, "round")];
  };

  it("is what is done, what comes, and where it stands", () => {
    expect(at(0)).toEqual(["Ready", "skier", "round 1 of 2, set 1 of 2"]);
    expect(at(6)).toEqual(["Skier", "rest", "round 1 of 2, set 1 of 2"]);
    expect(at(26)).toEqual(["Rest", "skier", "round 1 of 2, set 1 of 2"]);
    expect(at(clockSeconds(stretches) - 1)).toEqual(["Skier", "the end", "round 2 of 2, set 2 of 2"]);
    expect(at(clockSeconds(stretches))).toBeNull();
  });

  it("names a rest in which the rope goes on", () => {
    const place = { round: 1, rounds: 2, set: 1, sets: 1 };
    const calls = [{ name: "side swing", seconds: 6 }];
    const rest: Stretch = { kind: "rest", seconds: 6, tempo: 120, place, calls };
    const moment = momentAt([rest], 1);
    expect(moment === null ? null : nowWords(moment)).toBe("Side swing");
    const work: Stretch = { ...rest, kind: "work", calls: [] };
    const before = momentAt([work, rest], 1);
    expect(before === null ? null : nextWords(before, [work, rest])).toBe("side swing");
    expect(placeWords(rest, "combo")).toBe("combo 1 of 2");
  });

  it("is plain where nothing is named, and says no place where there is but one", () => {
    const plain = stretchesOf(
      { ...asked, rounds: 1, sets: 1, what: "" },
      { ...MEANS, pool: [], seed: 1 },
    ).stretches;
    const moment = momentAt(plain, 6);
    expect(moment === null ? null : [nowWords(moment), placeWords(moment.stretch, "round")]).toEqual([
      "Work",
      "",
    ]);
  });
});

it("the catalogue has what circuits begin with", () => {
  expect(CATALOGUE.skills.has(CATALOGUE.roles.bounce ?? "")).toBe(true);
});
