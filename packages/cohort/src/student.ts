/**
 * Simulated students: an ability for each skill side that grows with tries and fades without them.
 * They practise week by week what they can reach and like, on the side they prefer, so that what one
 * knows hangs together the way a hall's students do. They know nothing of the learner model.
 */
import {
  otherSideName,
  sideKey,
  sidesOf,
  skillOf,
  type Catalogue,
  type FaultCode,
  type SideName,
  type Skill,
} from "@mirrup/core";
import { demandOf } from "./demand.js";
import { between, normal, randomFrom, type Random } from "./random.js";

export interface SimulatedStudent {
  readonly seed: number;
  readonly age: number;
  readonly years: number;
  readonly strongerSide: "left" | "right";
  /** Whether this one took up skills without what they build on. */
  readonly breaksOrder: boolean;
  /** Chance of a clean try, by side. */
  readonly chances: ReadonlyMap<string, number>;
}

/** From this chance of a clean try on, an instructor would call a side learned. */
export const KNOWN_CHANCE = 0.6;
const ORDER_BREAKERS = 0.1;
const LESSONS_A_YEAR = 80;
const SKILLS_A_LESSON = 4;
const TRIES_A_SKILL = 30;
/** What a lesson without a skill takes from it. */
export const FADING = 0.998;
const MOST_LESSONS = 1600;
const WARM_UPS = 10;
const WARM_UP_GAIN = 0.25;
const MOST_ABILITY = 4;

export interface Practised {
  readonly key: string;
  /** What it asks of a body. */
  readonly demand: number;
  /** What goes wrong in it, the usual first. */
  readonly faults: readonly FaultCode[];
  readonly side: SideName;
  /** The other side of the same skill; null where there is none. */
  readonly mate: string | null;
  readonly strand: string;
  /** Tries that bring ability most of the way. */
  readonly triesNeeded: number;
  readonly needs: readonly (readonly (readonly string[])[])[];
}

/** What a catalogue asks of everybody, worked out once for a whole cohort. */
export interface Course {
  readonly sides: readonly Practised[];
  readonly strands: readonly string[];
}

export function courseOf(catalogue: Catalogue): Course {
  const strandOf = new Map(
    catalogue.strands.flatMap((strand) => strand.skills.map((id) => [id, strand.id] as const)),
  );
  const neededSides = (term: Skill["needs"][number]["anyOf"][number], side: SideName): string[][] => {
    const needed = skillOf(catalogue, term.skill);
    const keys = sidesOf(needed).map((one) => sideKey(needed.id, one));
    if (!needed.twoSided || term.sides === "both") return [keys];
    if (side === "whole") return keys.map((key) => [key]);
    return [[sideKey(needed.id, term.sides === "other" ? otherSideName(side) : side)]];
  };
  const sides = catalogue.order.flatMap((id) => {
    const skill = skillOf(catalogue, id);
    const demand = demandOf(skill);
    const triesNeeded = 110 * Math.exp(0.55 * demand);
    return sidesOf(skill).map((side) => ({
      key: sideKey(id, side),
      demand,
      faults: skill.faults,
      side,
      mate: skill.twoSided ? sideKey(id, otherSideName(side)) : null,
      strand: strandOf.get(id) ?? "",
      triesNeeded,
      needs: skill.needs.map((need) => need.anyOf.flatMap((term) => neededSides(term, side))),
    }));
  });
  return { sides, strands: catalogue.strands.map((strand) => strand.id) };
}

const MOST_CHANCE = 0.98;
const KNOWN_ABILITY = -Math.log(1 - KNOWN_CHANCE / MOST_CHANCE);

function chanceOf(ability: number): number {
  return MOST_CHANCE * (1 - Math.exp(-ability));
}

/** The ability that gives a chance of a clean try. */
export function abilityOf(chance: number): number {
  return -Math.log(1 - Math.min(chance, 0.999 * MOST_CHANCE) / MOST_CHANCE);
}

export function isKnown(abilities: ReadonlyMap<string, number>, key: string): boolean {
  return (abilities.get(key) ?? 0) >= KNOWN_ABILITY;
}

/** Everything about one learner that does not change with practice. */
export interface Nature {
  readonly talents: ReadonlyMap<string, number>;
  readonly likings: ReadonlyMap<string, number>;
  readonly stronger: "left" | "right";
  readonly breaksOrder: boolean;
}

export function natureOf(course: Course, random: Random): Nature {
  const general = normal(random);
  const per = (spread: number, shared: number) =>
    new Map(course.strands.map((strand) => [strand, Math.exp(shared * general + spread * normal(random))]));
  return {
    talents: per(0.25, 0.3),
    likings: per(0.5, 0),
    stronger: random() < 0.85 ? "right" : "left",
    breaksOrder: random() < ORDER_BREAKERS,
  };
}

