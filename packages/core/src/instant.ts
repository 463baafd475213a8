/** An instant as milliseconds since 1970 in UTC. The core never asks for the present one. */
export type Instant = number;

/** A calendar day in a studio's time zone, `YYYY-MM-DD`. */
export type LocalDate = string;

export const DAY_MS = 86_400_000;

/** The day so many days after another, or before it. */
export function dayAfter(day: LocalDate, days: number): LocalDate {
  return new Date(Date.parse(`${day}T12:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
}

const formatters = new Map<string, Intl.DateTimeFormat>();

/**
 * The studio's calendar day that an instant falls on: the key of a lesson (teaching.md, What
 * counts). `timeZone` is an IANA name; an unknown one throws a `RangeError`.
 */
export function localDate(instant: Instant, timeZone: string): LocalDate {
  let formatter = formatters.get(timeZone);
  if (formatter === undefined) {
    // Swedish writes dates as YYYY-MM-DD.
    formatter = new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short" });
    formatters.set(timeZone, formatter);
  }
  return formatter.format(instant);
}
