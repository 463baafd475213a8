import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { scoreOf } from "../rope/parse.js";
import { defaultHeight } from "../rope/timing.js";
import { allSides, COMBO_CATALOGUE, partsOf } from "../testing/combo-catalogue.js";
import { abilityOf, sidesOfCombo, takenApart } from "./ability.js";
import { comboKey } from "../log/combo-subject.js";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { derivedNeeds } from "./derived-needs.js";
import { callSheet } from "./call-sheet.js";
import { clicksOf } from "./clicks.js";
import { differenceOf } from "./difference.js";
import { COMBO_TEMPO, comboTiming, contactAt, demandOf, demandShown, measureCombo } from "./measures.js";
import { neighboursOf } from "./neighbours.js";
import type { Status } from "../record/standing.js";

const SYLLABUS = syllabusOf({ catalogue: COMBO_CATALOGUE, school: FIVE_IN_A_ROW });
const AT_120 = { tempo: 120, dominant: "r" } as const;
const measured = (text: string, tempo = 120) => measureCombo(scoreOf(text), { ...AT_120, tempo });

describe("a combo's measures", () => {
  it("count, and last as long as the tempo says", () => {
    const plain = measured("o*8");
    expect(plain).toMatchObject({ counts: 8, turns: 8, landings: 8, handMoves: 0 });
    expect(plain.seconds).toBeCloseTo(4, 9);
    expect(measured("o*8", 60).seconds).toBeCloseTo(8, 9);
  });

  it("say where the turn rate jumps, which is in and out of a multiple", () => {
    expect(measured("o (o o) o").rateJumps.map((jump) => jump.beat)).toEqual([1, 2]);
    expect(measured("o xr o").rateJumps).toEqual([]);
  });

  it("weigh the two sides", () => {
    expect(measured("sr sl sr o")).toMatchObject({ left: 1, right: 2 });
  });

  it("are as somebody jumps, where it was measured: a higher double takes longer, and gives the hands more time", () => {
    const usual = measured("o (o xr) o");
    const high = measureCombo(scoreOf("o (o xr) o"), { ...AT_120, heights: { 2: 0.3 } });
    expect(high.seconds).toBeGreaterThan(usual.seconds);
    expect(demandOf(high.timing)).toBeLessThan(demandOf(usual.timing));
    expect(measureCombo(scoreOf("o (o xr) o"), { ...AT_120, heights: {} })).toEqual(usual);
  });

  it("keep the tempo of the bounces however high somebody was measured, and leave time on the ground", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        fc.integer({ min: COMBO_TEMPO.least, max: COMBO_TEMPO.most }),
        (height, tempo) => {
          const { timing, seconds } = measureCombo(scoreOf("o*8"), {
            ...AT_120,
            tempo,
            heights: { 1: height },
          });
          expect(seconds).toBeCloseTo((8 * 60) / tempo, 9);
          for (const beat of timing.beats) expect(beat.airtime).toBeLessThan(beat.cycle * 0.9);
        },
      ),
    );
  });

  it("refuse a tempo that leaves no time on the ground", () => {
    const airtime = 2 * Math.sqrt((2 * defaultHeight(1)) / 9.81);
    expect(contactAt(120)).toBeCloseTo(0.5 - airtime, 9);
    expect(() => contactAt(300)).toThrow("tempo is 300; it must be below");
  });

  it("compare the tightest link with what was shown", () => {
    const demand = demandOf(comboTiming(scoreOf("o xr o"), { tempo: 120, dominant: "r" }));
    expect(demand).toBeGreaterThan(0);
    expect(demandOf(comboTiming(scoreOf("o"), { tempo: 120, dominant: "r" }))).toBe(0);
    expect(demandShown([scoreOf("o"), scoreOf("xr o")], AT_120)).toBeCloseTo(demand, 9);
    expect(demandShown([], AT_120)).toBe(0);
  });
});

