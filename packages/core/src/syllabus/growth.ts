/** Who may still be growing (safety.md, growth): under 16, by the younger age that a year of birth allows. */
import type { LocalDate } from "../instant.js";

const GROWN_AT = 16;

/** The day from which somebody is surely grown; null where the year is unknown, which asks for nothing. */
export function grownFrom(birthYear: number | null): LocalDate | null {
  return birthYear === null ? null : `${birthYear + GROWN_AT + 1}-01-01`;
}

export function mayGrow(birthYear: number | null, today: LocalDate): boolean {
  const grown = grownFrom(birthYear);
  return grown !== null && today < grown;
}
