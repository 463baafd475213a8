/**
 * Every side of a catalogue under a school, numbered in the catalogue's order, with the ways to meet
 * each of its needs worked out: what every reading of every student asks, made once for all of them.
 */
import { otherSide, sidesOf, type SideName } from "../sides.js";
import { skillOf, type Catalogue } from "./catalogue.js";
import type { School } from "./gates.js";
import type { NeedTerm } from "./needs.js";
import type { Skill } from "./skill.js";

export interface SubjectSide {
  readonly subject: string;
  readonly side: SideName;
}

export function sideKey(subject: string, side: SideName): string {
  return `${subject}:${side}`;
}

/** A side that a need asks for: its number, and n in a row or null for its own gate. */
export interface NeededSide extends SubjectSide {
  readonly index: number;
  readonly count: number | null;
}

/** One way to meet a need: every side of it is asked. */
export type Way = readonly NeededSide[];

export interface SideNode extends SubjectSide {
  readonly skill: Skill;
  /** For each of the skill's needs, the ways to meet it; one is enough. */
  readonly needs: readonly (readonly Way[])[];
}

export interface SideTable {
  /** Every side after all sides that it needs, left before right. */
  readonly nodes: readonly SideNode[];
  readonly indexOf: ReadonlyMap<string, number>;
}

/**
 * The ways in which a term's sides can be met when asked by one side of a skill: every side of one
 * way. A one-sided skill is content with either side.
 */
function sidesAsked(term: NeedTerm, needed: Skill, askedBy: SideName): readonly (readonly SideName[])[] {
  if (!needed.twoSided) return [["whole"]];
  if (term.sides === "both") return [["left", "right"]];
  if (askedBy === "whole") return [["left"], ["right"]];
  return [[term.sides === "other" ? otherSide(askedBy) : askedBy]];
}

function buildTable(catalogue: Catalogue, school: School): SideTable {
  const sides = catalogue.order.flatMap((id) => {
    const skill = skillOf(catalogue, id);
    return sidesOf(skill).map((side) => ({ subject: id, side, skill }));
  });
  const indexOf = new Map(sides.map(({ subject, side }, index) => [sideKey(subject, side), index]));
  const waysOf = (skill: Skill, side: SideName, term: NeedTerm): Way[] => {
    // n in a row that the term asks: its own, or the school's, or null for the needed skill's gate.
    const count = term.atLeast ?? school.needCounts[skill.id]?.[term.skill] ?? null;
    return sidesAsked(term, skillOf(catalogue, term.skill), side).map((way) =>
      way.map((one) => {
        const index = indexOf.get(sideKey(term.skill, one)) ?? -1;
        return { subject: term.skill, side: one, index, count };
      }),
    );
  };
  const nodes = sides.map(({ subject, side, skill }) => ({
    subject,
    side,
    skill,
    needs: skill.needs.map((need) => need.anyOf.flatMap((term) => waysOf(skill, side, term))),
  }));
  return { nodes, indexOf };
}

const tables = new WeakMap<Catalogue, WeakMap<School, SideTable>>();

/** The table of a catalogue under a school; made once for each pair, O(skills + needs). */
export function sideTable(catalogue: Catalogue, school: School): SideTable {
  const ofCatalogue = tables.get(catalogue) ?? new WeakMap<School, SideTable>();
  tables.set(catalogue, ofCatalogue);
  const table = ofCatalogue.get(school) ?? buildTable(catalogue, school);
  ofCatalogue.set(school, table);
  return table;
}
