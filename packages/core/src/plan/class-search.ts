/**
 * The search for a class plan: turns are filled one after another, then the whole is annealed by moves
 * of one student, swaps of two, and another skill for a station. Its length is fixed by the size of the
 * class and not by a clock, so that the same question has the same answer.
 */
import { between, randomFrom, type Random } from "../random.js";
import { NONE, weighed, type ClassTable } from "./class-table.js";
import { CLASS_LIMITS, CLASS_WEIGHTS } from "./weights.js";

/** Moves tried for each student and turn, and the least for a small class. */
const MOVES_A_PLACE = 150;
const LEAST_MOVES = 8000;
/** Minutes that a worse plan may lose and still be taken one time in e, at first and at last. */
const WARM = 3;
const COLD = 0.05;
const REPORTS = 20;
/** Shares of the moves: one student, two that swap; the rest give a station another skill. */
const MOVE_SHARE = 0.45;
const SWAP_SHARE = 0.8;

/** What a turn at a skill counts for a student by the minute, after the turns before it. */
function worthAt(table: ClassTable, student: number, turn: number, skill: number): number {
  const option = table.options[student]?.[skill];
  if (option === undefined) return -1;
  let worth = option.worth;
  for (let before = 0; before < turn; before += 1) {
    const was = table.optionAt(student, before);
    if (was?.subject === option.subject) worth *= CLASS_WEIGHTS.again;
    if (before === turn - 1 && was?.effort === option.effort) worth *= CLASS_WEIGHTS.sameEffort;
  }
  return worth;
}

/** Puts everybody who is here where a turn counts most for them, those first who lose most elsewhere. */
function placeAll(table: ClassTable, turn: number): void {
  const skills = table.skillAt[turn] ?? [];
  const places = table.stationOf[turn];
  if (places === undefined) return;
  const wishes = table.students.flatMap((_, student) => {
    places[student] = NONE;
    if (!table.isHere(student, turn)) return [];
    const worths = skills.map((skill) => (skill === NONE ? -2 : worthAt(table, student, turn, skill)));
    const [first = 0, second = -1] = [...worths].sort((one, other) => other - one);
    return [{ student, worths, regret: first - second }];
  });
  wishes.sort((one, other) => other.regret - one.regret || one.student - other.student);
  const taken = skills.map(() => 0);
  for (const { student, worths } of wishes) {
    const pin = table.pinOfStudent(turn, student);
    const isAllowed = pin !== NONE && (worths[pin] ?? -1) >= 0;
    // In a large group each has less of the eyes that are there.
    const seen = (station: number) => Math.min(1, CLASS_LIMITS.group / ((taken[station] ?? 0) + 1));
    const order = worths.map((worth, station) => ({
      worth: worth > 0 ? worth * seen(station) : worth,
      station,
    }));
    order.sort((one, other) => other.worth - one.worth);
    const station = isAllowed ? pin : (order[0]?.station ?? NONE);
    places[student] = station;
    if (station !== NONE) taken[station] = (taken[station] ?? 0) + 1;
  }
}

/** Chooses the skills of a turn by what each adds to what the ones before it give. */
function fillTurn(table: ClassTable, turn: number): void {
  const row = table.skillAt[turn];
  if (row === undefined) return;
  const present = table.students.flatMap((_, student) => (table.isHere(student, turn) ? [student] : []));
  const best = table.students.map(() => -1);
  const takeIn = (station: number, skill: number) => {
    row[station] = skill;
    for (const student of present)
      best[student] = Math.max(best[student] ?? -1, worthAt(table, student, turn, skill));
  };
  const open: number[] = [];
  for (let station = 0; station < table.stations; station += 1) {
    const pin = table.pinOfStation(turn, station);
    if (pin === NONE) open.push(station);
    else takeIn(station, pin);
  }
  // What somebody is pinned to has the narrowest choice, and goes first.
  const isPinnedTo = (station: number) =>
    present.some((student) => table.pinOfStudent(turn, student) === station);
  open.sort((one, other) => Number(isPinnedTo(other)) - Number(isPinnedTo(one)) || one - other);
  for (const station of open) {
    const suits = table.skills.map((_, skill) => table.suitsPins(turn, station, skill));
    const isPossible = suits.includes(true);
    const gains = table.skills.map((_, skill) =>
      isPossible && suits[skill] === false
        ? -1
        : present.reduce(
            (sum, student) => sum + Math.max(0, worthAt(table, student, turn, skill) - (best[student] ?? -1)),
            0,
          ),
    );
    takeIn(station, gains.indexOf(Math.max(...gains)));
  }
  placeAll(table, turn);
}