describe("who could do it", () => {
  const parts = partsOf("o sr o (o xr) o");
  const able = (status: Status, others: Readonly<Record<string, Status>> = {}) => {
    const sides = new Map(allSides(status, others).map((one) => [`${one.subject}:${one.side}`, one.status]));
    return abilityOf(parts, (subject, side) => sides.get(`${subject}:${side}`), SYLLABUS);
  };

  it("is whoever knows all of it", () => {
    expect(able("cleared")).toEqual({ code: "now", lacking: [], unnamed: 0 });
    expect(able("inferred").code).toBe("now");
  });

  it("is nearly whoever lacks one that is open, and not whoever lacks a locked one or two", () => {
    expect(able("cleared", { "open-cross": "ready" })).toMatchObject({
      code: "one-new",
      lacking: [{ subject: "open-cross", side: "right" }],
    });
    expect(able("cleared", { "open-cross": "locked" }).code).toBe("not-yet");
    expect(able("ready").code).toBe("not-yet");
  });

  it("takes combos apart, on the side on which they are done", () => {
    const id = "00000000-0000-7000-8000-000000000001";
    const inner = partsOf("o xr o");
    const part = { subject: comboKey(id), side: "left", score: "o xl o", times: 2 } as const;
    const apart = takenApart([...partsOf("o"), part], (one) => (one === id ? inner : undefined));
    expect(sidesOfCombo(apart)).toEqual([
      { subject: "basic-bounce", side: "whole" },
      { subject: "cross", side: "left" },
    ]);
    expect(takenApart([part], () => undefined)).toEqual([part]);
  });

  it("knows nothing of turns that are no skill, and of subjects nobody keeps", () => {
    expect(abilityOf(partsOf("o k o"), () => "cleared", SYLLABUS)).toMatchObject({
      code: "unknown",
      unnamed: 1,
    });
    expect(abilityOf(parts, () => undefined, SYLLABUS).code).toBe("not-yet");
  });

  it("asks of turns that are no skill what the simplest skills with them are", () => {
    const needs = (text: string) =>
      derivedNeeds(SYLLABUS, scoreOf(text))?.map((one) => `${one.subject} ${one.side}`) ?? null;
    expect(needs("xr xl o")).toEqual(["cross right", "cross left"]);
    expect(needs("(o o) o")).toEqual(["double whole"]);
    expect(needs("(o o o)")).toBeNull();
    const crossed = partsOf("o xr xl o").map((part) => ({ ...part, subject: null }));
    const knows = (known: readonly string[]) =>
      abilityOf(
        crossed,
        (subject, side) => (known.includes(`${subject} ${side}`) ? "cleared" : "locked"),
        SYLLABUS,
      );
    expect(knows(["basic-bounce whole", "cross left", "cross right"]).code).toBe("now");
    expect(knows(["basic-bounce whole", "cross right"])).toMatchObject({
      code: "not-yet",
      lacking: [{ subject: "cross", side: "left" }],
    });
  });
});

describe("tricks one hand move away", () => {
  const of = (text: string, ...known: readonly string[]) =>
    neighboursOf(COMBO_CATALOGUE, scoreOf(text), known.map(scoreOf));

  it("are legal ones with one hand moved once", () => {
    // From open one hand goes to the other side, is let go, or nothing: wraps and legs are further.
    expect(
      of("o")
        .map((one) => one.score)
        .sort(),
    ).toEqual(["sl", "sr"]);
  });

  it("are known by name where the catalogue has them", () => {
    expect(of("xl o").find((one) => one.score === "sl o")?.skills).toEqual(["side-swing"]);
    expect(of("(o o)").map((one) => one.score)).toEqual(expect.arrayContaining(["(o sr)", "(sr o)"]));
  });

  it("come first where the links are known already", () => {
    const [first] = of("xr o", "sr o", "o");
    expect(first).toMatchObject({ score: "sr o", newLinks: [] });
  });
});

describe("a call sheet", () => {
  const forms = { isForm: (id: string) => id === "open-cross", isAccepted: () => false };

  it("has a line a count, in groups of eight", () => {
    const lines = callSheet(partsOf("o*7 sr o"), forms);
    expect(lines.map((line) => [line.count, line.group, line.inGroup]).slice(6)).toEqual([
      [7, 1, 7],
      [8, 1, 8],
      [9, 2, 1],
    ]);
    expect(lines[7]).toMatchObject({ words: "side swing right", begins: "side-swing" });
    expect(lines[8]).toMatchObject({ words: "open", begins: null });
  });

  it("names each form with the turns before it, and whether it counts", () => {
    const form = (text: string) => callSheet(partsOf(text), forms).find((line) => line.form !== null)?.form;
    expect(form("o (o xr) o")).toEqual({ subject: "open-cross", preparedBy: "singles", isAccepted: false });
    expect(form("(o o) (o xr) o")?.preparedBy).toBe("doubles");
    expect(form("(o xr) o")?.preparedBy).toBe("standing");
    expect(callSheet([], forms)).toEqual([]);
  });
});

describe("clicks", () => {
  it("fall on the rope's bottoms, accented where a turn is fused", () => {
    const score = scoreOf("o (o xr) o");
    const timing = comboTiming(score, { tempo: 120, dominant: "r" });
    const clicks = clicksOf(score, timing);
    expect(clicks.map((click) => click.at)).toEqual(timing.beats.flatMap((beat) => beat.bottoms));
    expect(clicks.map((click) => click.isFused)).toEqual([false, false, true, false]);
  });
});

describe("difference", () => {
  it("is the share of counts to be changed", () => {
    expect(differenceOf(partsOf("o sr o"), partsOf("o sr o"))).toBe(0);
    expect(differenceOf(partsOf("o*4"), partsOf("o*3 (o o)"))).toBe(0.25);
    expect(differenceOf(partsOf("xr o"), partsOf("(o o)*2"))).toBe(1);
    expect(differenceOf([], [])).toBe(0);
  });
});
