/** Who looks at what: coaches at anything, each helper at what is new and at the families they may lead. */
import type { Family } from "../syllabus/skill.js";

export interface Helper {
  /** Families of which they may look at what otherwise asks for a coach. */
  readonly mayLead: readonly Family[];
}

/** Whether a helper may lead a station; by the station's family. */
const mayLead = ({ mayLead: families }: Helper, family: Family | null) =>
  family !== null && families.includes(family);

/**
 * By station that asks for a coach: the number of the helper who leads it, or null. As many as can be have one, each
 * helper at most one station (augmenting paths). O(stations² · helpers).
 */
export function helpersLeading(
  families: readonly (Family | null)[],
  helpers: readonly Helper[],
): readonly (number | null)[] {
  const stationOf: (number | null)[] = helpers.map(() => null);
  const seat = (station: number, asked: Set<number>): boolean => {
    for (const [number, helper] of helpers.entries()) {
      if (asked.has(number) || !mayLead(helper, families[station] ?? null)) continue;
      asked.add(number);
      const other = stationOf[number] ?? null;
      if (other !== null && !seat(other, asked)) continue;
      stationOf[number] = station;
      return true;
    }
    return false;
  };
  families.forEach((_, station) => seat(station, new Set()));
  return families.map((_, station) => {
    const number = stationOf.indexOf(station);
    return number < 0 ? null : number;
  });
}

/** Of stations that ask for a coach, those that have neither a coach nor a helper who may lead them. */
export function unled(
  families: readonly (Family | null)[],
  coaches: number,
  helpers: readonly Helper[],
): number {
  const short = families.length - coaches;
  if (short <= 0 || helpers.length === 0) return Math.max(0, short);
  const led = helpersLeading(families, helpers).filter((number) => number !== null).length;
  return Math.max(0, short - led);
}
