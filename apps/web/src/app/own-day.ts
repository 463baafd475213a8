import { localDate, type Instant, type LocalDate } from "@mirrup/core";

/**
 * The day of this device that an instant falls on. An instant as text begins with its day in UTC, which in the evening
 * or the morning is another one.
 */
export function ownDay(instant: Instant | string = Date.now()): LocalDate {
  const at = typeof instant === "string" ? Date.parse(instant) : instant;
  return localDate(at, new Intl.DateTimeFormat().resolvedOptions().timeZone);
}
