import { buildCatalogue, type Catalogue, type Craft, type SkillEntry } from "../syllabus/catalogue.js";
import type { School } from "../syllabus/gates.js";
import { FAMILIES, SKILL_CLASSES, type Family, type SkillClass } from "../syllabus/skill.js";

export type Line = readonly [id: string, sides: "one" | "two", needs: string, skillClass?: SkillClass];

function entryOf([id, sides, needs, skillClass = "base"]: Line): SkillEntry {
  return {
    id,
    name: id,
    sides,
    score: null,
    needs,
    class: skillClass,
    cues: ["one", "two"],
    faults: [],
    look: "",
  };
}

export function resultOf(lines: readonly Line[], craft?: Craft) {
  const skills = lines.map(entryOf);
  return buildCatalogue([{ id: "strand", name: "strand", family: "footwork", skills }], "test", craft);
}

/** A catalogue of one strand, written a skill a line. */
export function catalogueOf(...lines: readonly Line[]): Catalogue {
  const result = resultOf(lines);
  if (!result.ok) throw new Error(result.faults.map((fault) => fault.message).join("\n"));
  return result.catalogue;
}

/** A catalogue of a strand a family, for what depends on the kind of effort. */
export function catalogueOfFamilies(families: Partial<Readonly<Record<Family, readonly Line[]>>>): Catalogue {
  const strands = FAMILIES.flatMap((family) => {
    const lines = families[family];
    return lines === undefined ? [] : [{ id: family, name: family, family, skills: lines.map(entryOf) }];
  });
  const result = buildCatalogue(strands, "test");
  if (!result.ok) throw new Error(result.faults.map((fault) => fault.message).join("\n"));
  return result.catalogue;
}

/** A school with one gate for every class. */
export const FIVE_IN_A_ROW: School = {
  id: "quick-frontier",
  name: "five",
  reason: "",
  asksBaseTest: false,
  gates: Object.fromEntries(
    SKILL_CLASSES.map((skillClass) => [skillClass, { kind: "streak", count: 5 }]),
  ) as School["gates"],
  needCounts: {},
};
