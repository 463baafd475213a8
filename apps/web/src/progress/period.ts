/** The time that a record is looked at: so many weeks up to a day. */
import { USUAL_PERIOD_WEEKS } from "@mirrup/contract";
import { dayAfter, type LocalDate } from "@mirrup/core";

export interface Period {
  readonly from: LocalDate;
  readonly to: LocalDate;
}

/** How long a period can be, weeks, by what it is called. */
export const PERIODS = { 4: "4 weeks", 12: "12 weeks", 26: "Half a year", 52: "A year" } as const;
export const PERIOD_WEEKS = Object.keys(PERIODS).map(Number) as readonly (keyof typeof PERIODS)[];

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const isDay = (text: string) => DAY.test(text) && !Number.isNaN(Date.parse(`${text}T00:00:00Z`));

/** The period that an address asks for; the last twelve weeks where it does not say, or says what there is not. */
export function periodAsked(params: URLSearchParams, today: LocalDate) {
  const weeks = PERIOD_WEEKS.find((one) => String(one) === params.get("weeks")) ?? USUAL_PERIOD_WEEKS;
  const until = params.get("until") ?? today;
  const to = isDay(until) && until < today ? until : today;
  return { weeks, to, from: dayAfter(to, 1 - 7 * weeks) };
}

/** The period before or after one, as far as today. */
export function nextTo(
  { from, to }: Period,
  weeks: number,
  way: "earlier" | "later",
  today: LocalDate,
): LocalDate {
  const until = way === "earlier" ? dayAfter(from, -1) : dayAfter(to, 7 * weeks);
  return until < today ? until : today;
}