interface Snapshot {
  readonly skills: readonly (readonly number[])[];
  readonly places: readonly (readonly number[])[];
}

export function snapshotOf(table: ClassTable): Snapshot {
  return { skills: table.skillAt.map((row) => [...row]), places: table.stationOf.map((row) => [...row]) };
}

export function restore(table: ClassTable, { skills, places }: Snapshot): void {
  skills.forEach((row, turn) => table.skillAt.splice(turn, 1, [...row]));
  places.forEach((row, turn) => table.stationOf.splice(turn, 1, [...row]));
}

class Annealing {
  private readonly students: number[];
  private readonly turns: number[];

  constructor(
    private readonly table: ClassTable,
    private readonly random: Random,
  ) {
    this.students = table.students.map((_, student) => weighed(table.studentScore(student)));
    this.turns = table.minutes.map((_, turn) => weighed(table.turnScore(turn)));
  }

  total(): number {
    return [...this.students, ...this.turns.slice(this.table.firstOpen)].reduce((sum, one) => sum + one, 0);
  }

  /** Tries one change of a turn; keeps it where it is better, or not much worse for the temperature. Returns what it gained. */
  step(temperature: number): number {
    const { table, random } = this;
    const turn = between(random, table.firstOpen, table.minutes.length - 1);
    const draw = random();
    if (draw < MOVE_SHARE) return this.move(turn, temperature);
    return draw < SWAP_SHARE ? this.swap(turn, temperature) : this.reskill(turn, temperature);
  }

  private anyone(): number {
    return between(this.random, 0, this.table.students.length - 1);
  }

  private canMove(turn: number, student: number): boolean {
    return this.table.isHere(student, turn) && this.table.pinOfStudent(turn, student) === NONE;
  }

  private move(turn: number, temperature: number): number {
    const { table } = this;
    const student = this.anyone();
    const station = between(this.random, 0, table.stations - 1);
    const places = table.stationOf[turn];
    const from = places?.[student] ?? NONE;
    const skill = table.skillAt[turn]?.[station] ?? NONE;
    if (places === undefined || from === station || !this.canMove(turn, student)) return 0;
    if (table.options[student]?.[skill] === undefined) return 0;
    places[student] = station;
    return this.settle(turn, [student], temperature, () => {
      places[student] = from;
    });
  }

  private swap(turn: number, temperature: number): number {
    const { table } = this;
    const one = this.anyone();
    const other = this.anyone();
    const places = table.stationOf[turn];
    const oneAt = places?.[one] ?? NONE;
    const otherAt = places?.[other] ?? NONE;
    if (places === undefined || oneAt === otherAt) return 0;
    if (!this.canMove(turn, one) || !this.canMove(turn, other)) return 0;
    const set = (first: number, second: number) => {
      places[one] = first;
      places[other] = second;
    };
    set(otherAt, oneAt);
    return this.settle(turn, [one, other], temperature, () => set(oneAt, otherAt));
  }

