/**
 * The search for a class plan. A turn is solved with all others as they stand: its skills are exchanged one by
 * one for whatever lets everybody be better placed. Turns are solved in order, then shaken and solved again, and
 * a result that is a little worse is gone on from while the search is young. Its length is fixed by the size of
 * the class and not by a clock, so that the same question has the same answer.
 */
import { cellOf, type Grid } from "../grid.js";
import { between, randomFrom, type Random } from "../random.js";
import { weighed, type ClassTable, type Numbered } from "./class-table.js";
import { CLASS_WEIGHTS } from "./weights.js";

/** How often the whole is shaken and solved again: so often for so many turns of students, within bounds. */
const SHAKES = { places: 12000, least: 60, most: 500 } as const;
/** Minutes that a worse plan may lose and still be gone on from one time in e, at first and at last. */
const WARM = 2;
const COLD = 0.2;
/** A plan that is worse by so many times that after its turns were solved once is given up. */
const HOPELESS = 3;
const PASSES = 3;
const REPORTS = 20;
/** Of the skills that a station could have, so many are tried out: those that promise most. */
const TRIED = 3;
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

/** By skill: what all of a student's turns count if they do it in one of them; null where they may not. */
type Worths = readonly (number | null)[];

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
    const worths = table.skills.map((_, skill) => {
      const option = table.options.at(student, skill);
      return option === null ? null : weighed(table.scoreWith(student, turn, option));
    });
    this.known.set(key, worths);
    return worths;
  }
}

/** Where one is best added to so many: least where nobody has company yet. */
const preference = (many: number) => (many === 1 ? -1 : many);

/** One turn with the others as they stand. */
class Turn {
  private readonly present: readonly number[];
  /** By student; none for who is not here. */
  private readonly worths: readonly Worths[];
  private value: number;

  constructor(
    private readonly table: ClassTable,
    private readonly turn: number,
    ledger: Ledger,
  ) {
    this.present = table.students.flatMap((_, student) => (table.isHere(student, turn) ? [student] : []));
    this.worths = table.students.map((_, student) =>
      table.isHere(student, turn) ? ledger.worths(student, turn) : [],
    );
    this.value = this.scored();
  }

  /** What this turn and all who are here count. */
  private scored(): number {
    let sum = weighed(this.table.turnScore(this.turn));
    for (const student of this.present) sum += this.worthNow(student);
    return sum;
  }

  private worthOf(student: number, skill: number): number | null {
    return this.worths[student]?.[skill] ?? null;
  }

  private worthNow(student: number): number {
    const { table, turn } = this;
    const station = table.stationOf.at(turn, student);
    const skill = station === null ? null : table.skillAt.at(turn, station);
    return (
      (skill === null ? null : this.worthOf(student, skill)) ?? weighed(table.scoreWith(student, turn, null))
    );
  }

