/**
 * A class plan in the making, in numbers: who is at which station in which turn, and what is done there.
 * Every move of the search is scored from the students and the turn that it touches. Memory
 * O(students × skills), a student's score O(turns²), a turn's O(students + stations).
 */
import { cellOf, Grid } from "../grid.js";
import type { ClassAsked, ClassBefore, ClassStudent } from "./class.js";
import type { ClassOption } from "./class-option.js";
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
type Option = ClassOption | null;
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

/** Those at one station: how many, what their minutes count with a rope and without, and what asks for eyes. */
interface Group {
  many: number;
  roped: number;
  ropeless: number;
  /** Who shows, less those to whom they could. */
  idleShows: number;
  risky: number;
  needsCoach: boolean;
}

const emptyGroup = (): Group => ({
  ...{ many: 0, roped: 0, ropeless: 0, idleShows: 0, risky: 0 },
  needsCoach: false,
});

function clear(group: Group): void {
  group.many = 0;
  group.roped = 0;
  group.ropeless = 0;
  group.idleShows = 0;
  group.risky = 0;
  group.needsCoach = false;
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
  private readonly room: number;
  /** By student and skill. */
  readonly options: Grid<Option>;
  /** By turn and station: the skill. */
  readonly skillAt: Grid<Numbered>;
  /** By turn and student: the station, null for who is not there. */
  readonly stationOf: Grid<Numbered>;
  /** By student: whether anything is begun that they may do. */
  private readonly hasBegun: readonly boolean[];
  /** By turn and station, what a pin asks; by turn and student, where a pin has them. */
  private readonly pinnedSkill: Grid<Numbered>;
  private readonly pinnedStation: Grid<Numbered>;
  /** What the student whose turns are scored does in each. */
  private readonly done: Option[];
  /** Who stands together in the turn that is scored, by station. */
  private readonly groups: readonly Group[];

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
    this.groups = Array.from({ length: widest }, emptyGroup);
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
  private worthAfter(option: ClassOption, turn: number): number {
    const { done } = this;
    let { worth } = option;
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

  /** The same, if they did something else in one turn. */
  scoreWith(student: number, changed: number, option: Option): Scored {
    for (let turn = 0; turn < this.minutes.length; turn += 1)
      this.done[turn] = turn === changed ? option : this.optionAt(student, turn);
    return this.scoreOfDone(student);
  }

  private scoreOfDone(student: number): Scored {
    const { landingsLeft, multiplesLeft } = cellOf(this.students, student);
    let [score, breach, landings, multiples] = [0, 0, 0, 0];
    let [present, begun] = [0, 0];
    for (let turn = 0; turn < this.minutes.length; turn += 1) {
      const minutes = cellOf(this.working, turn);
      const isHere = this.isHere(student, turn);
      if (isHere) present += minutes;
      const option = cellOf(this.done, turn);
      if (option === null) {
        if (turn >= this.firstOpen && isHere) breach += 1;
        continue;
      }
      if (option.isBegun) begun += minutes;
      score += this.worthAfter(option, turn) * minutes;
      landings += option.landingsAMinute * minutes;
      multiples += option.multiplesAMinute * minutes;
    }
    if (this.hasBegun[student] === true) score -= CLASS_WEIGHTS.begun * Math.max(0, present / 2 - begun);
    if (multiplesLeft !== null && multiples > multiplesLeft) breach += 1 + multiples - multiplesLeft;
    // Landings only ever warn, but the plan keeps within them where it can.
    if (landingsLeft !== null && landings > landingsLeft) score -= 1 + (landings - landingsLeft) / 100;
    return { worth: score, breach };
  }

  /** Who stands together at each station of a turn, in sums. O(students). */
  private groupsAt(turn: number): readonly Group[] {
    const { groups } = this;
    for (const group of groups) clear(group);
    for (let student = 0; student < this.students.length; student += 1) {
      const station = this.stationOf.at(turn, student);
      const option = station === null ? null : this.optionThere(student, turn, station);
      if (station === null || option === null) continue;
      const group = cellOf(groups, station);
      group.many += 1;
      if (option.hasRope) group.roped += option.worth;
      else group.ropeless += option.worth;
      if (option.use === "show") group.idleShows += 1;
      if (option.use === "frontier") group.idleShows -= 1;
      if (option.watch !== "nobody") {
        group.risky += option.worth;
        group.needsCoach ||= option.watch === "coach";
      }
    }
    return groups;
  }

  /**
   * What a turn loses by who stands together, who can look and how many ropes there are, in minutes; a breach
   * where a station has no coach that needs one, and where more jump at once than the floor holds. Nothing of
   * it grows with the stations, coaches, helpers, ropes or the floor that there are.
   */
  turnScore(turn: number): Scored {
    const minutes = cellOf(this.working, turn);
    const groups = this.groupsAt(turn);
    let [lost, here, jumping] = [0, 0, 0];
    let coaches = this.asked.coaches;
    for (const { many, needsCoach } of groups) {
      here += many;
      jumping += Math.ceil(many / 2);
      if (needsCoach) coaches -= 1;
    }
    const share = here === 0 ? 1 : Math.min(1, (2 * (this.asked.ropes ?? Infinity)) / here);
    const unseen: number[] = [];
    for (const { many, roped, ropeless, idleShows, risky, needsCoach } of groups) {
      if (many === 0) continue;
      if (many === 1) lost += CLASS_WEIGHTS.alone;
      const seen = Math.min(1, CLASS_LIMITS.group / many);
      lost += roped * (1 - seen * share) + ropeless * (1 - seen);
      lost += Math.max(0, idleShows) * (CLASS_WEIGHTS.show - CLASS_WEIGHTS.keep);
      if (risky > 0 && !needsCoach) unseen.push(risky * (1 - CLASS_WEIGHTS.unseen));
    }
    const eyes = this.asked.helpers + Math.max(0, coaches);
    if (unseen.length > eyes) {
      unseen.sort((one, other) => other - one);
      for (const loss of unseen.slice(eyes)) lost += loss;
    }
    return { worth: -lost * minutes, breach: Math.max(0, -coaches) + Math.max(0, jumping - this.room) };
  }

  /** Minutes that count, over all students. */
  useful(): number {
    const students = this.students.map((_, student) => this.studentScore(student).worth);
    const turns = this.minutes.map((_, turn) => (turn < this.firstOpen ? 0 : this.turnScore(turn).worth));
    return [...students, ...turns].reduce((sum, worth) => sum + worth, 0);
  }
}
