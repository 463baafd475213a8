import { describe, expect, it } from "@jest/globals";
import { scoreOf } from "../rope/parse.js";
import { parseClassLadder, parseLadders, parseSkillLadder, type LadderTexts } from "./ladder-line.js";
import { SKILL_CLASSES } from "./skill.js";
import { inStep } from "./step.js";
import { filled } from "./template.js";

const CLASS = parseClassLadder("watch, shadow ‖ toe-catch `P!`, climb 5, streak");
const kinds = (steps: readonly { readonly kind: string }[]) => steps.map((step) => step.kind);

describe("a ladder's line", () => {
  it("says of each step its score, what it attends to, its number, its parts and its condition", () => {
    const [step] = parseClassLadder("spaced `o*n S` 4-1 (the wrists) @cross @double if closed").first;
    expect(step).toMatchObject({
      ...{ kind: "spaced", template: "o*n S", about: "the wrists", spacings: [4, 3, 2, 1] },
      ...{ parts: ["cross", "double"], condition: "closed", dose: null, isPiece: false },
    });
    expect(parseClassLadder("free-swing `Q*8` °").first[0]).toMatchObject({ isPiece: true, template: "Q*8" });
    expect(parseClassLadder("part-counts needs, climb 10").first).toMatchObject([
      { kind: "part-counts", ofNeeds: true },
      { kind: "climb", dose: 10 },
    ]);
  });

  it("does not take a comma in a score or in parentheses for the end of a step", () => {
    expect(kinds(parseClassLadder("shadow (slow, then quick), toe-catch `o!`").first)).toEqual([
      "shadow",
      "toe-catch",
    ]);
  });

  it("of a skill takes the class's beginning, and goes on with it where it says so", () => {
    expect(kinds(parseSkillLadder("…, stop-in `P` → climb", CLASS))).toEqual([
      ...["watch", "shadow", "stop-in", "climb", "streak"],
    ]);
    expect(kinds(parseSkillLadder("one-out", CLASS))).toEqual(["one-out"]);
  });

  it("is refused with the text that does not fit", () => {
    expect(() => parseClassLadder("juggle 5")).toThrow(/"juggle 5" begins with no kind of drill/);
    expect(() => parseClassLadder("climb five")).toThrow(/"five" is nothing that a step can have/);
    expect(() => parseSkillLadder("shadow → hold", CLASS)).toThrow(/has no hold to go on from/);
    const classes = Object.fromEntries(SKILL_CLASSES.map((one) => [one, "streak"])) as LadderTexts["classes"];
    expect(() => parseLadders({ classes, skills: { lost: "shadow" } }, () => undefined)).toThrow(
      /"lost" has a ladder and is no skill/,
    );
  });
});

describe("a template", () => {
  const of = (template: string, score: string, bounces = 0) =>
    filled(template, { score: scoreOf(score), carrying: scoreOf("o") }, bounces);

  it("stands for what is made from the skill", () => {
    expect(of("S o", "xr o")).toBe("xr o o");
    expect(of("P!", "xr o")).toBe("xr!");
    expect(of("Z", "xr o")).toBe("xr o!");
    expect(of("S M", "xr o")).toBe("xr o xl o");
    expect(of("o*n S", "xr o", 3)).toBe("o*3 xr o");
    expect(of("C*2 S o", "sr o")).toBe("o*2 sr o o");
  });

  it("keeps the way the rope turns", () => {
    expect(of("S o", "< xr o")).toBe("< xr o o");
  });

  it("is nothing where a letter has nothing to stand for", () => {
    expect(of("P!", "o")).toBeNull();
  });
});

describe("a skill in a step", () => {
  it("takes the step's feet in turn, and none where the skill has feet of its own", () => {
    expect(inStep(scoreOf("xr o"), scoreOf("o/r o/l"), "right")).toBe("xr/r o/l");
    expect(inStep(scoreOf("xr o"), scoreOf("o/r o/l"), "left")).toBe("xr/l o/r");
    expect(inStep(scoreOf("xr/r o"), scoreOf("o/r o/l"), "right")).toBeNull();
    expect(inStep(scoreOf("o"), scoreOf("o/r o/l"), "right")).toBeNull();
    expect(inStep(scoreOf("(o xr) o"), scoreOf("o/r o/l"), "right")).toBeNull();
  });
});
