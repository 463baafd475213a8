import {
  checkScore,
  DRILL_ROWS,
  drillKey,
  expandBeats,
  gatePlace,
  gateTarget,
  holdsSide,
  linkCost,
  mirrorScore,
  printScore,
  scoreOf,
  sideOf,
  sideScore,
  sidesOf,
  SKILL_CLASSES,
  skillOf,
  skillsByScore,
  syllabusOf,
  type Arms,
  type Score,
  type SideName,
  type StrandEntry,
} from "@mirrup/core";
import { ruledOutBy } from "@mirrup/core/planning";
import { bearingsOf } from "@mirrup/core/teaching";
import { describe, expect, it } from "@jest/globals";
import {
  CATALOGUE,
  coachingOf,
  DRILLS,
  FUSED_FORMS,
  isFormCounted,
  loadCatalogue,
  mannerOf,
  SCHOOLS,
} from "./index.js";

const SKILLS = [...CATALOGUE.skills.values()];
const SIDED = SKILLS.flatMap((skill) => sidesOf(skill).map((side) => [skill.id, side] as const));

describe("the catalogue that ships", () => {
  it("names no strand like a skill, so that what a skill stands after is one or the other", () => {
    expect(CATALOGUE.strands.filter(({ id }) => CATALOGUE.skills.has(id))).toEqual([]);
  });

  it("has every skill on one strand", () => {
    expect(SKILLS).toHaveLength(91);
    expect(CATALOGUE.strands.flatMap((strand) => strand.skills).sort()).toEqual(
      [...CATALOGUE.skills.keys()].sort(),
    );
  });

  it("begins with what needs nothing", () => {
    const first = [...CATALOGUE.skills.values()].filter(({ level }) => level === 1).map(({ id }) => id);
    expect(first).toEqual(["side-rope", "basic-bounce", "slow-bounce"]);
    expect(CATALOGUE.skills.get("side-cross-back-quad")?.level).toBe(6);
  });

  it("names the faults that each skill is prone to, and cautions by what its score does", () => {
    for (const skill of SKILLS) expect(skill.faults.length).toBeGreaterThan(0);
    const cautions = (id: string) => skillOf(CATALOGUE, id).cautions;
    expect(cautions("cross")).toEqual([]);
    expect(cautions("backward-double")).toEqual(["shoes", "growth", "face", "sting"]);
    expect(cautions("handle-release")).toEqual(["face"]);
    expect(cautions("floor-press")).toEqual(["wrist"]);
    expect(cautions("side-cross-back-quad")).toEqual([
      "surface",
      "shoes",
      "growth",
      "sting",
      "neck",
      "fatigue",
    ]);
  });

  it("finds all skills of a score, on either side", () => {
    const ids = (text: string) => skillsByScore(CATALOGUE, scoreOf(text)).map((skill) => skill.id);
    expect(ids("o/r o/l")).toEqual(["run-step", "speed-step"]);
    expect(ids("xl o")).toEqual(["cross"]);
    expect(ids("xl xr")).toEqual([]);
  });
});

