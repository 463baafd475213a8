/**
 * A class plan in the making, in numbers: who is at which station in which turn, and what is done there.
 * Every move of the search is scored from the students and the turn that it touches. Memory
 * O(students × skills), a student's score O(turns²), a turn's O(students + stations).
 */
import type { ClassAsked, ClassBefore, ClassFault, ClassPlan, ClassStudent, Place } from "./class.js";
import { WATCHES, type ClassOption, type Watch } from "./class-option.js";
import { CLASS_LIMITS, CLASS_WEIGHTS } from "./weights.js";

/** No station, or no skill. */
export const NONE = -1;

interface ClassTableContext {
  readonly asked: ClassAsked;
  readonly students: readonly ClassStudent[];
  /** Minutes of each turn. */
  readonly minutes: readonly number[];
  readonly before: ClassBefore;
  readonly stations: number;
  readonly room: number | null;
}

type Option = ClassOption | undefined;

/** Minutes that count, and how far something stands against them that is not to be. */
export interface Scored {
  readonly worth: number;
  readonly breach: number;
}

/** One number for the search: a breach weighs more than all minutes together. */
export function weighed({ worth, breach }: Scored): number {
  return worth - CLASS_WEIGHTS.forbidden * breach;
}

export class ClassTable {
  /** Every skill that anybody here may do. */
  readonly skills: readonly string[];
  readonly students: readonly ClassStudent[];
  readonly minutes: readonly number[];
  /** Minutes of each turn at the drill itself. */
  readonly working: readonly number[];
  readonly stations: number;
  /** Turns before this one stay as they are. */
  readonly firstOpen: number;
  /** At most so many at a station: half of them jump while the others count. */
  readonly most: number;
  /** By student and skill; undefined where it may not be done. */
  readonly options: readonly (readonly Option[])[];
  /** By turn and station: the skill's number. */
  readonly skillAt: number[][];
  /** By turn and student: the station, `NONE` for who is not there. */
  readonly stationOf: number[][];
  private readonly asked: ClassAsked;
  private readonly before: ClassBefore;
  /** By turn and station, what a pin asks; by turn and student, where a pin has them. */
  private readonly pinnedSkill: readonly (readonly number[])[];
  private readonly pinnedStation: readonly (readonly number[])[];

  constructor({ asked, students, minutes, before, stations, room }: ClassTableContext) {
    this.asked = asked;
    this.before = before;
    this.students = students;
    this.minutes = minutes;
    this.working = minutes.map((one) => Math.max(0, one - CLASS_LIMITS.change));
    this.firstOpen = before.rotations.length;
    const widest = Math.max(stations, ...before.rotations.map((one) => one.stations.length));
    this.stations = stations;
    this.most = room === null ? students.length : 2 * room;
    this.skills = [...new Set(students.flatMap((one) => one.options.map((option) => option.subject)))];
    const numberOf = new Map(this.skills.map((subject, place) => [subject, place]));
    this.options = students.map(({ options }) => {
      const bySubject = new Map(options.map((option) => [option.subject, option]));
      return this.skills.map((subject) => bySubject.get(subject));
    });
    this.skillAt = minutes.map((_, turn) =>
      Array.from({ length: widest }, (_none, station) => {
        const subject = before.rotations[turn]?.stations[station]?.subject;
        return subject === undefined || subject === null ? NONE : (numberOf.get(subject) ?? NONE);
      }),
    );
    const kept = new Map(before.students.map((one) => [one.id, one.places]));
    this.stationOf = minutes.map((_, turn) =>
      students.map(({ id }) => kept.get(id)?.[turn]?.station ?? NONE),
    );
    this.pinnedSkill = this.numbersOf(asked.stationPins, stations, (pin) => [
      pin.station,
      numberOf.get(pin.subject) ?? NONE,
    ]);
    this.pinnedStation = this.numbersOf(asked.placePins, students.length, (pin) => [
      students.findIndex((one) => one.id === pin.student),
      pin.station < stations ? pin.station : NONE,
    ]);
  }

  private numbersOf<T extends { readonly rotation: number }>(
    pins: readonly T[],
    width: number,
    of: (pin: T) => readonly [at: number, value: number],
  ): number[][] {
    const numbers = this.minutes.map(() => Array.from({ length: width }, () => NONE));
    for (const pin of pins) {
      const [at, value] = of(pin);
      const row = numbers[pin.rotation];
      if (row !== undefined && at >= 0 && at < width) row[at] = value;
    }
    return numbers;
  }

  isHere(student: number, turn: number): boolean {
    const { from = 0, until = Infinity } = this.students[student] ?? {};
    return turn >= from && turn < until;
  }

  pinOfStation(turn: number, station: number): number {
    return this.pinnedSkill[turn]?.[station] ?? NONE;
  }

  pinOfStudent(turn: number, student: number): number {
    return this.pinnedStation[turn]?.[student] ?? NONE;
  }

