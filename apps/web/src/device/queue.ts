/** What waits on this device, in the order in which it was said, and what of it is told next. Pure. */
import type { Problem, ProblemError } from "@mirrup/contract";
import { aboutOf, isReplacedBy, waitsFor, type Command } from "./command.js";

export interface Waiting<C extends Command = Command> {
  readonly command: C;
  /** Why the server refused it; null while it only waits. */
  readonly refusal: ProblemError | null;
}

/** What of the queue is said again by newer commands, better. */
export function replacedBy(queue: readonly Waiting[], newer: readonly Command[]): readonly Waiting[] {
  return queue.filter(({ command, refusal }) => {
    const isSaidAgain = newer.some((later) => isReplacedBy(command, later));
    return refusal === null && isSaidAgain;
  });
}

/**
 * What is told next, at most so many: sets go together, the rest one by one. What is about something in `held` waits,
 * and so does what was said of the same thing after it.
 */
export function nextOf(
  queue: readonly Waiting[],
  held: ReadonlySet<string>,
  most: number,
): readonly Command[] {
  const due = queue
    .filter((one) => one.refusal === null && !waitsFor(one.command, held))
    .map((one) => one.command);
  const [first] = due;
  if (first?.kind !== "set") return due.slice(0, 1);
  const passed = new Set<string>();
  const together = due.filter((command) => {
    if (command.kind === "set" && !waitsFor(command, passed)) return true;
    passed.add(aboutOf(command));
    return false;
  });
  return together.slice(0, most);
}

/** What of a batch a refusal is about, each with why: the items that it names, or the first. */
export function refusedOf(
  batch: readonly Command[],
  { errors = [], type, detail }: Problem,
): readonly Waiting[] {
  const first: ProblemError = { item: 0, field: "", code: type, message: detail };
  const named = errors.filter((error) => error.item !== undefined);
  const byItem = new Map((named.length === 0 ? [first] : named).map((error) => [error.item ?? 0, error]));
  const refused = [...byItem].flatMap(([item, refusal]) => {
    const command = batch[item];
    return command === undefined ? [] : [{ command, refusal }];
  });
  // A refusal that names nothing of the batch would be sent again for ever.
  const [command] = batch;
  return refused.length > 0 || command === undefined ? refused : [{ command, refusal: first }];
}
