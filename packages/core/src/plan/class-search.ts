/**
 * The search for a class plan. A turn is solved with all others as they stand: its skills are exchanged one by
 * one for whatever lets everybody be better placed. Turns are solved in order, then shaken and solved again, and
 * a result that is a little worse is gone on from while the search is young. Its length is fixed by the size of
 * the class and not by a clock, so that the same question has the same answer.
 */
import { Tally } from "../tally.js";
import { cellOf, type Grid } from "../grid.js";
import { between, randomFrom, type Random } from "../random.js";
import { ClassGroups } from "./class-groups.js";
import { weighed, type ClassTable, type Numbered } from "./class-table.js";
import { CLASS_WEIGHTS } from "./weights.js";

/**
 * How often the whole is shaken and solved again: so often for each turn of a student, as far as that takes no
 * longer than it may, since a shake of twice as many takes twice as long and more. What is planned around turns
 * that were done is waited for in the hall, and is shaken a share of it.
 */
const SHAKES = { each: 12, all: 1e7, least: 100, inHall: 0.1 } as const;
/** Minutes that a worse plan may lose and still be gone on from one time in e, at first and at last. */
const WARM = 2;
const COLD = 0.2;
/** A plan that is worse by so many times that after its turns were solved once is given up. */
const HOPELESS = 3;
const PASSES = 3;
const REPORTS = 20;
/** Of the skills that a station could have, so many are tried out: those that promise most. */
const TRIED = 8;
/** How often the stations of a turn are gone through. */
const ROUNDS = 2;
/** Stations of a turn that a shake gives other skills, at most. */
const SHAKEN = 2;
/** What company can make good for one who moves, by the minute, about. */
const NEAR = 0.5;
const HAIR = 1e-9;

interface Snapshot {
  readonly skills: Grid<Numbered>;
  readonly places: Grid<Numbered>;
}

export function snapshotOf({ skillAt, stationOf }: ClassTable): Snapshot {
  return { skills: skillAt.copy(), places: stationOf.copy() };
}

export function restore(table: ClassTable, { skills, places }: Snapshot): void {
  for (let turn = 0; turn < table.minutes.length; turn += 1) {
    table.skillAt.putRow(turn, skills.row(turn));
    table.stationOf.putRow(turn, places.row(turn));
  }
}

/** What a student's turns all count by what they do in one of them. */
interface Worths {
  /** By skill; null where they may not. */
  readonly bySkill: readonly (number | null)[];
  /** Skills that they may do, those that count most first. */
  readonly order: readonly number[];
}

/** What each skill would count for each student, kept by what they do in their other turns. */
class Ledger {
  private readonly known = new Map<string, Worths>();

  constructor(private readonly table: ClassTable) {}

  worths(student: number, turn: number): Worths {
    const { table } = this;
    let key = `${student} ${turn}`;
    for (let other = 0; other < table.minutes.length; other += 1)
      if (other !== turn) key += ` ${table.skillOf(student, other)}`;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const able = table.ableSkills(student);
    const options = able.map((skill) => table.options.at(student, skill));
    const scores = table.scoresWith(student, turn, options);
    const bySkill: (number | null)[] = table.skills.map(() => null);
    const counted = able.map((skill, place) => ({ skill, worth: weighed(cellOf(scores, place)) }));
    for (const { skill, worth } of counted) bySkill[skill] = worth;
    const order = counted.sort((one, other) => other.worth - one.worth).map((one) => one.skill);
    const worths = { bySkill, order };
    this.known.set(key, worths);
    return worths;
  }
}

/** Where one is best added to so many: least where nobody has company yet. */
const preference = (many: number) => (many === 1 ? -1 : many);

/** What each of those who are here would count at a station, in their order; null where they may not. */
type Column = readonly (number | null)[];

/** One turn with the others as they stand. */
class Turn {
  private readonly present: readonly number[];
  /** By who is here. */
  private readonly worths: readonly Worths[];
  /** By station. */
  private readonly columns: Column[];
  private value: number;

  constructor(
    private readonly table: ClassTable,
    private readonly turn: number,
    ledger: Ledger,
    private readonly groups: ClassGroups,
  ) {
    this.present = table.students.flatMap((_, student) => (table.isHere(student, turn) ? [student] : []));
    this.worths = this.present.map((student) => ledger.worths(student, turn));
    this.columns = Array.from({ length: table.skillAt.width }, (_, station) =>
      this.columnOf(table.skillAt.at(turn, station)),
    );
    this.value = this.scored();
  }

  private columnOf(skill: Numbered): Column {
    return this.worths.map(({ bySkill }) => (skill === null ? null : cellOf(bySkill, skill)));
  }

  private put(station: number, skill: Numbered, column: Column): void {
    this.table.skillAt.put(this.turn, station, skill);
    this.columns[station] = column;
  }

