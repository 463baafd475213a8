/** A few skills with a ladder each, small enough to walk by hand. */
import { buildCatalogue, type Catalogue, type SkillEntry } from "../syllabus/catalogue.js";
import { NO_ROLES } from "../syllabus/roles.js";
import { SKILL_CLASSES, type SkillClass } from "../syllabus/skill.js";
import type { LadderTexts } from "../syllabus/ladder-line.js";

export const TAUGHT_LADDER =
  "watch, shadow ‖ toe-catch `P!`, stop-in `P`, one-stop `Z`, one-out `S o`, spaced `o*n S` 4-1, climb 5, streak, new-step";

const entry = (
  id: string,
  score: string,
  sides: "one" | "two",
  skillClass: SkillClass,
  needs: string,
): SkillEntry => ({
  ...{ id, name: id, score, sides, needs, class: skillClass },
  ...{ cues: ["one", "two"], faults: [], look: "" },
});

const SKILLS: readonly SkillEntry[] = [
  entry("bounce", "o", "one", "base", ""),
  entry("cross", "xr o", "two", "cross", "bounce"),
  entry("double", "(o o)", "one", "double", "bounce"),
  entry("front-back", "br o", "two", "cross", "cross"),
  entry("open-cross", "(o xr) o", "two", "fused-double", "double; cross"),
];

/** The skills with one ladder for every class, or a skill's own. */
export function taughtCatalogue(skills: LadderTexts["skills"] = {}, ladder = TAUGHT_LADDER): Catalogue {
  const classes = Object.fromEntries(SKILL_CLASSES.map((one) => [one, ladder])) as LadderTexts["classes"];
  const strand = { id: "crosses", name: "crosses", family: "crosses", skills: SKILLS } as const;
  const result = buildCatalogue([strand], "test", { ladders: { classes, skills }, roles: NO_ROLES });
  if (!result.ok) throw new Error(result.faults.map((fault) => fault.message).join("\n"));
  return result.catalogue;
}
