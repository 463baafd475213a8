import { cautionsOf } from "./caution.js";
import type { FaultCode } from "./fault.js";
import { checkScore } from "../rope/check.js";
import { mirrorScore } from "../rope/mirror.js";
import { parseScore } from "../rope/parse.js";
import { printScore } from "../rope/print.js";
import { expandBeats, type Score } from "../rope/score.js";
import type { SideName } from "../sides.js";
import { parseNeeds, type NeedTerm } from "./needs.js";
import { parseLadders, type LadderLines, type LadderTexts } from "./ladder-line.js";
import { namedInRoles, NO_ROLES, type Roles } from "./roles.js";
import {
  SKILL_CLASSES,
  type Family,
  type DrillWords,
  type Skill,
  type SkillClass,
  type SkillForm,
  type Strand,
} from "./skill.js";

/** A skill as it is written in a catalogue's data. */
export interface SkillEntry {
  readonly id: string;
  readonly name: string;
  readonly also?: readonly string[];
  /** Other names that the field uses for more than one skill; a search offers all of them. */
  readonly shared?: readonly string[];
  readonly sides: "one" | "two";
  readonly score: string | null;
  readonly needs: string;
  readonly class: SkillClass;
  readonly cues: readonly string[];
  readonly faults: readonly FaultCode[];
  readonly look: string;
  readonly drills?: readonly DrillWords[];
  /** Other ways in which the same skill is jumped, which a setting chooses. */
  readonly forms?: readonly { readonly id: string; readonly score: string }[];
}

/** What is taught beside the skills: the drills that lead to each, and who plays which part. */
export interface Craft {
  readonly ladders: LadderTexts;
  readonly roles: Roles;
}

/** For a catalogue that says nothing of its drills: the gate alone. */
export const BARE_CRAFT: Craft = {
  ladders: {
    classes: Object.fromEntries(
      SKILL_CLASSES.map((skillClass) => [skillClass, "streak"]),
    ) as unknown as LadderTexts["classes"],
    skills: {},
  },
  roles: NO_ROLES,
};

export interface StrandEntry extends Omit<Strand, "skills"> {
  readonly skills: readonly SkillEntry[];
}

/**
 * A checked catalogue. Every core function takes one as a value, so that a studio's own catalogue
 * works like the one that ships.
 */
export interface Catalogue {
  readonly version: string;
  readonly skills: ReadonlyMap<string, Skill>;
  readonly strands: readonly Strand[];
  /** Every skill after all that it needs. */
  readonly order: readonly string[];
  /** The skills whose needs name a skill. */
  readonly neededBy: ReadonlyMap<string, readonly string[]>;
  readonly familyOf: ReadonlyMap<string, Family>;
  readonly ladders: LadderLines;
  readonly roles: Roles;
}

export type CatalogueFaultCode =
  | "duplicate-name"
  | "bad-score"
  | "cues"
  | "duplicate-id"
  | "bad-needs"
  | "unknown-need"
  | "self-need"
  | "sides-of-need"
  | "cycle"
  | "strand-order"
  | "ladder"
  | "role"
  | "programme"
  | "hidden-need";

export interface CatalogueFault {
  readonly code: CatalogueFaultCode;
  /** The skill's id, or the programme's key. */
  readonly skill: string;
  readonly message: string;
  /** Where in a programme it is, from 0. */
  readonly place?: { readonly heading: number; readonly item: number };
}

export type CatalogueResult =
  | { readonly ok: true; readonly catalogue: Catalogue }
  | { readonly ok: false; readonly faults: readonly CatalogueFault[] };

/** A skill as it was read by itself: how deep it lies is known once all are. */
type ReadSkill = Omit<Skill, "level">;

function termsOf(skill: ReadSkill): readonly NeedTerm[] {
  return skill.needs.flatMap((need) => need.anyOf);
}

function readSkill(entry: SkillEntry): ReadSkill | readonly CatalogueFault[] {
  const faults: CatalogueFault[] = [];
  const fault = (code: CatalogueFaultCode, reason: string) =>
    faults.push({ code, skill: entry.id, message: `${entry.name}: ${reason}` });
  const score = readScore(entry.score, fault);
  const forms = (entry.forms ?? []).flatMap(({ id, score: text }): SkillForm[] => {
    const form = readScore(text, fault);
    return form === null ? [] : [{ id, score: form }];
  });
  if (entry.cues.length < 2 || entry.cues.length > 5) fault("cues", "has not two to five cues.");
  try {
    const { needs, helps } = parseNeeds(entry.needs);
    if (faults.length > 0) return faults;
    return {
      id: entry.id,
      name: entry.name,
      aliases: [...(entry.also ?? []), ...(entry.shared ?? [])],
      twoSided: entry.sides === "two",
      score,
      forms,
      beats: score === null ? 1 : expandBeats(score).length,
      needs,
      helps,
      skillClass: entry.class,
      cues: entry.cues,
      faults: entry.faults,
      cautions: cautionsOf(score),
      look: entry.look,
      drills: entry.drills ?? [],
    };
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    fault("bad-needs", error.message);
    return faults;
  }
}

