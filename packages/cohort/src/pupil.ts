/**
 * A second kind of simulated student, who shares no rule with the first: they learn in a zone (a try far
 * beyond one's means, or far within them, teaches little), sleep on it, stand still for a while at places
 * of their own, and have good and bad days. They too know nothing of the learner model.
 */
import type { DrillKind, FaultCode } from "@mirrup/core";
import { normal, randomFrom, type Random } from "./random.js";
import type { Course, Practised } from "./student.js";
import type { Attempt, Learner } from "./trainee.js";

/** How much easier a kind is than the whole, on the scale of skill. */
const EASIER: Readonly<Partial<Record<DrillKind, number>>> = {
  watch: 6,
  shadow: 3.4,
  "tempo-shadow": 3.2,
  "air-change": 2.4,
  "side-rope": 3,
  "free-swing": 1.2,
  "toe-catch": 1.6,
  apart: 1.4,
  "stop-in": 1.1,
  "one-stop": 0.9,
  merge: 0.5,
  "from-rest": 0.4,
  "one-out": 0.15,
  spaced: 0.15,
  link: 0.15,
};
/** A try teaches most where it comes off so often, and hardly anything so far from there. */
const ZONE = 0.7;
const ZONE_WIDTH = 0.3;
/**
 * Skill that one try at the middle of the zone is worth to an average learner, before a skill's own slowness.
 * They come to a gate in about half the tries that the handbook's paces say; nothing else here was fitted.
 */
const GAIN = 0.02;
/** Of what is learned, so much comes at once, and the rest overnight. */
const AT_ONCE = 0.6;
/** Most that a lesson brings of one side. */
const MOST_A_LESSON = 1.3;
/** How far good and bad days move skill. */
const DAY_SPREAD = 0.35;
/** Places at which some stand still for lessons, and for how many. */
const PLATEAUS = [0.4, 1.6] as const;
const PLATEAU_LESSONS = 2;
const PLATEAU_CHANCE = 0.25;
/** What a lesson without it takes from what was learned beyond the half. */
const FORGOTTEN = 0.01;
/** What each demand asks to be begun with, and how much it slows. */
const START = 0.4;
const START_A_DEMAND = 0.42;
const SLOWER_A_DEMAND = 0.16;
const MOST_SKILL = 4.6;
const CARRIED = 0.2;
const TIRING = 1 / 500;

interface Skill {
  value: number;
  /** Learned and not slept on yet. */
  pending: number;
  today: number;
  wasTried: boolean;
  /** Lessons left at the plateau it is at. */
  still: number;
  /** Plateaus that are behind. */
  passed: number;
}

const chanceAt = (skill: number) => 1 / (1 + Math.exp(-skill));

export class Pupil implements Learner {
  private random: Random;
  private readonly skills = new Map<string, Skill>();
  private readonly sides: ReadonlyMap<string, Practised>;
  private readonly talent: number;
  private day = 0;
  private tired = 0;

  /** A pupil who knows the sides of `known` already. The same for the same seed and luck. */
  constructor(course: Course, known: ReadonlySet<string>, seed: number, luck = 0) {
    const nature = randomFrom(seed + 0x9e37);
    this.talent = Math.exp(0.35 * normal(nature));
    this.sides = new Map(course.sides.map((side) => [side.key, side]));
    this.random = nature;
    for (const key of known) this.skillOf(key).value = 2 + 0.6 * normal(nature);
    if (luck !== 0) this.random = randomFrom(seed + luck * 0x5eed);
  }

  chance(key: string): number {
    return chanceAt(this.skillOf(key).value);
  }

  get fatigue(): number {
    return this.tired;
  }

  beginLesson(): void {
    this.tired = 0;
    this.day = DAY_SPREAD * normal(this.random);
    for (const skill of this.skills.values()) {
      skill.value = Math.min(MOST_SKILL, skill.value + skill.pending - FORGOTTEN * Math.max(0, skill.value));
      // A plateau is practised through, not waited for.
      if (skill.wasTried) skill.still = Math.max(0, skill.still - 1);
      skill.wasTried = false;
      skill.pending = 0;
      skill.today = 0;
    }
  }

  rest(): void {
    this.tired *= 0.9;
  }

  /** One try, in which the side stands so often. Throws a `RangeError` for an unknown side. */
  attempt(key: string, kind: DrillKind = "streak", repetitions = 1): Attempt {
    let last: Attempt = { isClean: true, fault: null };
    for (let done = 0; done < repetitions && last.isClean; done += 1) last = this.once(key, kind);
    return last;
  }

  private once(key: string, kind: DrillKind): Attempt {
    const side = this.sides.get(key);
    if (side === undefined) throw new RangeError(`"${key}" is no side of the course.`);
    const skill = this.skillOf(key);
    const easier = EASIER[kind] ?? 0;
    const chance = chanceAt(skill.value + easier + this.day - 1.2 * this.tired);
    const isClean = this.random() < chance;
    this.learn(side, skill, chance);
    this.tired = Math.min(1, this.tired + side.demand * TIRING * chanceAt(1.5 - easier));
    return { isClean, fault: isClean ? null : this.faultOf(side) };
  }

  private learn(side: Practised, skill: Skill, chance: number): void {
    skill.wasTried = true;
    if (skill.still > 0) return;
    const isPrepared = side.needs.every((ways) =>
      ways.some((way) => way.every((key) => this.chance(key) > 0.5)),
    );
    const zone = Math.exp(-(((chance - ZONE) / ZONE_WIDTH) ** 2));
    const gain = ((isPrepared ? 1 : 0.3) * this.talent * GAIN * zone) / (1 + SLOWER_A_DEMAND * side.demand);
    const room = Math.max(0, MOST_A_LESSON - skill.today);
    this.gain(skill, Math.min(room, gain));
    if (side.mate !== null) this.gain(this.skillOf(side.mate), CARRIED * Math.min(room, gain));
  }

  private gain(skill: Skill, gain: number): void {
    skill.today += gain;
    skill.pending += (1 - AT_ONCE) * gain;
    skill.value = Math.min(MOST_SKILL, skill.value + AT_ONCE * gain);
    const plateau = PLATEAUS[skill.passed];
    if (plateau === undefined || skill.value < plateau) return;
    skill.passed += 1;
    if (this.random() < PLATEAU_CHANCE) skill.still = PLATEAU_LESSONS;
  }

  private skillOf(key: string): Skill {
    const found = this.skills.get(key);
    if (found !== undefined) return found;
    const demand = this.sides.get(key)?.demand ?? 1;
    const value = START - START_A_DEMAND * demand + 0.5 * normal(this.random);
    const made: Skill = { value, pending: 0, today: 0, wasTried: false, still: 0, passed: 0 };
    this.skills.set(key, made);
    return made;
  }

  private faultOf({ faults }: Practised): FaultCode | null {
    return faults[Math.floor(this.random() ** 2 * faults.length)] ?? null;
  }
}
