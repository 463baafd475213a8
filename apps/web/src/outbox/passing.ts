import type { Problem } from "@mirrup/contract";

const TOO_EARLY = 425;
const TOO_MANY = 429;

const TOO_LARGE = 413;

/** How many of a batch are sent after it was refused for its size; null where that was not why, or it was one. */
export function fewerOf(many: number, { status }: Pick<Problem, "status">): number | null {
  return status === TOO_LARGE && many > 1 ? Math.ceil(many / 2) : null;
}

/**
 * Whether a refusal passes by itself, so that what is refused waits as in silence: a fault of the server's own, a
 * meeting of two changes, too much at once. Only what a person has to look at is set aside.
 */
export function isPassing({ status, type }: Pick<Problem, "status" | "type">): boolean {
  return status >= 500 || status === TOO_EARLY || status === TOO_MANY || type === "conflict";
}
