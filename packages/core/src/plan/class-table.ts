/**
 * A class plan in the making, in numbers: who is at which station in which turn, and what is done there.
 * Memory O(students × skills), a student's score O(turns²).
 */
import { cellOf, Grid } from "../grid.js";
import type { Family } from "../syllabus/skill.js";
import type { ClassAsked, ClassBefore, ClassStudent } from "./class.js";
import type { ClassOption } from "./class-option.js";
import { ropeShares } from "./rope-stock.js";
import { CLASS_LIMITS, CLASS_WEIGHTS } from "./weights.js";

interface ClassTableContext {
  readonly asked: ClassAsked;
  readonly students: readonly ClassStudent[];
  /** Minutes of each turn. */
  readonly minutes: readonly number[];
  readonly before: ClassBefore;
  readonly stations: number;
  readonly room: number | null;
}

/** What somebody may do of a skill; null where they may not. */
export type Option = ClassOption | null;
/** The number of a station or of a skill; null for none. */
export type Numbered = number | null;

/** Minutes that count, and how far something stands against them that is not to be. */
export interface Scored {
  readonly worth: number;
  readonly breach: number;
}

/** One number for the search: a breach weighs more than all minutes together. */
export function weighed({ worth, breach }: Scored): number {
  return worth - CLASS_WEIGHTS.forbidden * breach;
}

/** By student: the numbers of those with whom they are to be at no station, or at the same. */
interface PairedWith {
  readonly apart: readonly number[];
  readonly together: readonly number[];
}

export class ClassTable {
  readonly asked: ClassAsked;
  readonly before: ClassBefore;
  /** Every skill that anybody here may do. */
  readonly skills: readonly string[];
  readonly students: readonly ClassStudent[];
  readonly minutes: readonly number[];
  /** Minutes of each turn at the drill itself. */
  readonly working: readonly number[];
  /** Stations that turns which are open may have; turns that were done may have had more. */
  readonly stations: number;
  /** Turns before this one stay as they are. */
  readonly firstOpen: number;
  /** Jumpers at once in the hall: half of a group jumps while the others count. */
  readonly room: number;
  /** By student and skill. */
  readonly options: Grid<Option>;
  private readonly able: readonly (readonly number[])[];
  /** By turn and station: the skill. */
  readonly skillAt: Grid<Numbered>;
  /** By turn and student: the station, null for who is not there. */
  readonly stationOf: Grid<Numbered>;
  /** By turn and student: the share of it for which there is a rope. */
  private readonly ropeShares: Grid<number>;
  readonly pairs: readonly PairedWith[];
  /** By skill. */
  private readonly families: readonly (Family | null)[];
  /** By student: whether anything is begun that they may do. */
  private readonly hasBegun: readonly boolean[];
  /** By turn and station, what a pin asks; by turn and student, where a pin has them. */
  private readonly pinnedSkill: Grid<Numbered>;
  private readonly pinnedStation: Grid<Numbered>;
  /** What the student whose turns are scored does in each. */
  private readonly done: Option[];