/** A skill's score must parse, be legal, and be able to follow itself. */
function readScore(
  score: string | null,
  fault: (code: CatalogueFaultCode, reason: string) => void,
): Score | null {
  if (score === null) return null;
  const parsed = parseScore(score);
  if (!parsed.ok) {
    fault("bad-score", `“${score}” does not parse. ${parsed.fault.message}`);
    return null;
  }
  for (const { message } of checkScore(parsed.score, { loop: true })) {
    fault("bad-score", `“${score}” cannot be repeated. ${message}`);
  }
  return parsed.score;
}

/** A name without its hyphens and capitals, as two people may write it. */
export function plainName(name: string): string {
  return name.toLowerCase().replaceAll("-", " ");
}

function checkNames(entries: readonly SkillEntry[]): CatalogueFault[] {
  const owners = new Map<string, string>();
  return entries.flatMap((entry) =>
    [...new Set([entry.name, ...(entry.also ?? [])].map(plainName))].flatMap((name) => {
      const owner = owners.get(name);
      owners.set(name, owner ?? entry.name);
      if (owner === undefined) return [];
      const message = `${entry.name}: the name “${name}” belongs to ${owner}. Choose another, or leave it out.`;
      return [{ code: "duplicate-name" as const, skill: entry.id, message }];
    }),
  );
}

function checkTerms(skill: ReadSkill, skills: ReadonlyMap<string, ReadSkill>): CatalogueFault[] {
  const faults: CatalogueFault[] = [];
  const fault = (code: CatalogueFaultCode, message: string) =>
    faults.push({ code, skill: skill.id, message: `${skill.name} ${message}` });
  for (const term of termsOf(skill)) {
    const needed = skills.get(term.skill);
    if (needed === undefined) {
      fault("unknown-need", `needs "${term.skill}", which is not in the catalogue.`);
    } else if (needed.id === skill.id) {
      fault("self-need", "needs itself.");
    } else if (term.sides !== "same" && !needed.twoSided) {
      fault("sides-of-need", `asks for sides of ${needed.name}, which has none.`);
    } else if (term.sides === "other" && !skill.twoSided) {
      fault("sides-of-need", `has no sides and cannot ask ${needed.name} on the other one.`);
    }
  }
  for (const helper of skill.helps) {
    if (!skills.has(helper)) {
      fault("unknown-need", `is helped by "${helper}", which is not in the catalogue.`);
    }
  }
  return faults;
}

/**
 * Skills in an order that puts every skill after all that its needs name (depth first, so the
 * catalogue's own order is kept among equals). Skills on a cycle are returned apart.
 */
function topologicalOrder(skills: ReadonlyMap<string, ReadSkill>): {
  order: string[];
  cyclic: string[];
} {
  const order: string[] = [];
  const cyclic: string[] = [];
  const state = new Map<string, "open" | "done">();
  const visit = (id: string): void => {
    const skill = skills.get(id);
    if (skill === undefined || state.get(id) === "done") return;
    if (state.get(id) === "open") {
      cyclic.push(id);
      return;
    }
    state.set(id, "open");
    for (const term of termsOf(skill)) visit(term.skill);
    state.set(id, "done");
    order.push(id);
  };
  for (const id of skills.keys()) visit(id);
  return { order, cyclic };
}

/** The skills with their levels, in the order in which they were written; `order` has each after its needs. */
function levelled(
  order: readonly string[],
  read: ReadonlyMap<string, ReadSkill>,
): ReadonlyMap<string, Skill> {
  const levels = new Map<string, number>();
  for (const id of order) {
    const depths = (read.get(id)?.needs ?? []).map(({ anyOf }) =>
      Math.min(...anyOf.flatMap((term) => levels.get(term.skill) ?? [])),
    );
    levels.set(id, 1 + Math.max(0, ...depths));
  }
  return new Map([...read].map(([id, skill]) => [id, { ...skill, level: levels.get(id) ?? 1 }]));
}

function checkStrandOrder(
  strands: readonly Strand[],
  skills: ReadonlyMap<string, ReadSkill>,
): CatalogueFault[] {
  return strands.flatMap((strand) => {
    const places = new Map(strand.skills.map((id, place) => [id, place]));
    return strand.skills.flatMap((id, place) => {
      const skill = skills.get(id);
      const late = skill && termsOf(skill).find((term) => (places.get(term.skill) ?? place) > place);
      if (skill === undefined || late === undefined) return [];
      const message = `${skill.name} stands before "${late.skill}", which it needs, on the strand ${strand.name}.`;
      return [{ code: "strand-order" as const, skill: id, message }];
    });
  });
}

