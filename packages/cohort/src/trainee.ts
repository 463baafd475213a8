/**
 * A simulated student in lessons: who is asked to try, gets better by it, tires, forgets between
 * lessons, and misses for reasons of their own. They know nothing of the learner model.
 */
import type { DrillKind, FaultCode } from "@mirrup/core";
import { normal, randomFrom, type Random } from "./random.js";
import {
  abilityOf,
  FADING,
  natureOf,
  pick,
  reachable,
  type Course,
  type Nature,
  type Practised,
  type SimulatedStudent,
} from "./student.js";

export interface Attempt {
  readonly isClean: boolean;
  /** Why it missed, as somebody who looks would name it; null for a clean one. */
  readonly fault: FaultCode | null;
}

/** Somebody who learns by trying, whatever the rules they learn by. */
export interface Learner {
  /** Chance of a clean try of the whole skill when fresh. */
  chance(key: string): number;
  /** From 0, fresh, to 1. */
  readonly fatigue: number;
  beginLesson(): void;
  rest(): void;
  attempt(key: string, kind?: DrillKind, repetitions?: number): Attempt;
}

/** How much of what makes a skill hard a gentler drill takes away. */
const EASE: Readonly<Partial<Record<DrillKind, number>>> = {
  watch: 0.95,
  shadow: 0.9,
  "tempo-shadow": 0.88,
  "air-change": 0.8,
  "side-rope": 0.85,
  "free-swing": 0.55,
  "toe-catch": 0.65,
  apart: 0.55,
  "stop-in": 0.5,
  "one-stop": 0.45,
  merge: 0.3,
  "from-rest": 0.25,
  "one-out": 0.1,
  spaced: 0.1,
  link: 0.1,
};
/** What is taken away is not learned: a gentle try teaches less of the whole. */
const LESS_LEARNED = 0.5;
/** A clean try shows how it goes; a missed one teaches less. */
const MISS_GAIN = 0.7;
/** Without the parts in place the whole hardly comes. */
const UNPREPARED_GAIN = 0.3;
/** So many tries of one side in a lesson, and half as much is learned from each. */
const MASSED_TRIES = 40;
/** What one side learns, the other learns a part of. */
const CARRIED_OVER = 0.25;
const TIRED_MISSES = 0.35;
const TIRED_GAIN = 0.5;
/** Tries of demand 1 that bring a fresh student to the end of their springs. */
const TRIES_TO_EXHAUSTION = 700;
/** What a rest between two sets gives back. */
const REST = 0.97;
const PRONENESS = 0.8;
/** The hundredth bounce hardly ever misses; a quadruple always can. */
const SLIPS = 0.004;
const MOST_ABILITY = 7;
const KNOWN_SHARE = 0.35;

export class Trainee implements Learner {
  private readonly random: Random;
  private readonly nature: Nature;
  private readonly abilities: Map<string, number>;
  private readonly proneness = new Map<FaultCode, number>();
  private readonly sides: ReadonlyMap<string, Practised>;
  private readonly triedToday = new Map<string, number>();
  private tiredness = 0;

  constructor(
    private readonly course: Course,
    student: SimulatedStudent,
    seed = student.seed,
  ) {
    this.random = randomFrom(seed + 0x5eed);
    this.nature = natureOf(course, randomFrom(student.seed));
    this.sides = new Map(course.sides.map((side) => [side.key, side]));
    this.abilities = new Map([...student.chances].map(([key, chance]) => [key, abilityOf(chance)]));
  }

  /** Chance of a clean try of the whole skill when fresh. */
  chance(key: string): number {
    const ability = this.abilities.get(key) ?? 0;
    return (1 - SLIPS * (this.sides.get(key)?.demand ?? 0)) * (1 - Math.exp(-ability));
  }

  /** From 0, fresh, to 1. */
  get fatigue(): number {
    return this.tiredness;
  }

  /** A new lesson: rested, and with a little forgotten. */
  beginLesson(): void {
    this.tiredness = 0;
    this.triedToday.clear();
    for (const [key, ability] of this.abilities) this.abilities.set(key, ability * FADING);
  }

  rest(): void {
    this.tiredness *= REST;
  }

  /**
   * One try, in which the side stands so often; whatever it comes to, something is learned. Throws a
   * `RangeError` for an unknown side.
   */
  attempt(key: string, kind: DrillKind = "streak", repetitions = 1): Attempt {
    for (let done = 1; done < repetitions; done += 1) {
      const one = this.once(key, kind);
      if (!one.isClean) return one;
    }
    return this.once(key, kind);
  }

  private once(key: string, kind: DrillKind): Attempt {
    const side = this.sides.get(key);
    if (side === undefined) throw new RangeError(`"${key}" is no side of the course.`);
    const ease = EASE[kind] ?? 0;
    const fresh = 1 - (1 - this.chance(key)) * (1 - ease);
    const isClean = this.random() < fresh * (1 - TIRED_MISSES * this.tiredness);
    this.learn(side, ease, isClean);
    this.tiredness = Math.min(1, this.tiredness + ((1 - ease) * side.demand) / TRIES_TO_EXHAUSTION);
    return { isClean, fault: isClean ? null : this.faultOf(side) };
  }

  /** What this student would take up next of what they are ready for and do not know yet. */
  takeUp(random: Random, without: ReadonlySet<string>): Practised | undefined {
    const open = reachable(this.course, this.abilities, this.nature).filter(({ key }) => !without.has(key));
    return pick(open, this.abilities, this.nature, random);
  }

  private learn(side: Practised, ease: number, isClean: boolean): void {
    const tried = this.triedToday.get(side.key) ?? 0;
    this.triedToday.set(side.key, tried + 1);
    const gain =
      ((this.nature.talents.get(side.strand) ?? 1) / side.triesNeeded) *
      (1 - LESS_LEARNED * ease) *
      (isClean ? 1 : MISS_GAIN) *
      (this.isPrepared(side) ? 1 : UNPREPARED_GAIN) *
      (MASSED_TRIES / (MASSED_TRIES + Math.max(0, tried - MASSED_TRIES))) *
      (1 - TIRED_GAIN * this.tiredness);
    this.improve(side.key, gain);
    if (side.mate !== null) this.improve(side.mate, CARRIED_OVER * gain);
  }

  private improve(key: string, gain: number): void {
    this.abilities.set(key, Math.min(MOST_ABILITY, (this.abilities.get(key) ?? 0) + gain));
  }

  private isPrepared({ needs }: Practised): boolean {
    return needs.every((ways) => ways.some((way) => way.every((key) => this.chance(key) > KNOWN_SHARE)));
  }

  /** The usual faults of the skill, each as often as this body is prone to it. */
  private faultOf({ faults }: Practised): FaultCode | null {
    const weights = faults.map((fault, place) => this.pronenessTo(fault) / (place + 1));
    let left = this.random() * weights.reduce((sum, weight) => sum + weight, 0);
    return faults.find((_, place) => (left -= weights[place] ?? 0) <= 0) ?? null;
  }

  private pronenessTo(fault: FaultCode): number {
    const known = this.proneness.get(fault) ?? Math.exp(PRONENESS * normal(this.random));
    this.proneness.set(fault, known);
    return known;
  }
}