  /** What this turn and all who are here count. */
  private scored(): number {
    let sum = this.groups.gather(this.turn).value();
    for (let place = 0; place < this.present.length; place += 1) sum += this.worthNow(place);
    return sum;
  }

  private worthNow(place: number): number {
    const { table, turn } = this;
    const student = cellOf(this.present, place);
    const station = table.stationOf.at(turn, student);
    const worth = station === null ? null : cellOf(this.columns, station)[place];
    if (typeof worth === "number") return worth;
    const [idle] = table.scoresWith(student, turn, [null]);
    return idle === undefined ? 0 : weighed(idle);
  }

  /** Puts everybody where they count most; where that is the same, with whoever is alone, or where fewer are. */
  placeAll(): void {
    const { table, turn, columns } = this;
    const taken = columns.map(() => 0);
    for (const [place, student] of this.present.entries()) {
      const pin = table.pinOfStudent(turn, student);
      let best: { readonly station: number; readonly worth: number } | null = null;
      for (let station = 0; station < table.stations; station += 1) {
        const worth = cellOf(columns, station)[place] ?? null;
        if (worth === null) continue;
        if (station === pin) {
          best = { station, worth };
          break;
        }
        const isBetter =
          best === null ||
          worth > best.worth + HAIR ||
          (worth > best.worth - HAIR &&
            preference(cellOf(taken, station)) < preference(cellOf(taken, best.station)));
        if (isBetter) best = { station, worth };
      }
      // Who may do nothing of what is done stands at the first station until the search finds better.
      const { station } = best ?? { station: 0 };
      table.stationOf.put(turn, student, station);
      taken[station] = cellOf(taken, station) + 1;
    }
  }

  /** Exchanges the skill of each station in turn for what lets everybody count most. Returns whether anything is better. */
  solve(): boolean {
    const before = this.value;
    for (let round = 0; round < ROUNDS; round += 1) {
      let isBetter = false;
      for (let station = 0; station < this.table.stations; station += 1) {
        if (this.table.pinOfStation(this.turn, station) === null && this.exchange(station)) isBetter = true;
      }
      if (!isBetter) break;
    }
    this.polish();
    return this.value > before + HAIR;
  }

  /**
   * The skills that promise most at a station: what everybody would count more, if each could stand where they like
   * and nothing were lost by who stands together. One that promises no more than there is already is none.
   */
  private promising(station: number): readonly { readonly skill: number; readonly most: number }[] {
    const { table, turn } = this;
    const gains = new Tally<number>();
    let without = 0;
    for (const [place, { bySkill, order }] of this.worths.entries()) {
      // Whoever has nowhere else gains all that there is.
      let rest: number = -CLASS_WEIGHTS.forbidden;
      for (let other = 0; other < table.stations; other += 1) {
        const worth = other === station ? null : cellOf(this.columns, other)[place];
        if (typeof worth === "number" && worth > rest) rest = worth;
      }
      without += rest;
      for (const skill of order) {
        const gain = (bySkill[skill] ?? rest) - rest;
        if (gain <= 0) break;
        gains.add(skill, gain);
      }
    }
    // Where somebody is idle or something is not to be, all are tried.
    const isForbidden = this.value < -CLASS_WEIGHTS.forbidden / 2;
    return gains
      .mostFirst()
      .map(([skill, gain]) => ({ skill, most: isForbidden ? Infinity : without + gain }))
      .filter(({ skill, most }) => most > this.value + HAIR && table.suitsPins(turn, station, skill))
      .slice(0, TRIED);
  }

  private exchange(station: number): boolean {
    const { table, turn } = this;
    const before = { skill: table.skillAt.at(turn, station), column: cellOf(this.columns, station) };
    let best = { ...before, places: table.stationOf.row(turn), value: this.value };
    for (const { skill, most } of this.promising(station)) {
      // No gain of those that follow is greater.
      if (most <= best.value) break;
      if (skill === before.skill) continue;
      const column = this.columnOf(skill);
      this.put(station, skill, column);
      this.placeAll();
      const value = this.scored();
      if (value > best.value + HAIR) best = { skill, column, places: table.stationOf.row(turn), value };
    }
    this.put(station, best.skill, best.column);
    table.stationOf.putRow(turn, best.places);
    const isBetter = best.value > this.value + HAIR;
    this.value = best.value;
    return isBetter;
  }

