/** What is asked of the weeks, as the page's address says it. */
import { dayAfter } from "@mirrup/core";
import { ownDay } from "./own-day.js";

export interface WeeksAsked {
  readonly until: string;
  /** Null for the days of the student's groups, and for the tries of the last lessons. */
  readonly perWeek: number | null;
  readonly tries: number | null;
}

const USUAL_DAYS = 56;

function countOf(text: string | null, most: number): number | null {
  const value = Number(text);
  return text !== null && Number.isInteger(value) && value >= 1 && value <= most ? value : null;
}

export function weeksAskedFrom(params: URLSearchParams, now: number): WeeksAsked {
  const usual = dayAfter(ownDay(now), USUAL_DAYS);
  const until = params.get("until") ?? "";
  return {
    until: /^\d{4}-\d{2}-\d{2}$/.test(until) ? until : usual,
    perWeek: countOf(params.get("perWeek"), 7),
    tries: countOf(params.get("tries"), 1000),
  };
}

export function addressOfWeeks({ until, perWeek, tries }: WeeksAsked): URLSearchParams {
  const params = new URLSearchParams({ until });
  if (perWeek !== null) params.set("perWeek", String(perWeek));
  if (tries !== null) params.set("tries", String(tries));
  return params;
}