  constructor({ asked, students, minutes, before, stations, room }: ClassTableContext) {
    this.asked = asked;
    this.before = before;
    this.students = students;
    this.minutes = minutes;
    this.working = minutes.map((one) => Math.max(0, one - CLASS_LIMITS.change));
    this.firstOpen = before.rotations.length;
    const widest = Math.max(stations, ...before.rotations.map((one) => one.stations.length));
    this.stations = stations;
    this.room = room ?? Infinity;
    this.skills = [...new Set(students.flatMap((one) => one.options.map((option) => option.subject)))];
    const numberOf = new Map(this.skills.map((subject, place) => [subject, place]));
    const bySubject = students.map(
      ({ options }) => new Map(options.map((option) => [option.subject, option])),
    );
    this.options = new Grid(
      students.length,
      this.skills.length,
      (student, skill) => bySubject[student]?.get(this.skills[skill] ?? "") ?? null,
    );
    this.able = students.map((one) => one.options.flatMap(({ subject }) => numberOf.get(subject) ?? []));
    this.hasBegun = students.map(({ options }) => options.some((option) => option.isBegun));
    this.skillAt = new Grid(minutes.length, widest, (turn, station) => {
      const subject = before.rotations[turn]?.stations[station]?.subject ?? null;
      return subject === null ? null : (numberOf.get(subject) ?? null);
    });
    const kept = new Map(before.students.map((one) => [one.id, one.places]));
    this.stationOf = new Grid(minutes.length, students.length, (turn, student) =>
      turn < before.rotations.length
        ? (kept.get(students[student]?.id ?? "")?.[turn]?.station ?? null)
        : null,
    );
    this.pinnedSkill = new Grid(minutes.length, widest, () => null);
    for (const { rotation, station, subject } of asked.stationPins) {
      if (rotation < minutes.length && station < stations)
        this.pinnedSkill.put(rotation, station, numberOf.get(subject) ?? null);
    }
    this.pinnedStation = new Grid(minutes.length, students.length, () => null);
    const placeOf = new Map(students.map(({ id }, place) => [id, place]));
    for (const { rotation, station, student } of asked.placePins) {
      const place = placeOf.get(student);
      if (rotation < minutes.length && station < stations && place !== undefined)
        this.pinnedStation.put(rotation, place, station);
    }
    this.done = minutes.map(() => null);
    this.ropeShares = this.sharedRopes();
    this.pairs = this.pairedWith(placeOf);
    this.families = this.familiesOfSkills();
  }

  private sharedRopes(): Grid<number> {
    const { students, asked } = this;
    const shares = new Grid<number>(this.minutes.length, students.length, () => 1);
    for (const turn of this.minutes.keys()) {
      const here = students.flatMap((_, student) => (this.isHere(student, turn) ? [student] : []));
      const wishes = here.map((student) => {
        const { ropeMm = null, hasOwnRope = false } = cellOf(students, student);
        return { ropeMm, hasOwnRope };
      });
      ropeShares(asked.ropes ?? null, wishes).forEach((share, place) =>
        shares.put(turn, cellOf(here, place), share),
      );
    }
    return shares;
  }

  /** What one of two says counts for both; whoever is to be apart is not asked for together as well. */
  private pairedWith(placeOf: ReadonlyMap<string, number>): readonly PairedWith[] {
    const said = (of: "apart" | "together") => {
      const others = this.students.map(() => new Set<number>());
      this.students.forEach((one, student) => {
        for (const id of one[of] ?? []) {
          const other = placeOf.get(id) ?? student;
          if (other === student) continue;
          others[student]?.add(other);
          others[other]?.add(student);
        }
      });
      return others;
    };
    const [apart, together] = [said("apart"), said("together")];
    return this.students.map((_, student) => {
      const quarrels = cellOf(apart, student);
      return {
        apart: [...quarrels],
        together: [...cellOf(together, student)].filter((other) => !quarrels.has(other)),
      };
    });
  }

  private familiesOfSkills(): readonly (Family | null)[] {
    return this.skills.map((_, skill) => {
      const known = this.students.findIndex((_one, student) => this.options.at(student, skill) !== null);
      return known < 0 ? null : (this.options.at(known, skill)?.family ?? null);
    });
  }

  /** The share of a turn for which there is a rope for what somebody does. */
  ropeShare({ hasRope }: ClassOption, student: number, turn: number): number {
    return hasRope ? this.ropeShares.at(turn, student) : 1;
  }

  /** The family of what is done at a station. */
  familyAt(turn: number, station: number): Family | null {
    const skill = this.skillAt.at(turn, station);
    return skill === null ? null : cellOf(this.families, skill);
  }

  /** Pairs that are to be together and are both here. O(students). */
  pairsHere(turn: number): number {
    let many = 0;
    this.pairs.forEach(({ together }, student) => {
      for (const other of together)
        if (other > student && this.isHere(student, turn) && this.isHere(other, turn)) many += 1;
    });
    return many;
  }

  isHere(student: number, turn: number): boolean {
    const { from = 0, until = Infinity } = cellOf(this.students, student);
    return turn >= from && turn < until;
  }

  pinOfStation(turn: number, station: number): Numbered {
    return this.pinnedSkill.at(turn, station);
  }