  private reskill(turn: number, temperature: number): number {
    const { table, random } = this;
    const station = between(random, 0, table.stations - 1);
    const wishes = table.students[this.anyone()]?.options ?? [];
    const wish = wishes[Math.floor(wishes.length * random() ** 2)];
    const row = table.skillAt[turn];
    if (row === undefined || wish === undefined || table.pinOfStation(turn, station) !== NONE) return 0;
    const skill = table.skills.indexOf(wish.subject);
    if (skill === row[station] || !table.suitsPins(turn, station, skill)) return 0;
    const before = { skill: row[station] ?? NONE, places: [...(table.stationOf[turn] ?? [])] };
    row[station] = skill;
    const touched = this.gather(turn, station);
    return this.settle(turn, touched, temperature, () => {
      row[station] = before.skill;
      table.stationOf[turn]?.splice(0, before.places.length, ...before.places);
    });
  }

  /**
   * Puts who gains by a station's new skill there, as many as can be seen, and who may not do it elsewhere;
   * answers whom that touches, those who stay there among them.
   */
  private gather(turn: number, station: number): readonly number[] {
    const { table } = this;
    const skills = table.skillAt[turn] ?? [];
    const places = table.stationOf[turn] ?? [];
    const worth = (student: number, at: number) => worthAt(table, student, turn, skills[at] ?? NONE);
    const touched: number[] = [];
    const wishes: { readonly student: number; readonly gain: number }[] = [];
    places.forEach((at, student) => {
      if (at === station) touched.push(student);
      if (at === NONE || !this.canMove(turn, student)) return;
      const there = worth(student, station);
      if (at === station) {
        if (there >= 0) return;
        const order = skills
          .map((_, to) => to)
          .sort((one, other) => worth(student, other) - worth(student, one));
        places[student] = order[0] ?? at;
      } else if (there > worth(student, at)) {
        wishes.push({ student, gain: there - worth(student, at) });
      }
    });
    wishes.sort((one, other) => other.gain - one.gain || one.student - other.student);
    const free = Math.max(0, CLASS_LIMITS.group - places.filter((at) => at === station).length);
    for (const { student } of wishes.slice(0, free)) {
      places[student] = station;
      touched.push(student);
    }
    return touched;
  }

  private settle(turn: number, students: readonly number[], temperature: number, undo: () => void): number {
    const { table } = this;
    const turnScore = weighed(table.turnScore(turn));
    const scores = students.map((student) => weighed(table.studentScore(student)));
    let gain = turnScore - (this.turns[turn] ?? 0);
    students.forEach((student, place) => (gain += (scores[place] ?? 0) - (this.students[student] ?? 0)));
    if (gain < 0 && this.random() >= Math.exp(gain / temperature)) {
      undo();
      return 0;
    }
    this.turns[turn] = turnScore;
    students.forEach((student, place) => (this.students[student] = scores[place] ?? 0));
    return gain;
  }
}

/** Fills the open turns of the table with the best plan found. `onReport` is called twenty times with the table at the best so far. */
export function searchClass(table: ClassTable, seed: number, onReport: (share: number) => void): void {
  for (let turn = table.firstOpen; turn < table.minutes.length; turn += 1) fillTurn(table, turn);
  const open = table.minutes.length - table.firstOpen;
  if (open === 0) return;
  const annealing = new Annealing(table, randomFrom(seed));
  const moves = Math.max(LEAST_MOVES, MOVES_A_PLACE * table.students.length * open);
  const cooling = (COLD / WARM) ** (1 / moves);
  let value = annealing.total();
  let best = { value, snapshot: snapshotOf(table) };
  let temperature = WARM;
  const every = Math.ceil(moves / REPORTS);
  for (let move = 1; move <= moves; move += 1) {
    value += annealing.step(temperature);
    temperature *= cooling;
    if (value > best.value + 1e-9) best = { value, snapshot: snapshotOf(table) };
    if (move % every === 0 && move < moves) {
      const here = snapshotOf(table);
      restore(table, best.snapshot);
      onReport(move / moves);
      restore(table, here);
    }
  }
  restore(table, best.snapshot);
  table.settle();
}
