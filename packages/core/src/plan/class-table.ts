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

function emptyGroup(): Group {
  return { many: 0, roped: 0, ropeless: 0, idleShows: 0, risky: 0, needsCoach: false };
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
  /** Jumpers at once in the hall: half of a group jumps while the others count. */
  private readonly room: number;
  /** By student and skill; undefined where it may not be done. */
  readonly options: readonly (readonly Option[])[];
  /** By turn and station: the skill's number. */
  readonly skillAt: number[][];
  /** By turn and student: the station, `NONE` for who is not there. */
  readonly stationOf: number[][];
  /** By student: whether anything is begun that they may do. */
  private readonly hasBegun: readonly boolean[];
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
    this.room = room ?? Infinity;
    this.skills = [...new Set(students.flatMap((one) => one.options.map((option) => option.subject)))];
    const numberOf = new Map(this.skills.map((subject, place) => [subject, place]));
    this.options = students.map(({ options }) => {
      const bySubject = new Map(options.map((option) => [option.subject, option]));
      return this.skills.map((subject) => bySubject.get(subject));
    });
    this.hasBegun = students.map(({ options }) => options.some((option) => option.isBegun));
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
    const station = this.stationOf[turn]?.[student] ?? NONE;
    if (station === NONE) return undefined;
    const skill = this.skillAt[turn]?.[station] ?? NONE;
    return skill === NONE ? undefined : this.options[student]?.[skill];
  }

  private isWrongHalf(turn: number): boolean {
    const isLate = turn >= this.minutes.length / 2;
    return (this.asked.hardSkill === "late") !== isLate && this.minutes.length > 1;
  }

  /** What a student's turns count in minutes; a breach where they are idle or over the limit of multiples. */
  studentScore(student: number): Scored {
    const { landingsLeft = null, multiplesLeft = null } = this.students[student] ?? {};
    let [score, breach, landings, multiples] = [0, 0, 0, 0];
    let [present, begun] = [0, 0];
    let last: Option;
    for (let turn = 0; turn < this.minutes.length; turn += 1) {
      const isFixed = turn < this.firstOpen;
      const minutes = this.working[turn] ?? 0;
      if (this.isHere(student, turn)) present += minutes;
      const option = this.optionAt(student, turn);
      if (option === undefined) {
        if (!isFixed && this.isHere(student, turn)) breach += 1;
        last = undefined;
        continue;
      }
      if (option.isBegun) begun += minutes;
      let worth = option.worth * minutes;
      for (let before = 0; before < turn; before += 1) {
        if (this.optionAt(student, before) === option) worth *= CLASS_WEIGHTS.again;
      }
      if (last?.effort === option.effort) worth *= CLASS_WEIGHTS.sameEffort;
      if (option.isNewAndHard && this.isWrongHalf(turn)) worth *= CLASS_WEIGHTS.wrongHalf;
      score += worth;
      landings += option.landingsAMinute * minutes;
      multiples += option.multiplesAMinute * minutes;
      last = option;
    }
    if (this.hasBegun[student] === true) score -= CLASS_WEIGHTS.begun * Math.max(0, present / 2 - begun);
    if (multiplesLeft !== null && multiples > multiplesLeft) breach += 1 + multiples - multiplesLeft;
    // Landings only ever warn, but the plan keeps within them where it can.
    if (landingsLeft !== null && landings > landingsLeft) score -= 1 + (landings - landingsLeft) / 100;
    return { worth: score, breach };
  }

  /** Who stands together at each station of a turn, in sums. O(students). */
  private groupsAt(turn: number): readonly Group[] {
    const groups = (this.skillAt[turn] ?? []).map(emptyGroup);
    const places = this.stationOf[turn] ?? [];
    for (let student = 0; student < places.length; student += 1) {
      const option = this.optionAt(student, turn);
      const group = groups[places[student] ?? NONE];
      if (option === undefined || group === undefined) continue;
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
    const minutes = this.working[turn] ?? 0;
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

  /** Where a turn may have its stations in another order: nobody is pinned to them, and nothing is. */
  private isLoose(turn: number, station: number): boolean {
    return (
      this.pinOfStation(turn, station) === NONE &&
      !this.students.some((_, student) => this.pinOfStudent(turn, student) === station)
    );
  }

  /** Puts the stations of each turn where most of their students stand already: nobody walks who need not. */
  settle(): void {
    for (let turn = Math.max(1, this.firstOpen); turn < this.minutes.length; turn += 1) {
      const [before = [], now = []] = [this.stationOf[turn - 1], this.stationOf[turn]];
      const skills = this.skillAt[turn] ?? [];
      const loose = skills.flatMap((_, station) =>
        station < this.stations && this.isLoose(turn, station) ? [station] : [],
      );
      const stays = (from: number, to: number) =>
        now.filter((station, student) => station === from && before[student] === to).length;
      const placeOf = new Map(assigned(loose, stays));
      this.skillAt[turn] = skills.map((skill, station) => {
        const from = [...placeOf].find(([, to]) => to === station)?.[0] ?? station;
        return skills[from] ?? skill;
      });
      this.stationOf[turn] = now.map((station) => placeOf.get(station) ?? station);
    }
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

/** Each of the numbers given another of them, so that the sum of what the pairs are worth is greatest. O(n² · 2ⁿ). */
function assigned(
  numbers: readonly number[],
  worth: (from: number, to: number) => number,
): readonly (readonly [from: number, to: number])[] {
  interface Best {
    readonly sum: number;
    readonly pairs: readonly (readonly [number, number])[];
  }
  let bySet: ReadonlyMap<number, Best> = new Map([[0, { sum: 0, pairs: [] }]]);
  for (const from of numbers) {
    const next = new Map<number, Best>();
    for (const [set, { sum, pairs }] of bySet) {
      numbers.forEach((to, bit) => {
        if ((set >> bit) % 2 === 1) return;
        const wider = set + 2 ** bit;
        const total = sum + worth(from, to);
        if (total > (next.get(wider)?.sum ?? -1))
          next.set(wider, { sum: total, pairs: [...pairs, [from, to]] });
      });
    }
    bySet = next;
  }
  return [...bySet.values()][0]?.pairs ?? [];
}
