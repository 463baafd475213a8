/** Where in a student's time a line stands. */
import { LOG_PAGE_SIZE, type LogLine } from "@mirrup/contract";

export interface Place {
  readonly at: Date;
  readonly id: string;
}

/** A line as one of the kinds has read it. */
export interface Placed extends Place {
  readonly line: LogLine;
}

/** What a page asks of each kind. */
export interface Asked {
  readonly studentId: string;
  readonly subject: string | undefined;
  readonly text: string | undefined;
  readonly before: Place | null;
}

/** One more than a page, so that each kind tells whether there are more. */
export const ENOUGH = LOG_PAGE_SIZE + 1;

/** `2026-06-01T12:00:00.000Z~…`: what stands before is in the next page. */
export function placeOf(text: string): Place {
  const [at = "", id = ""] = text.split("~");
  return { at: new Date(at), id };
}

export const placeText = ({ at, id }: Place): string => `${at.toISOString()}~${id}`;

/** The latest first. */
export const latestFirst = (one: Place, other: Place): number =>
  other.at.getTime() - one.at.getTime() || (one.id < other.id ? 1 : -1);

/** A pattern that finds the words as they are typed, whatever their case. */
export const likeOf = (text: string): string => `%${text.replaceAll(/[\\%_]/g, "\\$&")}%`;
