/**
 * What is taught: every side of a catalogue under a school and what was set otherwise, with its gate, its
 * needs as sides and its ladder. Made once for each of them, and what everything below takes.
 */
import type { LocalDate } from "../instant.js";
import { mirrorScore } from "../rope/mirror.js";
import { jumpsOf, isHeld, type Jumps } from "./holds.js";
import { otherSideName, sidesOf, type SideName } from "../sides.js";
import { skillOf, type Catalogue } from "./catalogue.js";
import { effortOf } from "./effort.js";
import {
  asksLongRuns,
  gateAsStreak,
  gateOf,
  growingGate,
  type GateOverrides,
  type Gate,
  type School,
} from "./gates.js";
import { ladderOf } from "./ladder.js";
import { USUAL_MANNER, type Manner } from "./manner.js";
import type { NeedTerm } from "./needs.js";
import { isMultipleClass, type Skill } from "./skill.js";
import type { Rung, Side, Way } from "./side.js";

/** The subject of the log under which the base test stands. */
export const BASE_TEST = "base-test";

export interface SyllabusOptions {
  readonly catalogue: Catalogue;
  readonly school: School;
  /** Gates set otherwise, the strongest first (the student's before the studio's). */
  readonly overrides?: readonly GateOverrides[];
  readonly manner?: Manner;
  /** The day from which whoever is taught is grown; null where nothing is asked of growth. */
  readonly growsUntil?: LocalDate | null;
}

export interface Syllabus extends Required<SyllabusOptions> {
  /** Every side after all sides that it needs, left before right. */
  readonly sides: readonly Side[];
  /** The base test, where the school asks it and the catalogue has one; it needs its parts. */
  readonly baseTest: Side | null;
  /** The side of a subject; null where the syllabus has none. */
  readonly find: (subject: string, side: SideName) => Side | null;
  readonly sidesOf: (subject: string) => readonly Side[];
}

/** A side under construction: what refers to other sides is filled in once all of them are there. */
class MadeSide implements Side {
  needs: readonly (readonly Way[])[] = [];
  kin: readonly Side[] = [];
  opens: readonly Side[] = [];
  other: Side | null = null;
  /** Made when first asked for: most sides of most students never show theirs. */
  private rungs: readonly Rung[] | null = null;
  private implied: readonly Side[] | null = null;
  readonly score: Side["score"];
  readonly jumps: readonly Jumps[];
  readonly gateStreak: number;
  readonly effort: Side["effort"];

  constructor(
    readonly skill: Skill,
    readonly side: SideName,
    readonly index: number,
    readonly gate: Gate,
    private readonly of: () => Syllabus,
    { forms }: Manner,
    family: Parameters<typeof effortOf>[0],
  ) {
    const all = [{ id: "", score: skill.score }, ...skill.forms];
    const scores = all.flatMap(({ id, score }) =>
      score === null ? [] : [{ id, score: onSide(score, side) }],
    );
    this.score = (scores.find(({ id }) => forms.includes(id)) ?? scores[0])?.score ?? null;
    this.jumps = scores.map(({ score }) => jumpsOf(score));
    this.gateStreak = gateAsStreak(gate, skill.beats);
    this.effort = effortOf(family, skill.score);
  }

  get subject(): string {
    return this.skill.id;
  }

  get ladder(): readonly Rung[] {
    const { catalogue, manner, sidesOf: ofSubject } = this.of();
    this.rungs ??= ladderOf({ catalogue, side: this, manner, sidesOf: ofSubject });
    return this.rungs;
  }

  get implies(): readonly Side[] {
    this.implied ??= impliedBy(this, this.of());
    return this.implied;
  }
}

function onSide(score: NonNullable<Skill["score"]>, side: SideName) {
  return side === "left" ? mirrorScore(score) : score;
}

/** What helps a skill, and what of less stands in its score, on the same side where there are two. */
function impliedBy(side: Side, { catalogue, sidesOf: ofSubject }: Syllabus): readonly Side[] {
  const onSame = (one: Side) => one.side === side.side || one.side === "whole" || side.side === "whole";
  const helped = side.skill.helps.flatMap((id) => ofSubject(id));
  const [jumps] = side.jumps;
  const contained =
    jumps === undefined
      ? []
      : inScore(side, catalogue, ofSubject).filter(
          (one) =>
            one !== side &&
            one.skill.level < side.skill.level &&
            one.jumps.some((form) => isHeld(jumps, form)),
        );
  return [...new Set([...helped.filter(onSame), ...contained])];
}

