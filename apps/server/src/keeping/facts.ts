import type { DataSource } from "typeorm";
import { StandingEntity } from "../standings/standing.entity.js";

/** What is kept of each student and side, as text that is equal where the facts are, sums to nine digits. */
export type Facts = ReadonlyMap<string, string>;

const DIGITS = 9;

/** Numbers that are no whole ones are sums of many, whose last digits depend on the order. */
const plain = (_key: string, value: unknown) =>
  typeof value === "number" && !Number.isInteger(value) ? value.toPrecision(DIGITS) : value;

const sorted = (value: object) =>
  Object.fromEntries(Object.entries(value).sort(([one], [other]) => (one < other ? -1 : 1)));

const isEmpty = ({ sets, clearedAt, reopenedAt, placed, presumedAt, rungs }: StandingEntity) =>
  sets === 0 &&
  [clearedAt, reopenedAt, placed, presumedAt].every((one) => one === null) &&
  Object.keys(rungs).length === 0;

/** Every standing of a database, of all studios. */
export async function factsOf(database: DataSource): Promise<Facts> {
  const rows = await database.manager.find(StandingEntity);
  return new Map(
    rows
      // A side of which everything was taken back has a row until it is made anew.
      .filter((row) => !isEmpty(row))
      .map(({ studioId, studentId, subject, side, foldedAt: _at, foldedId: _id, rungs, ...facts }) => [
        [studioId, studentId, subject, side].join(" "),
        JSON.stringify(sorted({ ...facts, rungs: sorted(rungs) }), plain),
      ]),
  );
}