describe("ladders", () => {
  const SYLLABUS = syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
  const side = (id: string, name: SideName = "right") => sideOf(SYLLABUS, id, name);

  it.each(SIDED)("of %s, %s: every drill is legal, and holds the whole or names its part", (id, name) => {
    const own = side(id, name);
    const { ladder } = own;
    expect(ladder.length).toBeGreaterThan(2);
    expect(ladder[gatePlace(ladder)]?.id).toBe("gate");
    // No two of a ladder are the same drill with the same number.
    expect(new Set(ladder.map(({ drill }) => JSON.stringify(drill))).size).toBe(ladder.length);
    for (const { drill, holds, about, isPart } of ladder) {
      const { kind, score } = drill;
      if (score !== undefined) {
        const faults = checkScore(scoreOf(score), { loop: DRILL_ROWS[kind].loops });
        expect([kind, score, faults]).toEqual([kind, score, []]);
      }
      expect(about.length).toBeGreaterThan(0);
      if (isPart || holds === "shape") continue;
      if (holds === "whole" && own.score !== null)
        expect([id, kind, about.some((one) => holdsSide(drill, one))]).toEqual([id, kind, true]);
    }
  });

  it("count what is logged about a skill for it exactly where the drill holds it", () => {
    for (const [id, name] of SIDED) {
      const own = side(id, name);
      for (const { drill, holds, isPart, isAfterGate } of own.ladder) {
        const bearings = bearingsOf(drill, own, SYLLABUS);
        const isEvidence = bearings.some((one) => one.of === own && one.holds);
        const asks = holds === "whole" && !isPart && DRILL_ROWS[drill.kind].isEvidence;
        if (!isAfterGate) expect([id, drill, isEvidence]).toEqual([id, drill, asks]);
      }
    }
  });

  it("never clear a hard skill by a part of it", () => {
    const quad = side("quadruple-under", "whole");
    const part = { kind: "one-out", count: 5, score: "(o o) o" } as const;
    const bearings = bearingsOf(part, quad, SYLLABUS);
    expect(bearings.map(({ of, holds }) => [of.subject, holds])).toEqual([
      ["quadruple-under", false],
      ["double-under", true],
    ]);
  });

  it("of a side are the mirror of the other side's", () => {
    const flip = (score: string | undefined) =>
      score === undefined ? null : printScore(mirrorScore(scoreOf(score)));
    for (const skill of SKILLS.filter((one) => one.twoSided)) {
      const left = side(skill.id, "left").ladder.map(({ drill }) => [drill.kind, drill.score ?? null]);
      const right = side(skill.id, "right").ladder.map(({ drill }) => [drill.kind, flip(drill.score)]);
      expect([skill.id, left]).toEqual([skill.id, right]);
    }
  });

  it("keep their drills' evidence whatever manner is set", () => {
    const manner = mannerOf("run-step", { "fused-prepare": "doubles" });
    const other = syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"], manner });
    for (const { subject, side: name } of SYLLABUS.sides) {
      const usual = new Map(side(subject, name).ladder.map((rung) => [drillKey(rung.drill), rung.holds]));
      for (const { drill, holds } of sideOf(other, subject, name).ladder)
        expect([subject, drill, usual.get(drillKey(drill)) ?? holds]).toEqual([subject, drill, holds]);
    }
  });

  it("need only kinds that the catalogue says how to do, to look at and to go back from", () => {
    for (const { skill, ladder } of SYLLABUS.sides) {
      for (const { drill } of ladder) {
        const { say, look, back } = coachingOf(skill, drill);
        expect([say, look, back].every((text) => text.length > 3)).toBe(true);
        expect(DRILLS[drill.kind].name.length).toBeGreaterThan(2);
      }
    }
  });

  const written = (id: string, name: SideName = "right") =>
    side(id, name).ladder.map(({ drill }) => `${drill.kind} ${drill.score ?? "–"}`);

  it("stand as the handbook writes them", () => {
    expect(written("cross")).toMatchInlineSnapshot(`
     [
       "watch –",
       "shadow –",
       "shadow –",
       "toe-catch o!",
       "toe-catch xr!",
       "stop-in xr",
       "one-stop xr o!",
       "one-out xr o o",
       "streak –",
       "shadow –",
       "rounds o*2 xr*2",
       "growing-climb o*5 xr*5",
       "climb –",
       "streak –",
       "new-step xr/r+tapl o/l+tapr",
       "new-step xr/r o/l",
       "other-side xl o",
     ]
    `);
    expect(written("open-cross-double", "left")).toMatchInlineSnapshot(`
     [
       "watch –",
       "part-counts (o o)*10",
       "part-counts [xl o]*5",
       "air-change –",
       "from-rest (o o) o!",
       "toe-catch (o xl!)",
       "stop-in –",
       "from-rest (o xl) o!",
       "one-out (o xl) o",
       "spaced o*3 (o xl)",
       "spaced o*2 (o xl)",
       "spaced o (o xl)",
       "spaced –",
       "rounds (o o)*2 (o xl)",
       "climb –",
       "streak –",
       "other-side (o xr)",
     ]
    `);
    expect(written("front-back-cross")).toMatchInlineSnapshot(`
     [
       "shadow –",
       "toe-catch br!",
       "free-swing [er el]*5",
       "stop-in br",
       "one-stop br o!",
       "one-out br o o",
       "one-out br er o",
       "spaced o*4 br o",
       "spaced o*3 br o",
       "spaced o*2 br o",
       "spaced o br o",
       "streak –",
       "other-side bl o",
       "side-to-side br o bl o",
     ]
    `);
    expect(written("quadruple-under", "whole")).toMatchInlineSnapshot(`
     [
       "part-counts (o o o)*5",
       "side-rope –",
       "high-part (o o o)",
       "one-out (o o) (o o o) (o o o o) o",
       "whole (o o o o) o",
       "spaced (o o o)*2 (o o o o)",
       "spaced (o o o) (o o o o)",
       "one-out (o o o o) o",
     ]
    `);
    expect(written("side-rope")).toMatchInlineSnapshot(`
     [
       "watch –",
       "shadow –",
       "apart –",
       "streak –",
       "streak –",
       "hold –",
       "streak –",
       "other-side –",
     ]
    `);
  });
});

