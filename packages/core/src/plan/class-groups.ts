/**
 * Who stands together in one turn of a class, in sums that follow whoever moves: what a turn loses by its groups,
 * by eyes, and by pairs who are to be apart or together. Moving one is O(1), the loss O(stations).
 */
import { cellOf } from "../grid.js";
import type { Family } from "../syllabus/skill.js";
import { unled } from "./class-eyes.js";
import { weighed, type ClassTable, type Numbered, type Scored } from "./class-table.js";
import { CLASS_LIMITS, CLASS_WEIGHTS } from "./weights.js";

/** Those at one station. */
interface Group {
  many: number;
  /** What their minutes count. */
  whole: number;
  /** Who shows, less those to whom they could. */
  idleShows: number;
  /** Who is at something new or risky, what their minutes count, and how many of them ask for a coach. */
  watched: number;
  risky: number;
  led: number;
}

const NOBODY: Readonly<Group> = { many: 0, whole: 0, idleShows: 0, watched: 0, risky: 0, led: 0 };

export class ClassGroups {
  private readonly groups: readonly Group[];
  /** Where each student is counted. */
  private readonly counted: Numbered[];
  private turn = 0;
  /** Pairs at one station that are to be apart, and of those that are to be together how many are not. */
  private quarrels = 0;
  private parted = 0;

  constructor(private readonly table: ClassTable) {
    this.groups = Array.from({ length: table.skillAt.width }, () => ({ ...NOBODY }));
    this.counted = table.students.map(() => null);
  }

  /** Counts a turn as the table has it. O(students + pairs). */
  gather(turn: number): this {
    const { table } = this;
    this.turn = turn;
    for (const group of this.groups) Object.assign(group, NOBODY);
    this.counted.fill(null);
    this.quarrels = 0;
    this.parted = table.pairsHere(turn);
    for (let student = 0; student < table.students.length; student += 1) this.add(student);
    return this;
  }

  /** Has a student stand at another station. */
  move(student: number, station: Numbered): void {
    this.count(student, -1);
    this.table.stationOf.put(this.turn, student, station);
    this.add(student);
  }

  private add(student: number): void {
    const { table, turn } = this;
    this.counted[student] = table.optionAt(student, turn) === null ? null : table.stationOf.at(turn, student);
    this.count(student, 1);
  }

  /** Adds a student to the sums of where they are counted, or takes them out. */
  private count(student: number, by: 1 | -1): void {
    const { table, turn, counted } = this;
    const station = cellOf(counted, student);
    const option = station === null ? null : table.optionThere(student, turn, station);
    if (station === null || option === null) return;
    const group = cellOf(this.groups, station);
    const worth = by * option.worth * table.ropeShare(option, student, turn);
    group.many += by;
    group.whole += worth;
    if (option.use === "show") group.idleShows += by;
    if (option.use === "frontier") group.idleShows -= by;
    if (option.watch !== "nobody") {
      group.watched += by;
      group.risky += worth;
      if (option.watch === "coach") group.led += by;
    }
    const { apart, together } = cellOf(table.pairs, student);
    for (const other of apart) if (other !== student && counted[other] === station) this.quarrels += by;
    for (const other of together) if (other !== student && counted[other] === station) this.parted -= by;
  }

  /**
   * What the turn loses by who stands together and who can look, in minutes; a breach
   * where a station has nobody who may lead it, where two quarrel, and where more jump at once than the floor
   * holds. Nothing of it grows with the stations, coaches, helpers or the floor that there are.
   */
  score(): Scored {
    const { table, turn, groups } = this;
    const { coaches, helpers } = table.asked;
    let [lost, jumping] = [CLASS_WEIGHTS.parted * this.parted, 0];
    const families: (Family | null)[] = [];
    const others: Group[] = [];
    for (const [station, group] of groups.entries()) {
      const { many } = group;
      if (many === 0) continue;
      jumping += Math.ceil(many / 2);
      if (many === 1) lost += CLASS_WEIGHTS.alone;
      lost += group.whole * (1 - Math.min(1, CLASS_LIMITS.group / many));
      lost += Math.max(0, group.idleShows) * (CLASS_WEIGHTS.show - CLASS_WEIGHTS.keep);
      if (group.led > 0) families.push(table.familyAt(turn, station));
      else others.push(group);
    }
    const missing = unled(families, coaches, helpers);
    const eyes = coaches + helpers.length - (families.length - missing);
    if (others.length > eyes) {
      // A coach who need not stay anywhere goes round them all.
      const unlooked = coaches > families.length ? 0 : 1 - CLASS_WEIGHTS.unlooked;
      const losses = others.map(
        (group) =>
          group.whole * unlooked + (group.watched > 0 ? group.risky * (1 - CLASS_WEIGHTS.unseen) : 0),
      );
      losses.sort((one, other) => other - one);
      for (const loss of losses.slice(eyes)) lost += loss;
    }
    const breach = missing + this.quarrels + Math.max(0, jumping - table.room);
    return { worth: -lost * cellOf(table.working, turn), breach };
  }

  /** The loss as one number. */
  value(): number {
    return weighed(this.score());
  }
}

/** Minutes that count, over all students, in all turns that are open. */
export function usefulMinutes(table: ClassTable): number {
  const groups = new ClassGroups(table);
  const students = table.students.map((_, student) => table.studentScore(student).worth);
  const turns = table.minutes.map((_, turn) =>
    turn < table.firstOpen ? 0 : groups.gather(turn).score().worth,
  );
  return [...students, ...turns].reduce((sum, worth) => sum + worth, 0);
}