  /** Puts everybody where they count most; where that is the same, with whoever is alone, or where fewer are. */
  placeAll(): void {
    const { table, turn } = this;
    const taken = Array.from({ length: table.skillAt.width }, () => 0);
    const led = new Set<number>();
    for (const student of this.present) {
      const pin = table.pinOfStudent(turn, student);
      let best: { readonly station: number; readonly worth: number } | null = null;
      for (let station = 0; station < table.stations; station += 1) {
        const skill = table.skillAt.at(turn, station);
        const worth = skill === null ? null : this.worthOf(student, skill);
        if (worth === null) continue;
        const isLed = table.optionThere(student, turn, station)?.watch === "coach";
        if (isLed && station !== pin && !led.has(station) && led.size >= table.asked.coaches) continue;
        const isBetter =
          best === null ||
          worth > best.worth + HAIR ||
          (worth > best.worth - HAIR &&
            preference(cellOf(taken, station)) < preference(cellOf(taken, best.station)));
        if (station === pin || (isBetter && best?.station !== pin)) best = { station, worth };
      }
      // Who may do nothing of what is done stands at the first station until the search finds better.
      const station = best?.station ?? 0;
      if (table.optionThere(student, turn, station)?.watch === "coach") led.add(station);
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

  /** What everybody would count more with a skill at a station, if each could stand where they like. */
  private promises(station: number): readonly { readonly skill: number; readonly gain: number }[] {
    const { table, turn } = this;
    const gains = table.skills.map(() => 0);
    for (const student of this.present) {
      let most: number | null = null;
      for (let other = 0; other < table.stations; other += 1) {
        const skill = other === station ? null : table.skillAt.at(turn, other);
        const worth = skill === null ? null : this.worthOf(student, skill);
        if (worth !== null && (most === null || worth > most)) most = worth;
      }
      // Whoever has nowhere else gains all that there is.
      const rest = most ?? -CLASS_WEIGHTS.forbidden;
      cellOf(this.worths, student).forEach((worth, skill) => {
        if (worth !== null && worth > rest) gains[skill] = cellOf(gains, skill) + worth - rest;
      });
    }
    const promises = gains.flatMap((gain, skill) =>
      table.suitsPins(turn, station, skill) ? [{ skill, gain }] : [],
    );
    return promises.sort((one, other) => other.gain - one.gain);
  }

  private exchange(station: number): boolean {
    const { table, turn } = this;
    const [skills, places] = [table.skillAt.row(turn), table.stationOf.row(turn)];
    let best = { skill: table.skillAt.at(turn, station), places, value: this.value };
    for (const { skill } of this.promises(station).slice(0, TRIED)) {
      if (skill === skills[station]) continue;
      table.skillAt.put(turn, station, skill);
      this.placeAll();
      const value = this.scored();
      if (value > best.value + HAIR) best = { skill, places: table.stationOf.row(turn), value };
    }
    table.skillAt.put(turn, station, best.skill);
    table.stationOf.putRow(turn, best.places);
    const isBetter = best.value > this.value + HAIR;
    this.value = best.value;
    return isBetter;
  }

  /** Moves students one by one while that is better for all together. */
  private polish(): void {
    const { table, turn } = this;
    const near = NEAR * cellOf(table.working, turn);
    let together = weighed(table.turnScore(turn));
    for (const student of this.present) {
      if (table.pinOfStudent(turn, student) !== null) continue;
      let [from, worth] = [table.stationOf.at(turn, student), this.worthNow(student)];
      for (let station = 0; station < table.stations; station += 1) {
        if (station === from || table.optionThere(student, turn, station) === null) continue;
        table.stationOf.put(turn, student, station);
        const there = this.worthNow(student);
        if (there + near < worth && together > -CLASS_WEIGHTS.forbidden / 2) {
          table.stationOf.put(turn, student, from);
          continue;
        }
        const group = weighed(table.turnScore(turn));
        const gain = there + group - worth - together;
        if (gain > HAIR) {
          this.value += gain;
          [from, worth, together] = [station, there, group];
        } else table.stationOf.put(turn, student, from);
      }
    }
  }
}

/** A plan in the making that is shaken and solved. */
class Search {
  private readonly ledger: Ledger;

  constructor(
    private readonly table: ClassTable,
    private readonly random: Random,
  ) {
    this.ledger = new Ledger(table);
  }

  total(): number {
    const { table } = this;
    let sum = 0;
    for (let student = 0; student < table.students.length; student += 1)
      sum += weighed(table.studentScore(student));
    for (let turn = table.firstOpen; turn < table.minutes.length; turn += 1)
      sum += weighed(table.turnScore(turn));
    return sum;
  }

  /** The first plan: what is pinned, then a station after another, each as its turn's best. */
  fill(turn: number): void {
    const { table } = this;
    for (let station = 0; station < table.stations; station += 1)
      table.skillAt.put(turn, station, table.pinOfStation(turn, station));
    new Turn(table, turn, this.ledger).placeAll();
    new Turn(table, turn, this.ledger).solve();
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
      const skill = table.skills.indexOf(cellOf(wishes, Math.floor(wishes.length * random() ** 2)).subject);
      if (table.pinOfStation(turn, station) !== null || !table.suitsPins(turn, station, skill)) continue;
      table.skillAt.put(turn, station, skill);
    }
    new Turn(table, turn, this.ledger).placeAll();
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
      const better = order.filter((turn) => new Turn(table, turn, this.ledger).solve());
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
  const { places, least, most } = SHAKES;
  const shakes = Math.round(Math.min(most, Math.max(least, places / (table.students.length * open))));
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