describe("needs and sides", () => {
  const linksOf = (score: Score): ReadonlySet<string> => {
    const arms = expandBeats(score).flatMap((beat) => beat.turns.map((turn) => turn.arms as Arms));
    return new Set(arms.map((to, index) => `${arms[index - 1] ?? "o"} ${to}`));
  };
  const hardest = (score: Score): readonly string[] => {
    const links = [...linksOf(score)];
    const cost = (link: string) => {
      const [from, to] = link.split(" ") as [Arms, Arms];
      return linkCost(from, to);
    };
    const most = Math.max(...links.map(cost));
    return most === 0 ? [] : links.filter((link) => cost(link) === most);
  };

  it("ask for the side whose hardest link is the one used", () => {
    for (const skill of SKILLS) {
      for (const term of skill.needs.flatMap((need) => need.anyOf)) {
        const needed = skillOf(CATALOGUE, term.skill);
        if (skill.score === null || needed.score === null || !skill.twoSided || !needed.twoSided) continue;
        if (term.sides === "both") continue;
        const asked = sideScore(needed, term.sides === "other" ? "left" : "right");
        if (asked === null) continue;
        const used = linksOf(skill.score);
        const uses = (score: Score) => hardest(score).some((link) => used.has(link));
        const onWrongSideOnly = uses(mirrorScore(asked)) && !uses(asked);
        expect([skill.id, term.skill, onWrongSideOnly]).toEqual([skill.id, term.skill, false]);
      }
    }
  });
});

describe("loading a broken catalogue", () => {
  const broken = (entry: Partial<StrandEntry["skills"][number]>): StrandEntry => ({
    id: "x",
    name: "x",
    family: "crosses",
    skills: [
      {
        id: "lost",
        name: "lost cross",
        sides: "two",
        score: null,
        needs: "",
        class: "cross",
        cues: ["a", "b"],
        faults: [],
        look: "",
        ...entry,
      },
    ],
  });
  it.each([
    [{ needs: "nowhere" }, /lost cross needs "nowhere"/],
    [{ score: "xr yr" }, /lost cross: “xr yr” does not parse/],
    [{ score: "sr xl" }, /lost cross: “sr xl” cannot be repeated/],
    [{ cues: ["one"] }, /lost cross: has not two to five cues/],
  ])("fails with the entry's name and the reason: %j", (entry, message) => {
    expect(() => loadCatalogue([broken(entry)], "test")).toThrow(message);
  });

  it("refuses a name that belongs to another skill", () => {
    const first = broken({});
    const second = broken({ id: "second", name: "second", also: ["Lost-Cross"] });
    expect(() => loadCatalogue([first, { ...second, id: "y" }], "test")).toThrow(
      /belongs to lost cross. Choose another/,
    );
  });
});

describe("the schools", () => {
  it("each have a gate for every class", () => {
    for (const school of Object.values(SCHOOLS)) {
      for (const skillClass of SKILL_CLASSES) expect(gateTarget(school.gates[skillClass])).toBeGreaterThan(0);
    }
  });
});

describe("the forms of fused double", () => {
  it("are skills, and count as the setting says", () => {
    for (const form of FUSED_FORMS) expect(CATALOGUE.skills.has(form)).toBe(true);
    const counted = (accepted: string) => FUSED_FORMS.filter((form) => isFormCounted(form, accepted));
    expect(counted("both")).toEqual(["open-cross-double", "cross-open-double"]);
    expect(counted("open-cross")).toEqual(["open-cross-double"]);
    expect(counted("all")).toEqual(FUSED_FORMS);
    expect(isFormCounted("cross", "open-cross")).toBe(true);
  });
});

describe("what is not at hand", () => {
  it.each([
    ["shoes", "double-under", "cross"],
    ["surface", "triple-under", "double-under"],
    ["face", "backward-double", "double-under"],
    ["neck", "knee-cross", "cross"],
  ] as const)("without %s rules the %s out, and not the %s", (precaution, out, stays) => {
    const missing = new Set([precaution]);
    expect(ruledOutBy(skillOf(CATALOGUE, out), missing)).toBe(precaution);
    expect(ruledOutBy(skillOf(CATALOGUE, stays), missing)).toBeNull();
    expect(ruledOutBy(skillOf(CATALOGUE, out), new Set())).toBeNull();
  });
});
