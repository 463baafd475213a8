/** What a class plan is held against: one drill for everybody at a time, and the most that any plan could have. */
import { cellOf } from "../grid.js";
import { restore, snapshotOf } from "./class-search.js";
import { ClassGroups, usefulMinutes } from "./class-groups.js";
import type { ClassTable } from "./class-table.js";
import { CLASS_LIMITS, CLASS_WEIGHTS } from "./weights.js";

const total = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0);

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

/** A skill at a station, for the first, second … time: by student, what a minute of it counts. */
type Offer = readonly { readonly student: number; readonly worth: number }[];

function offersOf(table: ClassTable): readonly Offer[] {
  return table.skills.flatMap((_, skill) => {
    const able = table.students.flatMap((_one, student) => {
      const option = table.options.at(student, skill);
      return option !== null && option.worth > 0 ? [{ student, worth: option.worth }] : [];
    });
    return table.minutes.map((_turn, times) =>
      able.map(({ student, worth }) => ({ student, worth: worth * CLASS_WEIGHTS.again ** times })),
    );
  });
}

/** How often prices are mended, and by how much of a minute's worth at first and at last. */
const MENDINGS = 300;
const COARSE = 0.1;
const FINE = 0.001;

/** What there is to share out: minutes at stations, of each student, and the most that one turn has. */
interface Shared {
  readonly stations: number;
  readonly students: readonly number[];
  readonly turn: number;
}

function sharedOf(table: ClassTable): Shared {
  const { working, before } = table;
  const stationsIn = (turn: number) =>
    Math.max(table.stations, ...before.rotations.slice(turn, turn + 1).map((one) => one.stations.length));
  return {
    stations: total(working.map((minutes, turn) => minutes * stationsIn(turn))),
    students: table.students.map((_, student) =>
      total(working.filter((_minutes, turn) => table.isHere(student, turn) || turn < table.firstOpen)),
    ),
    turn: Math.max(0, ...working),
  };
}

/**
 * What everything counts at most with a price on each student's minute: the price of all their minutes, and of the
 * offers that are worth most beyond it so many as there are minutes at stations. Mends each price by `step` where
 * it is too low or too high.
 */
function atPrices(offers: readonly Offer[], shared: Shared, prices: number[], step: number): number {
  const beyond = offers.map((offer) => {
    let sum = 0;
    for (const { student, worth } of offer) sum += Math.max(0, worth - cellOf(prices, student));
    return sum;
  });
  const order = [...beyond.keys()].sort((one, other) => cellOf(beyond, other) - cellOf(beyond, one));
  const wanted = prices.map(() => 0);
  let [left, value] = [shared.stations, 0];
  for (const place of order) {
    const minutes = Math.min(left, shared.turn);
    const most = cellOf(beyond, place);
    if (minutes <= 0 || most <= 0) break;
    left -= minutes;
    value += most * minutes;
    for (const { student, worth } of cellOf(offers, place)) {
      if (worth > cellOf(prices, student)) wanted[student] = cellOf(wanted, student) + minutes;
    }
  }
  prices.forEach((price, student) => {
    const minutes = cellOf(shared.students, student);
    value += price * minutes;
    const change = Math.sign(cellOf(wanted, student) - minutes) * step;
    prices[student] = Math.max(0, price + change);
  });
  return value;
}

/**
 * No plan has more useful minutes than this: the best that fractions of students at fractions of stations could have,
 * wherever in the lesson, without regard for room, coaches, ropes, kinds of effort or company. It is the dual of
 * that linear programme, whose every price of a student's minute gives a bound: with p the prices, w the worths,
 * M the minutes,
 *
 *     Σ p·M(student) + the largest Σ max(0, w − p) of the offers, as many as M(stations) holds.
 *
 * The least is looked for by steps that become smaller. O(mendings · turns · students · skills).
 */
export function classBound(table: ClassTable): number {
  const offers = offersOf(table);
  const shared = sharedOf(table);
  const prices = table.students.map(({ options }) => {
    const worths = options.map((one) => one.worth).sort((one, other) => other - one);
    return worths.length === 0 ? 0 : cellOf(worths, Math.min(worths.length, table.minutes.length) - 1);
  });
  const finer = (FINE / COARSE) ** (1 / MENDINGS);
  let least = Infinity;
  for (let mending = 0; mending <= MENDINGS; mending += 1)
    least = Math.min(least, atPrices(offers, shared, prices, COARSE * finer ** mending));
  return least;
}
