import { describe, expect, it } from "@jest/globals";
import { checkScore } from "../rope/check.js";
import { scoreOf } from "../rope/parse.js";
import { partsOf } from "../testing/combo-catalogue.js";
import type { Miss } from "../log/set.js";
import { comboKey, comboSubject, linkKey } from "../log/combo-subject.js";
import { comboStanding, sidesOfScore } from "./combo.js";
import { learningChances, type ChanceAsked } from "./learning-chance.js";
import { learningOf, type ComboSet } from "./learning.js";
import { learningSteps, type LearningStep } from "./learning-steps.js";
import { linksByTurn, linksOf } from "./links.js";
import { NO_FACTS } from "../record/facts.js";
import { startReview } from "../record/review.js";

const ID = "00000000-0000-7000-8000-000000000001";
const COMBO = partsOf("o sr sl (o o) xr o");
const STEPS = [
  { id: "boxer-step", score: scoreOf("o/r+tapl o/l+tapr") },
  { id: "run-step", score: scoreOf("o/r o/l") },
];
const OPTIONS = { id: ID, side: "right", dominant: "r", tempo: 120, steps: STEPS } as const;

function setOf(
  step: Pick<LearningStep, "subject" | "side" | "drill">,
  clean: number,
  misses: readonly Miss[],
  at = 1,
): ComboSet {
  return { subject: step.subject, side: step.side, drill: step.drill, clean, misses, bestStreak: clean, at };
}

/** A set of a link that went down to no bounces, with one miss on the way. */
function throughAll(step: LearningStep): ComboSet {
  const set = setOf(step, 13, [{ position: 2 }]);
  return { ...set, drill: { ...set.drill, spacing: 0 } };
}

const steps = learningSteps(COMBO, OPTIONS);
const stepOf = (id: string, list: readonly LearningStep[] = steps): LearningStep => {
  const found = list.find((one) => one.id === id);
  if (found === undefined) throw new Error(`no step ${id}`);
  return found;
};

describe("the ladder of a combo", () => {
  it("is its links, one gap closed after the other, whole, mirrored and faster", () => {
    expect(steps.map((step) => step.code)).toEqual([
      ...["link", "link", "gap", "gap"],
      ...["whole", "mirrored", "faster", "faster"],
    ]);
    expect(stepOf("whole").drill).toEqual({ kind: "one-out", count: 5, score: "o sr sl (o o) xr o" });
    expect(stepOf("mirrored")).toMatchObject({ side: "left", score: "o sl sr (o o) xl o" });
  });

  it("begins with the link of the greatest demand", () => {
    const links = linksOf(COMBO, OPTIONS);
    expect(links.map((link) => link.place)).toEqual([2, 3]);
    const [first] = steps;
    const hardest = [...links].sort((one, other) => other.demand - one.demand)[0];
    expect(first?.link).toBe(hardest?.place);
    expect(first).toMatchObject({
      subject: linkKey(ID, hardest?.place ?? 0),
      drill: { kind: "link", count: 4, spacing: 4 },
    });
  });

  it("closes one gap while the others keep their bounces", () => {
    const gaps = steps.filter((step) => step.code === "gap");
    expect(gaps.map((step) => [step.link, step.score, step.closed]).sort()).toEqual([
      [2, "o sr sl (o o) o*2 xr o", [2]],
      [3, "o sr sl o*2 (o o) xr o", [3]],
    ]);
    for (const { drill } of gaps) expect(drill).toMatchObject({ kind: "link", count: 4, spacing: 4 });
    // With one link there are no others: all of it, spaced.
    const [only] = learningSteps(partsOf("o xr (o o) o"), OPTIONS).filter((step) => step.code === "gap");
    expect(only).toMatchObject({ score: "o xr (o o) o", drill: { spacing: 4 } });
  });

  it("is built up from its hardest link, or from the one that fails, a move more each time", () => {
    const long = partsOf("o sr sl (o o) xr o sl (o xr) o");
    const builtOf = (start: number | null) =>
      learningSteps(long, OPTIONS, linksOf(long, OPTIONS), start).filter((step) => step.code === "built");
    const moves = ({ from, to }: LearningStep) =>
      long.slice(from, to).filter((part) => part.score !== "o").length;
    for (const start of [null, ...linksOf(long, OPTIONS).map((link) => link.place)]) {
      const built = builtOf(start);
      expect(built.map(moves)).toEqual([3]);
      for (const step of built) {
        if (start !== null) expect(step.closed).toContain(start);
        expect(checkScore(scoreOf(step.score))).toEqual([]);
      }
    }
  });

  it("asks nothing that cannot be jumped", () => {
    for (const side of ["right", "left"] as const) {
      for (const step of learningSteps(COMBO, { ...OPTIONS, side }))
        expect(checkScore(scoreOf(step.score))).toEqual([]);
    }
  });

  it("dances what can be danced in another step", () => {
    const stepped = learningSteps(partsOf("o*2 sr o xr o"), OPTIONS).filter(
      (step) => step.code === "new-step",
    );
    expect(stepped.map((step) => step.step)).toEqual(["boxer-step", "run-step"]);
  });

  it("is empty for a combo that cannot be jumped", () => {
    expect(learningSteps(partsOf("sr sl", "xr o"), OPTIONS)).toEqual([]);
    expect(learningSteps([], OPTIONS)).toEqual([]);
  });
});