  /** Whether everybody who is pinned to a station in a turn may do a skill. */
  suitsPins(turn: number, station: number, skill: number): boolean {
    return this.students.every(
      (_, student) =>
        this.pinOfStudent(turn, student) !== station || this.options[student]?.[skill] !== undefined,
    );
  }

  /** What a student does in a turn; undefined where they may not, or are not there. */
  optionAt(student: number, turn: number): Option {
    const skill = this.skillAt[turn]?.[this.stationOf[turn]?.[student] ?? NONE] ?? NONE;
    return this.options[student]?.[skill];
  }

  private isWrongHalf(turn: number): boolean {
    const isLate = turn >= this.minutes.length / 2;
    return (this.asked.hardSkill === "late") !== isLate && this.minutes.length > 1;
  }

  /** What a student's turns count in minutes; a breach where they are idle or over the limit of multiples. */
  studentScore(student: number): Scored {
    const { landingsLeft = null, multiplesLeft = null } = this.students[student] ?? {};
    const seen: ClassOption[] = [];
    let [score, breach, landings, multiples] = [0, 0, 0, 0];
    let last: Option;
    for (let turn = 0; turn < this.minutes.length; turn += 1) {
      const isFixed = turn < this.firstOpen;
      const option = this.optionAt(student, turn);
      if (option === undefined) {
        if (!isFixed && this.isHere(student, turn)) breach += 1;
        last = undefined;
        continue;
      }
      const minutes = this.working[turn] ?? 0;
      let worth = option.worth * minutes;
      for (const before of seen) if (before.subject === option.subject) worth *= CLASS_WEIGHTS.again;
      if (last?.effort === option.effort) worth *= CLASS_WEIGHTS.sameEffort;
      if (option.isNewAndHard && this.isWrongHalf(turn)) worth *= CLASS_WEIGHTS.wrongHalf;
      score += worth;
      landings += option.landingsAMinute * minutes;
      multiples += option.multiplesAMinute * minutes;
      seen.push(option);
      last = option;
    }
    if (multiplesLeft !== null && multiples > multiplesLeft) breach += 1 + multiples - multiplesLeft;
    // Landings only ever warn, but the plan keeps within them where it can.
    if (landingsLeft !== null && landings > landingsLeft) score -= 1 + (landings - landingsLeft) / 100;
    return { worth: score, breach };
  }

  /** What a turn loses by who stands together and who watches, in minutes; a breach where a station is too full or has no coach. */
  turnScore(turn: number): Scored {
    const minutes = this.working[turn] ?? 0;
    const stations = this.skillAt[turn]?.length ?? 0;
    const at: number[] = new Array<number>(stations).fill(0);
    const shows: number[] = new Array<number>(stations).fill(0);
    const learners: number[] = new Array<number>(stations).fill(0);
    const watched: number[] = new Array<number>(stations).fill(0);
    const beginners: number[] = new Array<number>(stations).fill(0);
    for (let student = 0; student < this.students.length; student += 1) {
      const station = this.stationOf[turn]?.[student] ?? NONE;
      const option = this.optionAt(student, turn);
      if (station === NONE || option === undefined) continue;
      at[station] = (at[station] ?? 0) + 1;
      if (option.use === "show") shows[station] = (shows[station] ?? 0) + 1;
      if (option.use === "frontier") learners[station] = (learners[station] ?? 0) + 1;
      watched[station] = Math.max(watched[station] ?? 0, WATCHES.indexOf(option.watch));
      if (option.watch !== "nobody") beginners[station] = (beginners[station] ?? 0) + 1;
    }
    const here = at.reduce((sum, one) => sum + one, 0);
    const fair = Math.ceil(here / this.stations) + 1;
    let [score, breach] = [0, 0];
    let coaches = this.asked.coaches;
    let hands = this.asked.helpers;
    for (let station = 0; station < stations; station += 1) {
      const many = at[station] ?? 0;
      if (many === 1) score -= CLASS_WEIGHTS.alone * minutes;
      if (many > this.most) breach += many - this.most;
      score -= Math.max(0, many - fair) * CLASS_WEIGHTS.crowd * minutes;
      const idleShows = Math.max(0, (shows[station] ?? 0) - (learners[station] ?? 0));
      score -= idleShows * (CLASS_WEIGHTS.show - CLASS_WEIGHTS.keep) * minutes;
      if (watched[station] === 2) coaches -= 1;
      // Two stations with one skill are two places to watch where one would have done.
      const row = this.skillAt[turn] ?? [];
      const same = row.indexOf(row[station] ?? NONE);
      if (many > 0 && same < station && (at[same] ?? 0) > 0 && (at[same] ?? 0) + many <= this.most) {
        score -= CLASS_WEIGHTS.split * minutes;
      }
    }
    if (coaches < 0) breach -= coaches;
    hands += Math.max(0, coaches);
    const unwatched = watched
      .map((watch, station) => (watch === 1 ? (beginners[station] ?? 0) : 0))
      .sort((one, other) => other - one)
      .slice(hands);
    for (const beginning of unwatched) score -= beginning * CLASS_WEIGHTS.unwatched * minutes;
    return { worth: score, breach };
  }

