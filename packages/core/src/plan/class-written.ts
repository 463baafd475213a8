/** A class table as the plan that is read: whose eyes are where, where each stands, and what could not be kept. */
import { cellOf } from "../grid.js";
import type { ClassFault, ClassPlan, Place } from "./class.js";
import { helpersLeading, unled } from "./class-eyes.js";
import { usefulMinutes } from "./class-groups.js";
import type { ClassOption, Watch } from "./class-option.js";
import type { ClassTable } from "./class-table.js";

const stationsOf = (table: ClassTable) =>
  Array.from({ length: table.skillAt.width }, (_, station) => station);

/**
 * Who looks at each station of a turn. Where a coach is asked for: a coach, or where there are too few a helper who
 * may lead it; then the helpers who are left, first where the most are at something new. The coaches who are left go
 * round (`coach-way`).
 */
function watchesIn(table: ClassTable, turn: number): readonly Watch[] {
  const asked = stationsOf(table).flatMap((station) => {
    const here = table.students.flatMap((_, student) =>
      table.stationOf.at(turn, student) === station ? (table.optionAt(student, turn) ?? []) : [],
    );
    const watched = here.filter((option) => option.watch !== "nobody").length;
    const isLed = here.some((option) => option.watch === "coach");
    return here.length === 0 ? [] : [{ station, watched, many: here.length, isLed }];
  });
  const watches: Watch[] = stationsOf(table).map(() => "nobody");
  let { coaches } = table.asked;
  let helpers = table.asked.helpers.length;
  const led = asked.filter((one) => one.isLed);
  const families = led.map(({ station }) => table.familyAt(turn, station));
  const byHelper = led.length > coaches ? helpersLeading(families, table.asked.helpers) : [];
  // Coaches first where no helper may lead.
  const order = [...led.entries()].sort(
    ([one], [other]) =>
      Number(typeof byHelper[one] === "number") - Number(typeof byHelper[other] === "number"),
  );
  for (const [place, { station }] of order) {
    if (coaches > 0) {
      coaches -= 1;
      watches[station] = "coach";
    } else if (typeof byHelper[place] === "number") {
      helpers -= 1;
      watches[station] = "helper";
    }
  }
  const others = asked.filter((one) => !one.isLed);
  others.sort((one, other) => other.watched - one.watched || other.many - one.many);
  for (const { station } of others.slice(0, helpers)) watches[station] = "helper";
  return watches;
}

/** Where a turn may have its stations in another order: nobody is pinned to them, and nothing is. */
function isLoose(table: ClassTable, turn: number, station: number): boolean {
  return (
    table.pinOfStation(turn, station) === null &&
    !table.students.some((_, student) => table.pinOfStudent(turn, student) === station)
  );
}

/** Puts the stations of each turn where most of their students stand already: nobody walks who need not. */
export function settle(table: ClassTable): void {
  for (let turn = Math.max(1, table.firstOpen); turn < table.minutes.length; turn += 1) {
    const [before, now] = [table.stationOf.row(turn - 1), table.stationOf.row(turn)];
    const loose = stationsOf(table).filter(
      (station) => station < table.stations && isLoose(table, turn, station),
    );
    const stays = (from: number, to: number) =>
      now.filter((station, student) => station === from && before[student] === to).length;
    const pairs = assigned(loose, stays);
    const skills = table.skillAt.row(turn);
    for (const [from, to] of pairs) table.skillAt.put(turn, to, skills[from] ?? null);
    const placeOf = new Map(pairs);
    const moved = now.map((station) => (station === null ? null : (placeOf.get(station) ?? station)));
    table.stationOf.putRow(turn, moved);
  }
}

