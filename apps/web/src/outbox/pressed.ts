import { isOf, type Sender } from "./sender.js";
import type { Waiting } from "./waiting-list.js";

/** Pressed, and not yet with the server: that jumping ended for somebody on a day, or that it was a mistake. */
export interface WaitingStop extends Waiting {
  readonly studentId: string;
  readonly stops: boolean;
  readonly day: string;
}

/** What was pressed last of a student today by who is here; undefined where nothing waits. */
export function pressedOf(
  waiting: readonly WaitingStop[],
  sender: Sender | null,
  day: string,
  studentId: string,
): boolean | undefined {
  return waiting
    .filter((one) => one.studentId === studentId && one.day === day && isOf(sender, one.sender))
    .at(-1)?.stops;
}