describe("what the record says of it", () => {
  const [first] = steps;
  const linkStep = stepOf(first?.id ?? "");

  it("goes on to the first step that was not passed", () => {
    expect(learningOf(COMBO, OPTIONS, []).next).toBe(linkStep.id);
    const passed = throughAll(linkStep);
    const after = learningOf(COMBO, OPTIONS, [passed]);
    expect(after.steps.find((step) => step.id === linkStep.id)?.isPassed).toBe(true);
    expect(after.next).not.toBe(linkStep.id);
  });

  it("takes no link as passed that was clean at a wide spacing only", () => {
    expect(learningOf(COMBO, OPTIONS, [setOf(linkStep, 14, [])]).next).toBe(linkStep.id);
  });

  it("takes a whole as passed by four of five, on its own side", () => {
    const whole = stepOf("whole");
    const isPassed = (sets: readonly ComboSet[]) =>
      learningOf(COMBO, OPTIONS, sets).steps.find((step) => step.id === "whole")?.isPassed;
    expect(isPassed([setOf(whole, 4, [{ position: 5 }])])).toBe(true);
    expect(isPassed([setOf(whole, 3, [{ position: 1 }, { position: 2 }])])).toBe(false);
    expect(isPassed([{ ...setOf(whole, 5, []), side: "left" }])).toBe(false);
  });

  it("takes a quicker one as passed at its tempo only", () => {
    const faster = steps.findLast((step) => step.code === "faster");
    expect(faster?.tempo).toBe(144);
    if (faster === undefined) return;
    const at = (tempo: number) =>
      learningOf(COMBO, OPTIONS, [{ ...setOf(faster, 2, []), drill: { ...faster.drill, tempo } }]).steps.find(
        (step) => step.id === faster.id,
      )?.isPassed;
    expect([at(144), at(120)]).toEqual([true, false]);
  });

  it("comes back to the link that keeps missing, until it is passed again", () => {
    const links = linksOf(COMBO, OPTIONS);
    const failing = links.find((link) => link.place !== linkStep.link);
    if (failing === undefined) throw new Error("two links");
    const missed = setOf(
      stepOf("whole"),
      2,
      [1, 2, 3].map((position) => ({ position, turn: failing.turn })),
      10,
    );
    const learning = learningOf(COMBO, OPTIONS, [missed]);
    expect(learning.failing?.place).toBe(failing.place);
    expect(learning.steps[0]).toMatchObject({ link: failing.place, misses: 3 });
    expect(learning.next).toBe(`link${failing.place}`);
    const again = { ...throughAll(stepOf(`link${failing.place}`)), at: 20 };
    expect(learningOf(COMBO, OPTIONS, [missed, again]).failing).toBeNull();
  });

  it("puts a miss at the link whose part the rope caught in", () => {
    const links = linksOf(COMBO, OPTIONS);
    // o sr sl (o o) xr o: bottoms 1 to 7.
    expect([1, 3, 4, 5, 6, 7, 9].map((turn) => linksByTurn(COMBO, links)[turn - 1]?.place ?? null)).toEqual([
      null,
      null,
      2,
      2,
      3,
      3,
      null,
    ]);
  });
});