const byFirstBeat = new WeakMap<Catalogue, ReadonlyMap<string, readonly string[]>>();

/** The skills that begin with a beat, by how it is jumped: only they can stand in a score that has it. */
function skillsByFirstBeat(catalogue: Catalogue): ReadonlyMap<string, readonly string[]> {
  const found = byFirstBeat.get(catalogue);
  if (found !== undefined) return found;
  const index = new Map<string, string[]>();
  for (const skill of catalogue.skills.values()) {
    for (const side of sidesOf(skill)) {
      const score = skill.score === null ? null : onSide(skill.score, side);
      const key = score === null ? undefined : jumpsOf(score).beats[0]?.turns;
      if (key === undefined) continue;
      const list = index.get(key) ?? [];
      index.set(key, list);
      if (!list.includes(skill.id)) list.push(skill.id);
    }
  }
  byFirstBeat.set(catalogue, index);
  return index;
}

function inScore(side: Side, catalogue: Catalogue, ofSubject: Syllabus["sidesOf"]): readonly Side[] {
  const index = skillsByFirstBeat(catalogue);
  const ids = new Set((side.jumps[0]?.beats ?? []).flatMap((beat) => index.get(beat.turns) ?? []));
  return [...ids].flatMap((id) => ofSubject(id));
}

/** The skills whose score begins with one of the beats of a score; for whoever asks what stands in it. */
export function candidatesIn({ catalogue, sidesOf: ofSubject }: Syllabus, jumps: Jumps): readonly Side[] {
  const index = skillsByFirstBeat(catalogue);
  const ids = new Set(jumps.beats.flatMap((beat) => index.get(beat.turns) ?? []));
  return [...ids].flatMap((id) => ofSubject(id));
}

/**
 * The ways in which a term's sides can be met when asked by one side of a skill: every side of one
 * way. A one-sided skill is content with either side.
 */
export function sidesAsked(
  term: NeedTerm,
  needed: Skill,
  askedBy: SideName,
): readonly (readonly SideName[])[] {
  if (!needed.twoSided) return [["whole"]];
  if (term.sides === "both") return [["left", "right"]];
  if (askedBy === "whole") return [["left"], ["right"]];
  return [[term.sides === "other" ? otherSideName(askedBy) : askedBy]];
}

const SIDE_PLACES: Readonly<Record<SideName, 0 | 1>> = { left: 0, whole: 0, right: 1 };

function build({ catalogue, school, overrides, manner, growsUntil }: Required<SyllabusOptions>): Syllabus {
  const self = (): Syllabus => syllabus;
  const sides: MadeSide[] = [];
  const bySubject = new Map<string, readonly MadeSide[]>();
  for (const id of catalogue.order) {
    const skill = skillOf(catalogue, id);
    const gate = growingGate(gateOf(school, skill, overrides), skill, growsUntil);
    const made = sidesOf(skill).map(
      (side, place) =>
        new MadeSide(skill, side, sides.length + place, gate, self, manner, catalogue.familyOf.get(id)),
    );
    sides.push(...made);
    bySubject.set(id, made);
  }
  const find = (subject: string, side: SideName): MadeSide | null => {
    if (subject === BASE_TEST) return baseTest;
    const found = bySubject.get(subject)?.[SIDE_PLACES[side]];
    return found?.side === side ? found : null;
  };
  const baseTest = baseTestOf(catalogue, school, sides.length, self, manner);
  const waysOf = (skill: Skill, side: SideName, term: NeedTerm): readonly Way[] => {
    // n in a row that the term asks: its own, or the school's, or null for the needed skill's gate.
    const count = term.atLeast ?? school.needCounts[skill.id]?.[term.skill] ?? null;
    return sidesAsked(term, skillOf(catalogue, term.skill), side).map((way) =>
      way.flatMap((one) => {
        const of = find(term.skill, one);
        return of === null ? [] : [{ of, count }];
      }),
    );
  };
  for (const side of sides) {
    const { skill } = side;
    const needs = skill.needs.map((need) => need.anyOf.flatMap((term) => waysOf(skill, side.side, term)));
    const asksBase = baseTest !== null && isMultipleClass(skill.skillClass);
    side.needs = asksBase ? [...needs, [[{ of: baseTest, count: null }]]] : needs;
    side.kin = [...new Set(needs.flat(2).map((asked) => asked.of))];
    side.other = side.side === "whole" ? null : find(side.subject, otherSideName(side.side));
  }
  if (baseTest !== null) {
    baseTest.needs = (catalogue.roles.baseTest?.parts ?? []).flatMap((part) => {
      const of = find(part.subject, part.side);
      return of === null ? [] : [[[{ of, count: catalogue.roles.baseTest?.count ?? null }]]];
    });
  }
  const opened = new Map<Side, Side[]>();
  for (const side of sides) {
    for (const one of side.kin) {
      const list = opened.get(one) ?? [];
      opened.set(one, list);
      list.push(side);
    }
  }
  for (const side of sides) side.opens = opened.get(side) ?? [];
  const none: readonly Side[] = [];
  const syllabus: Syllabus = {
    ...{ catalogue, school, overrides, manner, growsUntil, sides, baseTest, find },
    sidesOf: (subject) => bySubject.get(subject) ?? none,
  };
  return syllabus;
}