/** The plan as it stands. */
export function writtenPlan(
  table: ClassTable,
): Pick<ClassPlan, "rotations" | "students" | "minutes" | "useful"> {
  const { before, firstOpen } = table;
  const rotations = table.minutes.map((minutes, turn) => {
    const done = before.rotations[turn];
    if (done !== undefined) return done;
    const watches = watchesIn(table, turn);
    const used = new Set(table.stationOf.row(turn));
    return {
      minutes,
      stations: table.skillAt.row(turn).map((skill, station) => ({
        subject: skill !== null && used.has(station) ? (table.skills[skill] ?? null) : null,
        watchedBy: watches[station] ?? "nobody",
      })),
    };
  });
  const kept = new Map(before.students.map((one) => [one.id, one.places]));
  const students = table.students.map(({ id }, student) => ({
    id,
    places: table.minutes.map((_, turn): Place | null => {
      if (turn < firstOpen) return kept.get(id)?.[turn] ?? null;
      const option = table.optionAt(student, turn);
      const station = table.stationOf.at(turn, student);
      if (option === null || station === null) return null;
      const { side, use, drill, chance, cautions, reason } = option;
      return { station, side, use, drill, chance, cautions, reason };
    }),
  }));
  const here = (turn: number) => table.students.filter((_, student) => table.isHere(student, turn)).length;
  const minutes = table.working.reduce((sum, working, turn) => sum + working * here(turn), 0);
  return { rotations, students, minutes, useful: Math.max(0, usefulMinutes(table)) };
}

/** Pairs that are not as they are to be in a turn. */
function unkeptPairs(table: ClassTable, turn: number): readonly ClassFault[] {
  const stationOf = (student: number) =>
    table.isHere(student, turn) ? table.stationOf.at(turn, student) : null;
  return table.pairs.flatMap(({ apart, together }, student) => {
    const own = stationOf(student);
    if (own === null) return [];
    const faults = (
      code: "not-apart" | "not-together",
      others: readonly number[],
      isFault: (at: number) => boolean,
    ) =>
      others.flatMap((other): ClassFault[] => {
        const at = stationOf(other);
        if (other < student || at === null || !isFault(at)) return [];
        const pair = [cellOf(table.students, student).id, cellOf(table.students, other).id] as const;
        return [{ code, rotation: turn, students: pair }];
      });
    return [
      ...faults("not-apart", apart, (at) => at === own),
      ...faults("not-together", together, (at) => at !== own),
    ];
  });
}

/** What the plan could not keep to. */
export function faultsOf(table: ClassTable): readonly ClassFault[] {
  const { students, firstOpen, working } = table;
  const { coaches, helpers, placePins } = table.asked;
  const open = [...table.minutes.keys()].filter((turn) => turn >= firstOpen);
  const missing = open.flatMap((turn): ClassFault[] => {
    const led = stationsOf(table).filter((station) =>
      students.some(
        (_, student) =>
          table.stationOf.at(turn, student) === station && table.optionAt(student, turn)?.watch === "coach",
      ),
    );
    const families = led.map((station) => table.familyAt(turn, station));
    return unled(families, coaches, helpers) > 0 ? [{ code: "coach-missing", rotation: turn }] : [];
  });
  const placeOf = new Map(students.map(({ id }, place) => [id, place]));
  const refused = placePins.flatMap((pin): ClassFault[] => {
    const student = placeOf.get(pin.student);
    if (student === undefined || pin.rotation < firstOpen) return [];
    const isTaken =
      pin.rotation < table.minutes.length && table.stationOf.at(pin.rotation, student) === pin.station;
    return isTaken ? [] : [{ code: "pin-refused", pin }];
  });
  const over = students.filter(({ multiplesLeft, landingsLeft }, student) => {
    const sum = (of: (option: ClassOption) => number) =>
      working.reduce((total, minutes, turn) => {
        const option = table.optionAt(student, turn);
        return option === null ? total : total + of(option) * minutes;
      }, 0);
    return (
      sum((one) => one.multiplesAMinute) > (multiplesLeft ?? Infinity) ||
      sum((one) => one.landingsAMinute) > (landingsLeft ?? Infinity)
    );
  });
  const load: readonly ClassFault[] =
    over.length === 0 ? [] : [{ code: "over-load", students: over.map((one) => one.id) }];
  return [...refused, ...missing, ...open.flatMap((turn) => unkeptPairs(table, turn)), ...load];
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
        const known = next.get(wider);
        if (known === undefined || total > known.sum)
          next.set(wider, { sum: total, pairs: [...pairs, [from, to]] });
      });
    }
    bySet = next;
  }
  return [...bySet.values()][0]?.pairs ?? [];
}