/** What the student could take up now: not known yet, and, unless they break the order, prepared. */
export function reachable(course: Course, abilities: ReadonlyMap<string, number>, nature: Nature) {
  const knows = (key: string) => isKnown(abilities, key);
  return course.sides.filter(({ key, needs }) => {
    if (knows(key)) return false;
    return nature.breaksOrder || needs.every((ways) => ways.some((way) => way.every(knows)));
  });
}

/** When one side is learned, the other follows before much else. */
const SECOND_SIDE_PULL = 4;

export function pick(
  open: readonly Practised[],
  abilities: ReadonlyMap<string, number>,
  nature: Nature,
  random: Random,
): Practised | undefined {
  const weights = open.map(({ strand, side, mate, triesNeeded }) => {
    const liked = nature.likings.get(strand) ?? 1;
    const preferred = side === "whole" || side === nature.stronger ? 1 : 0.6;
    const isSecond = mate !== null && isKnown(abilities, mate);
    return (liked * preferred * (isSecond ? SECOND_SIDE_PULL : 1)) / triesNeeded;
  });
  let left = random() * weights.reduce((sum, weight) => sum + weight, 0);
  return open.find((_, place) => (left -= weights[place] ?? 0) <= 0);
}

/** What is known is used: warm-ups and combos firm up a handful of it in every lesson. */
function warmUp(course: Course, abilities: Map<string, number>, random: Random): void {
  const known = course.sides.filter(({ key }) => isKnown(abilities, key));
  for (let turn = 0; turn < WARM_UPS && known.length > 0; turn += 1) {
    const used = known[between(random, 0, known.length - 1)]?.key;
    if (used !== undefined)
      abilities.set(used, Math.min(MOST_ABILITY, (abilities.get(used) ?? 0) + WARM_UP_GAIN));
  }
}

function knownShare(course: Course, abilities: ReadonlyMap<string, number>): number {
  const known = course.sides.filter(({ key }) => isKnown(abilities, key));
  return known.length / course.sides.length;
}

/**
 * A student who has practised until `level` of all sides is known: 0 has just begun, 1 knows nearly
 * everything. The same seed and level give the same student.
 */
export function simulateStudent(course: Course, seed: number, level: number): SimulatedStudent {
  const random = randomFrom(seed);
  const nature = natureOf(course, random);
  const abilities = new Map<string, number>();
  let lessons = 0;
  while (lessons < MOST_LESSONS && knownShare(course, abilities) < level) {
    lessons += 1;
    for (const [key, ability] of abilities) abilities.set(key, ability * FADING);
    for (let turn = 0; turn < SKILLS_A_LESSON; turn += 1) {
      const chosen = pick(reachable(course, abilities, nature), abilities, nature, random);
      if (chosen === undefined) break;
      const talent = nature.talents.get(chosen.strand) ?? 1;
      const gain = (talent * TRIES_A_SKILL) / chosen.triesNeeded;
      abilities.set(chosen.key, (abilities.get(chosen.key) ?? 0) + gain);
    }
    warmUp(course, abilities, random);
  }
  const years = lessons / LESSONS_A_YEAR;
  return {
    seed,
    age: Math.round(7 + years + between(random, 0, 8)),
    years,
    strongerSide: nature.stronger,
    breaksOrder: nature.breaksOrder,
    chances: new Map([...abilities].map(([key, ability]) => [key, chanceOf(ability)])),
  };
}

export function knows(student: SimulatedStudent, key: string): boolean {
  return (student.chances.get(key) ?? 0) >= KNOWN_CHANCE;
}

const WATCHED_TRIES = 5;

/** What an instructor sees in a few tries of a side; chance has a part in it. */
export function shows(student: SimulatedStudent, key: string, random: Random): "clean" | "nearly" | "no" {
  const chance = student.chances.get(key) ?? 0;
  const clean = Array.from({ length: WATCHED_TRIES }, random).filter((one) => one < chance).length;
  return clean > WATCHED_TRIES / 2 ? "clean" : clean > 0 ? "nearly" : "no";
}

/** A cohort with levels drawn evenly from beginner to expert. */
export function simulateCohort(
  catalogue: Catalogue,
  size: number,
  seed: number,
): readonly SimulatedStudent[] {
  const course = courseOf(catalogue);
  return Array.from({ length: size }, (_, place) =>
    simulateStudent(course, seed + place, ((place + 0.5) / size) * 0.97),
  );
}