/**
 * Checks a catalogue's data and makes the value that the core works with. Every fault is reported
 * with the skill's name and the reason; O(skills + needs).
 */
export function buildCatalogue(
  entries: readonly StrandEntry[],
  version: string,
  { ladders: texts, roles }: Craft = BARE_CRAFT,
): CatalogueResult {
  const faults: CatalogueFault[] = [];
  const read = new Map<string, ReadSkill>();
  const written = entries.flatMap((strand) => strand.skills);
  for (const entry of written) {
    const skill = readSkill(entry);
    if (!("id" in skill)) {
      faults.push(...skill);
    } else if (read.has(skill.id)) {
      const message = `${skill.name}: the id "${skill.id}" is used twice.`;
      faults.push({ code: "duplicate-id", skill: skill.id, message });
    } else {
      read.set(skill.id, skill);
    }
  }
  if (faults.length === 0) faults.push(...checkNames(written));
  for (const skill of read.values()) faults.push(...checkTerms(skill, read));

  const { order, cyclic } = topologicalOrder(read);
  for (const id of cyclic) {
    const message = `${read.get(id)?.name ?? id} needs itself by way of its needs.`;
    faults.push({ code: "cycle", skill: id, message });
  }
  const strands = entries.map((strand) => ({
    ...strand,
    skills: strand.skills.map((entry) => entry.id),
  }));
  // In a circle nothing can come first, which is told already.
  if (cyclic.length === 0) faults.push(...checkStrandOrder(strands, read));
  for (const id of namedInRoles(roles)) {
    if (read.has(id)) continue;
    faults.push({ code: "role", skill: id, message: `"${id}" plays a role and is not in the catalogue.` });
  }
  const skills = levelled(order, read);
  const ladders = readLadders(texts, skills, faults);
  if (faults.length > 0 || ladders === null) return { ok: false, faults };

  const neededBy = new Map<string, string[]>(order.map((id) => [id, []]));
  for (const skill of skills.values()) {
    for (const id of new Set(termsOf(skill).map((term) => term.skill))) {
      neededBy.get(id)?.push(skill.id);
    }
  }
  const familyOf = new Map(
    entries.flatMap(({ family, skills: ofStrand }) => ofStrand.map(({ id }) => [id, family])),
  );
  const catalogue = { version, skills, strands, order, neededBy, familyOf, ladders, roles };
  return { ok: true, catalogue };
}

function readLadders(
  texts: LadderTexts,
  skills: ReadonlyMap<string, Skill>,
  faults: CatalogueFault[],
): LadderLines | null {
  try {
    const lines = parseLadders(texts, (id) => skills.get(id)?.skillClass);
    for (const [id, steps] of lines.skills) {
      for (const part of steps.flatMap((step) => step.parts)) {
        if (skills.has(part)) continue;
        const message = `The ladder of ${id} is logged about "${part}", which is not in the catalogue.`;
        faults.push({ code: "ladder", skill: id, message });
      }
    }
    return lines;
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    faults.push({ code: "ladder", skill: "", message: error.message });
    return null;
  }
}

/** The skill of that id. Throws a `RangeError` for an id that the catalogue does not have. */
export function skillOf(catalogue: Catalogue, id: string): Skill {
  const skill = catalogue.skills.get(id);
  if (skill === undefined) throw new RangeError(`"${id}" is not a skill of this catalogue.`);
  return skill;
}

/** Skills that would do as well: those that stand in one `a / b` of some need with it. */
export function siblingsOf(catalogue: Catalogue, id: string): readonly string[] {
  const found = [...catalogue.skills.values()].flatMap((skill) =>
    skill.needs
      .map((need) => need.anyOf.map((term) => term.skill))
      .filter((either) => either.includes(id))
      .flat(),
  );
  return [...new Set(found)].filter((other) => other !== id);
}

/** The score of a skill's side: as written for the right, its mirror for the left. */
export function sideScore(skill: Pick<Skill, "score">, side: SideName): Score | null {
  return skill.score !== null && side === "left" ? mirrorScore(skill.score) : skill.score;
}

/** Every skill whose score, on either side, prints like this one. */
export function skillsByScore(catalogue: Catalogue, score: Score): readonly Skill[] {
  const wanted = printScore(score);
  return [...catalogue.skills.values()].filter(
    (skill) =>
      skill.score !== null &&
      (printScore(skill.score) === wanted ||
        (skill.twoSided && printScore(mirrorScore(skill.score)) === wanted)),
  );
}