  pinOfStudent(turn: number, student: number): Numbered {
    return this.pinnedStation.at(turn, student);
  }

  /** Whether everybody who is pinned to a station in a turn may do a skill. */
  suitsPins(turn: number, station: number, skill: number): boolean {
    if (this.asked.placePins.length === 0) return true;
    return this.students.every(
      (_, student) =>
        this.pinOfStudent(turn, student) !== station || this.options.at(student, skill) !== null,
    );
  }

  /** The numbers of the skills that a student may do. */
  ableSkills(student: number): readonly number[] {
    return cellOf(this.able, student);
  }

  /** What a student would do at a station; null where they may not, or nothing is done there. */
  optionThere(student: number, turn: number, station: number): Option {
    const skill = this.skillAt.at(turn, station);
    return skill === null ? null : this.options.at(student, skill);
  }

  /** What a student does in a turn; null where they may not, or are not there. */
  optionAt(student: number, turn: number): Option {
    const station = this.stationOf.at(turn, student);
    return station === null ? null : this.optionThere(student, turn, station);
  }

  /** The number of what a student does in a turn. */
  skillOf(student: number, turn: number): Numbered {
    const station = this.stationOf.at(turn, student);
    return station === null ? null : this.skillAt.at(turn, station);
  }

  private isWrongHalf(turn: number): boolean {
    const isLate = turn >= this.minutes.length / 2;
    return (this.asked.hardSkill === "late") !== isLate && this.minutes.length > 1;
  }

  /**
   * What a student's turn counts by the minute after the turns before it, with `done` for what they do in each.
   * O(turns).
   */
  private worthAfter(option: ClassOption, student: number, turn: number): number {
    const { done } = this;
    let worth = option.worth * this.ropeShare(option, student, turn);
    for (let before = 0; before < turn; before += 1) {
      if (done[before] === option) worth *= CLASS_WEIGHTS.again;
    }
    if (turn > 0 && done[turn - 1]?.effort === option.effort) worth *= CLASS_WEIGHTS.sameEffort;
    return option.isNewAndHard && this.isWrongHalf(turn) ? worth * CLASS_WEIGHTS.wrongHalf : worth;
  }

  /** What a student's turns count in minutes; a breach where they are idle or over the limit of multiples. */
  studentScore(student: number): Scored {
    for (let turn = 0; turn < this.minutes.length; turn += 1) this.done[turn] = this.optionAt(student, turn);
    return this.scoreOfDone(student);
  }

  /** The same, if they did something else in one turn: for each of what they could do there. */
  scoresWith(student: number, changed: number, options: readonly Option[]): readonly Scored[] {
    for (let turn = 0; turn < this.minutes.length; turn += 1) this.done[turn] = this.optionAt(student, turn);
    return options.map((option) => {
      this.done[changed] = option;
      return this.scoreOfDone(student);
    });
  }

  private scoreOfDone(student: number): Scored {
    const { landingsLeft, multiplesLeft, from = 0, until = Infinity } = cellOf(this.students, student);
    let [score, breach, landings, multiples] = [0, 0, 0, 0];
    let [present, begun] = [0, 0];
    for (const [turn, option] of this.done.entries()) {
      const minutes = cellOf(this.working, turn);
      const isHere = turn >= from && turn < until;
      if (isHere) present += minutes;
      if (option === null) {
        if (turn >= this.firstOpen && isHere) breach += 1;
        continue;
      }
      if (option.isBegun) begun += minutes;
      score += this.worthAfter(option, student, turn) * minutes;
      landings += option.landingsAMinute * minutes;
      multiples += option.multiplesAMinute * minutes;
    }
    if (this.hasBegun[student] === true) score -= CLASS_WEIGHTS.begun * Math.max(0, present / 2 - begun);
    if (multiplesLeft !== null && multiples > multiplesLeft) breach += 1 + multiples - multiplesLeft;
    // Landings only ever warn, but the plan keeps within them where it can.
    if (landingsLeft !== null && landings > landingsLeft) score -= 1 + (landings - landingsLeft) / 100;
    return { worth: score, breach };
  }
}
