import {
  checkScore,
  expandBeats,
  gateTarget,
  ladderOf,
  linkCost,
  mirrorScore,
  printScore,
  ruledOutBy,
  scoreOf,
  sideScore,
  sidesOf,
  SKILL_CLASSES,
  skillOf,
  skillsByScore,
  type Arms,
  type Score,
  type StrandEntry,
} from "@mirrup/core";
import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, FUSED_FORMS, isFormCounted, loadCatalogue, SCHOOLS } from "./index.js";

const SKILLS = [...CATALOGUE.skills.values()];
const SIDED = SKILLS.flatMap((skill) => sidesOf(skill).map((side) => [skill.id, side] as const));

describe("the catalogue that ships", () => {
  it("has every skill on one strand", () => {
    expect(SKILLS).toHaveLength(91);
    expect(CATALOGUE.strands.flatMap((strand) => strand.skills).sort()).toEqual(
      [...CATALOGUE.skills.keys()].sort(),
    );
  });

  it("begins with what needs nothing", () => {
    const first = [...CATALOGUE.levels].filter(([, level]) => level === 1).map(([id]) => id);
    expect(first).toEqual(["side-rope", "basic-bounce", "slow-bounce"]);
    expect(CATALOGUE.levels.get("side-cross-back-quad")).toBe(6);
  });

  it("names the faults that each skill is prone to, and cautions by what its score does", () => {
    for (const skill of SKILLS) expect(skill.faults.length).toBeGreaterThan(0);
    const cautions = (id: string) => skillOf(CATALOGUE, id).cautions;
    expect(cautions("cross")).toEqual([]);
    expect(cautions("backward-double")).toEqual(["shoes", "growth", "face"]);
    expect(cautions("handle-release")).toEqual(["face"]);
    expect(cautions("floor-press")).toEqual(["wrist"]);
    expect(cautions("side-cross-back-quad")).toEqual(["surface", "shoes", "growth", "neck", "fatigue"]);
  });

  it("finds all skills of a score, on either side", () => {
    const ids = (text: string) => skillsByScore(CATALOGUE, scoreOf(text)).map((skill) => skill.id);
    expect(ids("o/r o/l")).toEqual(["run-step", "speed-step"]);
    expect(ids("xl o")).toEqual(["cross"]);
    expect(ids("xl xr")).toEqual([]);
  });
});

describe("ladders", () => {
  const LOOPED = new Set(["spaced", "rounds", "climb", "streak", "count", "hold", "other-side", "new-step"]);

  it.each(SIDED)("of %s, %s: every drill is legal", (id, side) => {
    const ladder = ladderOf(CATALOGUE, id, side);
    expect(ladder.length).toBeGreaterThan(2);
    for (const { kind, score, focus } of ladder) {
      if (score === null) continue;
      const loop = LOOPED.has(kind) && focus !== "two-sides";
      expect([kind, score, checkScore(scoreOf(score), { loop })]).toEqual([kind, score, []]);
      if (kind === "toe-catch" || kind === "one-stop") expect(score).toMatch(/!\)?(\/\S+)?$/);
    }
  });

  it("of a side are the mirror of the other side's", () => {
    const flip = (score: string | null) => (score === null ? null : printScore(mirrorScore(scoreOf(score))));
    for (const skill of SKILLS.filter((one) => one.twoSided)) {
      const left = ladderOf(CATALOGUE, skill.id, "left").map(({ kind, score }) => [kind, score]);
      const right = ladderOf(CATALOGUE, skill.id, "right").map(({ kind, score }) => [kind, flip(score)]);
      expect(left).toEqual(right);
    }
  });

  const written = (id: string, side: "left" | "right" | "whole" = "right") =>
    ladderOf(CATALOGUE, id, side).map(({ kind, score }) => `${kind} ${score ?? "–"}`);

  it("stand as the handbook writes them", () => {
    expect(written("cross")).toEqual([
      "shadow –",
      "toe-catch o!",
      "toe-catch xr!",
      "toe-catch xr o!",
      "one-stop xr o!",
      "one-out xr o o",
      "rounds o*2 xr*2",
      "climb xr o",
      "streak xr o",
      "other-side xl o",
      "new-step xr/r+tapl o/l+tapr",
      "new-step xr/r o/l",
    ]);
    expect(written("open-cross-double", "left")).toEqual([
      "shadow –",
      "from-rest (o o) o!",
      "one-stop (o xl!)",
      "from-rest (o xl) o!",
      "one-out (o xl) o",
      "spaced o*3 (o xl)",
      "spaced o*2 (o xl)",
      "spaced o (o xl)",
      "spaced (o xl)",
      "rounds (o o)*2 (o xl)",
      "climb (o xl)",
      "streak (o xl)",
      "other-side (o xr)",
    ]);
    expect(written("leg-over-double")).toEqual(
      expect.arrayContaining(["one-out ur (o o)", "one-out ur o", "one-out (o o) (ur o)"]),
    );
    expect(written("side-cross-open")).toContain("merge (sr xr) o (sr xr o)");
    expect(written("side-side-open")).toContain("merge sr (sl o) (sr sl o)");
    expect(written("quadruple-under", "whole")).toContain("merge (o o) (o o) (o o o o)");
    expect(written("side-swing")).toContain("spaced o*4 sr o");
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
      /belongs to lost cross. Mark it as shared/,
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
    expect(ruledOutBy(CATALOGUE, out, missing)).toBe(precaution);
    expect(ruledOutBy(CATALOGUE, stays, missing)).toBeNull();
    expect(ruledOutBy(CATALOGUE, out, new Set())).toBeNull();
  });
});