  /** Minutes that count, over all students. */
  useful(): number {
    const students = this.students.map((_, student) => this.studentScore(student).worth);
    const turns = this.minutes.map((_, turn) => (turn < this.firstOpen ? 0 : this.turnScore(turn).worth));
    return [...students, ...turns].reduce((sum, worth) => sum + worth, 0);
  }

  private watches(turn: number): readonly Watch[] {
    const stations = this.skillAt[turn]?.length ?? 0;
    const asked = Array.from({ length: stations }, (_, station) => {
      const here = this.students.flatMap((_one, student) =>
        this.stationOf[turn]?.[student] === station ? (this.optionAt(student, turn) ?? []) : [],
      );
      const most = Math.max(0, ...here.map((option) => WATCHES.indexOf(option.watch)));
      return { station, most, beginners: here.filter((option) => option.watch !== "nobody").length };
    }).sort((one, other) => other.most - one.most || other.beginners - one.beginners);
    const watches: Watch[] = Array.from({ length: stations }, () => "nobody");
    let { coaches, helpers } = this.asked;
    for (const { station, most } of asked) {
      if (most === 0) continue;
      if (most === 1 && helpers > 0) {
        helpers -= 1;
        watches[station] = "helper";
      } else if (coaches > 0) {
        coaches -= 1;
        watches[station] = "coach";
      }
    }
    return watches;
  }

  /** The plan as it stands. */
  plan(): Pick<ClassPlan, "rotations" | "students" | "minutes" | "useful"> {
    const rotations = this.minutes.map((minutes, turn) => {
      const done = this.before.rotations[turn];
      if (done !== undefined) return done;
      const watches = this.watches(turn);
      return {
        minutes,
        stations: (this.skillAt[turn] ?? []).map((skill, station) => {
          const isUsed = this.stationOf[turn]?.includes(station) === true;
          return {
            subject: isUsed ? (this.skills[skill] ?? null) : null,
            watchedBy: watches[station] ?? "nobody",
          };
        }),
      };
    });
    const kept = new Map(this.before.students.map((one) => [one.id, one.places]));
    const students = this.students.map(({ id }, student) => ({
      id,
      places: this.minutes.map((_, turn): Place | null => {
        if (turn < this.firstOpen) return kept.get(id)?.[turn] ?? null;
        const option = this.optionAt(student, turn);
        const station = this.stationOf[turn]?.[student] ?? NONE;
        if (option === undefined || station === NONE) return null;
        const { side, use, drill, chance, cautions, reason } = option;
        return { station, side, use, drill, chance, cautions, reason };
      }),
    }));
    const here = (turn: number) => this.students.filter((_, student) => this.isHere(student, turn)).length;
    const minutes = this.working.reduce((sum, working, turn) => sum + working * here(turn), 0);
    return { rotations, students, minutes, useful: Math.max(0, this.useful()) };
  }

  /** What the plan could not keep to. */
  faults(): readonly ClassFault[] {
    const { coaches, placePins } = this.asked;
    const missing = this.minutes.flatMap((_, turn): ClassFault[] => {
      if (turn < this.firstOpen) return [];
      const needing = new Set(
        this.students.flatMap((_one, student) =>
          this.optionAt(student, turn)?.watch === "coach" ? [this.stationOf[turn]?.[student]] : [],
        ),
      );
      return needing.size > coaches ? [{ code: "coach-missing", rotation: turn }] : [];
    });
    const refused = placePins.flatMap((pin): ClassFault[] => {
      const student = this.students.findIndex((one) => one.id === pin.student);
      const isTaken = this.stationOf[pin.rotation]?.[student] === pin.station;
      return student < 0 || pin.rotation < this.firstOpen || isTaken ? [] : [{ code: "pin-refused", pin }];
    });
    const over = this.students.filter(({ multiplesLeft, landingsLeft }, student) => {
      const sum = (of: (option: ClassOption) => number) =>
        this.working.reduce((total, minutes, turn) => {
          const option = this.optionAt(student, turn);
          return total + (option === undefined ? 0 : of(option) * minutes);
        }, 0);
      return (
        sum((one) => one.multiplesAMinute) > (multiplesLeft ?? Infinity) ||
        sum((one) => one.landingsAMinute) > (landingsLeft ?? Infinity)
      );
    });
    const load: readonly ClassFault[] =
      over.length === 0 ? [] : [{ code: "over-load", students: over.map((one) => one.id) }];
    return [...refused, ...missing, ...load];
  }
}
