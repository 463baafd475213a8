/** When the demo's children were on the floor. */
import { DAY_MS, localDate, type Instant } from "@mirrup/core";

const BEGINS = "16:30";
const HOUR_MS = 3_600_000;

/** The instant at which the clocks of a time zone show a time of a day. */
function instantIn(timeZone: string, day: string, time: string): Instant {
  const asUtc = Date.parse(`${day}T${time}:00Z`);
  const format = new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short", timeStyle: "medium" });
  const shown = Date.parse(`${format.format(asUtc).replace(" ", "T")}Z`);
  return asUtc - (shown - asUtc);
}

/** The beginning of a practice so many days ago, at the hall's hour; an hour ago where that is still to come. */
export function practiceAt(now: Date, daysAgo: number, timeZone: string): Instant {
  const day = localDate(now.getTime() - daysAgo * DAY_MS, timeZone);
  return Math.min(instantIn(timeZone, day, BEGINS), now.getTime() - HOUR_MS);
}
