import { isProblem, type ProblemError } from "./api.js";

/** Asked again it will be the same: there is no such thing, any more, or not for whoever asks. */
const FOR_GOOD: ReadonlySet<number> = new Set([403, 404, 410]);
/** What was asked does not fit: nothing can be of that name. */
const MISFITS: ReadonlySet<number> = new Set([400, 422]);

/** Whether an address asks for what is not there, or for nothing at all; a server's fault, or a session's end, is neither. */
export function isRefused(error: unknown): error is ProblemError {
  return isProblem(error) && (FOR_GOOD.has(error.problem.status) || MISFITS.has(error.problem.status));
}

interface Read {
  readonly data: unknown;
  readonly error: Error | null;
}

/**
 * Why something cannot be shown; null where it can. What was read once stays on the page, and what is typed into it,
 * when reading it anew fails in the background; but what is gone is gone.
 */
export function failureOf({ data, error }: Read): Error | null {
  if (error === null || data === undefined) return error;
  return isProblem(error) && FOR_GOOD.has(error.problem.status) ? error : null;
}