/** The base test stands like a skill without sides, whose needs are its parts. */
function baseTestOf(
  { roles }: Catalogue,
  school: School,
  index: number,
  of: () => Syllabus,
  manner: Manner,
): MadeSide | null {
  if (!school.asksBaseTest || roles.baseTest === null) return null;
  const skill: Skill = {
    id: BASE_TEST,
    name: "base test",
    aliases: [],
    twoSided: false,
    score: null,
    forms: [],
    beats: 1,
    needs: [],
    helps: [],
    level: 1,
    skillClass: "base",
    cues: [],
    faults: [],
    cautions: [],
    look: "",
    drills: [],
  };
  const gate: Gate = { kind: "streak", count: roles.baseTest.count };
  return new MadeSide(skill, "whole", index, gate, of, manner, undefined);
}

const NO_OVERRIDES: readonly GateOverrides[] = [];
const MOST_KEPT = 300;
const kept = new WeakMap<Catalogue, WeakMap<School, Map<string, Syllabus>>>();

/** The syllabus of a catalogue under a school; the same value for the same question. O(skills + needs). */
export function syllabusOf(options: SyllabusOptions): Syllabus {
  const { catalogue, school, overrides = NO_OVERRIDES, manner = USUAL_MANNER } = options;
  const growsUntil = asksLongRuns(school, overrides) ? (options.growsUntil ?? null) : null;
  const ofCatalogue = kept.get(catalogue) ?? new WeakMap<School, Map<string, Syllabus>>();
  kept.set(catalogue, ofCatalogue);
  const ofSchool = ofCatalogue.get(school) ?? new Map<string, Syllabus>();
  ofCatalogue.set(school, ofSchool);
  const key = JSON.stringify([
    overrides.filter((one) => [one.skills, one.classes].some((gates) => Object.keys(gates ?? {}).length > 0)),
    manner,
    growsUntil,
  ]);
  const found = ofSchool.get(key);
  if (found !== undefined) return found;
  if (ofSchool.size >= MOST_KEPT) ofSchool.clear();
  const made = build({ catalogue, school, overrides, manner, growsUntil });
  ofSchool.set(key, made);
  return made;
}

/** The side of a subject. Throws a `RangeError` where the syllabus has none. */
export function sideOf(syllabus: Syllabus, subject: string, side: SideName): Side {
  const found = syllabus.find(subject, side);
  if (found === null) throw new RangeError(`"${subject}" has no ${side} side in this catalogue.`);
  return found;
}

/** Bumped when what the code makes of a log changes. */
const RULES_VERSION = 8;

/** Everything that facts depend on beside the log, as one text: catalogue, school, gates, code. */
export function rulesText({ catalogue, school, overrides, sides, baseTest }: Syllabus): string {
  const skills = sides.map(({ subject, side, gate, jumps }) => [subject, side, gate, jumps]);
  const { classes, skills: ofSkills } = catalogue.ladders;
  const ladders = [classes, [...ofSkills]];
  const needs = [...catalogue.skills.values()].map(({ id, needs: own, skillClass, beats }) => [
    id,
    own,
    skillClass,
    beats,
  ]);
  return JSON.stringify([
    RULES_VERSION,
    school,
    overrides,
    baseTest === null ? null : catalogue.roles.baseTest,
    skills,
    needs,
    ladders,
  ]);
}