describe("the chance of each step", () => {
  const links = linksOf(COMBO, OPTIONS);
  const chances = (sets: readonly ComboSet[] = [], chanceOf: ChanceAsked["chanceOf"] = () => 0.9) =>
    learningChances(steps, { parts: COMBO, links, sets, chanceOf });
  const of = (id: string, sets?: readonly ComboSet[], chance?: number) =>
    chances(sets, chance === undefined ? undefined : () => chance).get(id) ?? NaN;

  it("falls as more is in it, and rises with its moves", () => {
    const [link = ""] = steps.filter((step) => step.code === "link").map((step) => step.id);
    expect(of(link)).toBeGreaterThan(of("whole"));
    for (const { id } of steps.filter((step) => step.code === "built"))
      expect(of(id)).toBeGreaterThan(of("whole"));
    for (const { id } of steps) {
      expect(of(id, [], 0.95)).toBeGreaterThan(of(id, [], 0.6));
      expect(of(id)).toBeGreaterThan(0);
      expect(of(id)).toBeLessThan(1);
    }
  });

  it("falls for everything that holds a link which keeps missing, and for nothing else", () => {
    const missed = links.map((link) => setOf(stepOf(`link${link.place}`), 1, [{ count: 9 }]))[0];
    if (missed === undefined) throw new Error("two links");
    const failing = links[0]?.place ?? 0;
    for (const step of steps.filter((one) => one.side === "right")) {
      const difference = of(step.id) - of(step.id, [missed]);
      if (step.closed.includes(failing)) expect(difference).toBeGreaterThan(0.01);
      else expect(difference).toBeCloseTo(0, 9);
    }
  });

  it("follows its own tries", () => {
    const whole = stepOf("whole");
    expect(of("whole", [setOf(whole, 20, [])])).toBeGreaterThan(0.6);
    expect(of("whole", [setOf(whole, 0, [{ count: 20 }])])).toBeLessThan(0.05);
  });

  it("takes a move that nobody keeps a record of as even", () => {
    const known = chances([], () => 0.5);
    expect(chances([], () => undefined)).toEqual(known);
  });
});

describe("a combo as a subject", () => {
  it("is told by its key, and its links by theirs", () => {
    expect(comboSubject(comboKey(ID))).toEqual({ id: ID, link: null });
    expect(comboSubject(linkKey(ID, 3))).toEqual({ id: ID, link: 3 });
    expect([comboSubject("cross"), comboSubject("combo:x"), comboSubject(`combo:${ID}#link`)]).toEqual([
      null,
      null,
      null,
    ]);
  });

  it("has sides unless it is its own mirror", () => {
    expect(sidesOfScore(COMBO)).toEqual(["left", "right"]);
    expect(sidesOfScore(partsOf("o (o o) o"))).toEqual(["whole"]);
    expect(sidesOfScore([])).toEqual([]);
  });

  it("stands like a skill: locked, ready, working, cleared, rusty", () => {
    const status = (facts: Partial<typeof NO_FACTS>, canBegin: boolean, today = "2026-05-01") =>
      comboStanding({ ...NO_FACTS, ...facts }, canBegin, today).status;
    const cleared = { at: 0, by: "gate", count: null } as const;
    const review = startReview(Date.parse("2026-05-03T12:00:00Z"), "2026-05-03");
    expect(status({}, false)).toBe("locked");
    expect(status({}, true)).toBe("ready");
    expect(status({ sets: 1 }, true)).toBe("working");
    expect(status({ cleared }, false)).toBe("cleared");
    expect(status({ cleared, review }, true, "2026-05-11")).toBe("rusty");
  });
});