  /** Moves students one by one while that is better for all together. */
  private polish(): void {
    const { table, turn } = this;
    const near = NEAR * cellOf(table.working, turn);
    const groups = this.groups.gather(turn);
    let together = groups.value();
    for (const [place, student] of this.present.entries()) {
      if (table.pinOfStudent(turn, student) !== null) continue;
      let [from, worth] = [table.stationOf.at(turn, student), this.worthNow(place)];
      for (let station = 0; station < table.stations; station += 1) {
        const there = cellOf(this.columns, station)[place] ?? null;
        if (station === from || there === null) continue;
        if (there + near < worth && together > -CLASS_WEIGHTS.forbidden / 2) continue;
        groups.move(student, station);
        const group = groups.value();
        const gain = there + group - worth - together;
        if (gain > HAIR) {
          this.value += gain;
          [from, worth, together] = [station, there, group];
        } else groups.move(student, from);
      }
    }
  }
}

/** A plan in the making that is shaken and solved. */
class Search {
  private readonly ledger: Ledger;
  private readonly groups: ClassGroups;

  constructor(
    private readonly table: ClassTable,
    private readonly random: Random,
  ) {
    this.ledger = new Ledger(table);
    this.groups = new ClassGroups(table);
  }

  turn(turn: number): Turn {
    return new Turn(this.table, turn, this.ledger, this.groups);
  }

  total(): number {
    const { table } = this;
    let sum = 0;
    for (let student = 0; student < table.students.length; student += 1)
      sum += weighed(table.studentScore(student));
    for (let turn = table.firstOpen; turn < table.minutes.length; turn += 1)
      sum += this.groups.gather(turn).value();
    return sum;
  }

  /** The first plan: what is pinned, then a station after another, each as its turn's best. */
  fill(turn: number): void {
    const { table } = this;
    for (let station = 0; station < table.stations; station += 1)
      table.skillAt.put(turn, station, table.pinOfStation(turn, station));
    this.turn(turn).placeAll();
    this.turn(turn).solve();
  }

  private anyTurn(): number {
    return between(this.random, this.table.firstOpen, this.table.minutes.length - 1);
  }

  /** Gives stations of a turn other skills, out of what somebody would like. */
  shake(): number {
    const { table, random } = this;
    const turn = this.anyTurn();
    const many = between(random, 1, SHAKEN);
    for (let time = 0; time < many; time += 1) {
      const station = between(random, 0, table.stations - 1);
      const wishes = cellOf(table.students, between(random, 0, table.students.length - 1)).options;
      const { subject } = cellOf(wishes, between(random, 0, wishes.length - 1));
      const skill = table.skills.indexOf(subject);
      if (table.pinOfStation(turn, station) !== null || !table.suitsPins(turn, station, skill)) continue;
      table.skillAt.put(turn, station, skill);
    }
    this.turn(turn).placeAll();
    return turn;
  }

  /**
   * Solves every open turn, the shaken one last, and again while that makes something better and the whole is
   * worth at least so much.
   */
  solveAll(last: number, least: number): void {
    const { table } = this;
    const open = table.minutes.map((_, turn) => turn).slice(table.firstOpen);
    const start = last - table.firstOpen + 1;
    const order = [...open.slice(start), ...open.slice(0, start)];
    for (let round = 0; round < PASSES; round += 1) {
      const better = order.filter((turn) => this.turn(turn).solve());
      if (better.length === 0 || this.total() < least) return;
    }
  }
}

/** Fills the open turns of the table with the best plan found. `onReport` is called twenty times with the table at the best so far. */
export function searchClass(table: ClassTable, seed: number, onReport: (share: number) => void): void {
  const random = randomFrom(seed);
  const search = new Search(table, random);
  for (let turn = table.firstOpen; turn < table.minutes.length; turn += 1) search.fill(turn);
  const open = table.minutes.length - table.firstOpen;
  if (open === 0) return;
  search.solveAll(table.minutes.length - 1, -Infinity);
  let here = { value: search.total(), snapshot: snapshotOf(table) };
  let best = here;
  const { each, all, least, inHall } = SHAKES;
  const places = table.students.length * open;
  const whole = Math.max(least, Math.min(each * places, all / places ** 2));
  const shakes = Math.ceil(whole * (table.firstOpen > 0 ? inHall : 1));
  const cooling = (COLD / WARM) ** (1 / shakes);
  let temperature = WARM;
  for (let shake = 1; shake <= shakes; shake += 1) {
    search.solveAll(search.shake(), here.value - HOPELESS * temperature);
    const value = search.total();
    if (value >= here.value || random() < Math.exp((value - here.value) / temperature))
      here = { value, snapshot: snapshotOf(table) };
    else restore(table, here.snapshot);
    if (here.value > best.value + HAIR) best = here;
    temperature *= cooling;
    if (shake % Math.ceil(shakes / REPORTS) === 0 && shake < shakes) {
      restore(table, best.snapshot);
      onReport(shake / shakes);
      restore(table, here.snapshot);
    }
  }
  restore(table, best.snapshot);
}
