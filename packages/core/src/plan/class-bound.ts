/** What a class plan is held against: one drill for everybody at a time, and the most that any plan could have. */
import { restore, snapshotOf } from "./class-search.js";
import { ClassGroups, usefulMinutes } from "./class-groups.js";
import type { ClassTable } from "./class-table.js";
import { CLASS_LIMITS, CLASS_WEIGHTS } from "./weights.js";

/** What the `times`-th turn at a skill counts, by the minute. */
function worthOf(table: ClassTable, student: number, skill: number, times: number): number {
  return (table.options.at(student, skill)?.worth ?? 0) * CLASS_WEIGHTS.again ** times;
}

const total = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0);
const descending = (one: number, other: number) => other - one;

/** The longest turns first, so that what counts most is multiplied by most. */
function turnsOf(table: ClassTable): readonly number[] {
  return [...table.working].sort(descending);
}

/** By station: how many of so many stand there, as many as can be seen and nobody alone; evenly where that is too few. */
function sizes(many: number, stations: number): readonly number[] {
  const { group } = CLASS_LIMITS;
  if (many === 0) return [];
  const groups = Math.min(stations, Math.ceil(many / group));
  const rest = many - group * (groups - 1);
  if (rest > group) {
    return Array.from({ length: groups }, (_, place) => Math.floor((many + place) / groups));
  }
  const full = Array.from({ length: groups - 1 }, () => group);
  return rest === 1 && groups > 1 ? [...full.slice(1), group - 1, 2] : [...full, rest];
}

/** Puts all who may do a skill at stations of it; the others stand by. */
function spread(table: ClassTable, turn: number, skill: number): void {
  const able = table.students.flatMap((_, student) =>
    table.isHere(student, turn) && table.options.at(student, skill) !== null ? [student] : [],
  );
  for (let station = 0; station < table.skillAt.width; station += 1) table.skillAt.put(turn, station, skill);
  for (const student of table.students.keys()) table.stationOf.put(turn, student, null);
  let placed = 0;
  sizes(able.length, table.stations).forEach((many, station) => {
    for (const student of able.slice(placed, placed + many)) table.stationOf.put(turn, student, station);
    placed += many;
  });
}

/**
 * Useful minutes of a plan in which everybody does the same at a time, by the same rules and with the same
 * losses: in each turn the skill that counts most after the turns before it. Whoever may not do it stands by.
 * O(turns² · skills · students).
 */
export function sameForAll(table: ClassTable): number {
  const kept = snapshotOf(table);
  const groups = new ClassGroups(table);
  for (let turn = table.firstOpen; turn < table.minutes.length; turn += 1) {
    let best = { skill: 0, value: -Infinity };
    for (const skill of table.skills.keys()) {
      spread(table, turn, skill);
      const students = total(table.students.map((_, student) => table.studentScore(student).worth));
      const value = students + groups.gather(turn).value();
      if (value > best.value) best = { skill, value };
    }
    spread(table, turn, best.skill);
  }
  const useful = usefulMinutes(table);
  restore(table, kept);
  return Math.max(0, useful);
}

/** What a student's best turns come to, the largest worth in the longest turn. */
function valueOf(worths: readonly number[], turns: readonly number[]): number {
  return total(turns.map((minutes, place) => minutes * (worths[place] ?? 0)));
}

/** A student's best worths with one more on offer. */
function withWorth(worths: readonly number[], worth: number, turns: readonly number[]): readonly number[] {
  if (worths.length >= turns.length && worth <= (worths.at(-1) ?? 0)) return worths;
  return [...worths, worth].sort(descending).slice(0, turns.length);
}

/** The first, second … turn at a skill, on offer to all; `gain` is what it brought when it was last asked. */
interface Offer {
  readonly skill: number;
  readonly times: number;
  gain: number;
}

/** What is taken of the offers so far: each student's best worths. */
class Held {
  value = 0;
  private worths: (readonly number[])[];

  constructor(
    private readonly table: ClassTable,
    private readonly turns: readonly number[],
  ) {
    this.worths = table.students.map(() => []);
  }

  /** What an offer adds to what is held. O(students · turns). */
  gainOf({ skill, times }: Offer): number {
    const { table, turns } = this;
    return this.worths.reduce((sum, worths, student) => {
      const worth = worthOf(table, student, skill, times);
      if (worth <= 0 || (worths.length >= turns.length && worth <= (worths.at(-1) ?? 0))) return sum;
      return sum + valueOf(withWorth(worths, worth, turns), turns) - valueOf(worths, turns);
    }, 0);
  }

  take(offer: Offer): void {
    this.value += offer.gain;
    this.worths = this.worths.map((worths, student) =>
      withWorth(worths, worthOf(this.table, student, offer.skill, offer.times), this.turns),
    );
  }
}

const byGain = (one: Offer, other: Offer) => other.gain - one.gain;

/**
 * No plan has more useful minutes than this. Every student takes their best turns out of all that is on
 * offer, wherever it stands in the lesson, without regard for room, coaches, ropes, kinds of effort or company.
 * An offer is at most stations × turns of the first, second … turns at the skills. What an offer is worth
 * is submodular (each student takes the best so many of it): a gain never grows, so that one asked for earlier
 * is a bound of what it is now, and the best offer is worth at most what any offer is worth and the largest
 * gains that so many more could bring to it. The least such bound is taken, along a greedy offer that asks
 * anew only where the largest gain is an old one.
 */
export function classBound(table: ClassTable): number {
  const turns = turnsOf(table);
  const slots = table.stations * turns.length;
  const held = new Held(table, turns);
  const open: Offer[] = table.skills.flatMap((_, skill) =>
    turns.map((_turn, times) => ({ skill, times, gain: Infinity })),
  );
  const askAll = () => {
    for (const offer of open) offer.gain = held.gainOf(offer);
    open.sort(byGain);
  };
  const bound = () => held.value + total(open.slice(0, slots).map((one) => one.gain));
  askAll();
  let least = bound();
  for (let slot = 1; slot <= slots; slot += 1) {
    for (let [first] = open; first !== undefined; [first] = open) {
      const gain = held.gainOf(first);
      const isFresh = gain >= first.gain - 1e-12;
      first.gain = gain;
      if (isFresh) break;
      open.sort(byGain);
    }
    const best = open.shift();
    if (best === undefined || best.gain <= 1e-9) break;
    held.take(best);
    if (slot % turns.length !== 0 && slot < slots) continue;
    askAll();
    least = Math.min(least, bound());
  }
  return least;
}
