import type { Problem } from "@mirrup/contract";

const TOO_LARGE = 413;
const TOO_EARLY = 425;
const TOO_MANY = 429;
const FAULT = 500;

/**
 * What a refusal means for what is told: nobody can look at it just now; fewer are told at once; it is told again a
 * little later while the rest goes on, having met another change or a fault of the server's own; or a person has to
 * look at it, since it would be refused again however often it is told.
 */
export type Refused = "busy" | "fewer" | "held" | "for-good";

export function refusedHow({ status, type }: Pick<Problem, "status" | "type">, many: number): Refused {
  if (status > FAULT || status === TOO_EARLY || status === TOO_MANY) return "busy";
  if ((status === TOO_LARGE || status === FAULT) && many > 1) return "fewer";
  return status === FAULT || type === "conflict" ? "held" : "for-good";
}
