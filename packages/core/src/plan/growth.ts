/** Who may still be growing (safety.md, growth): under 16, by the younger age that a year of birth allows. */
import type { LocalDate } from "../instant.js";

const GROWN_AT = 16;

/** Unknown years ask for nothing. */
export function mayGrow(birthYear: number | null, today: LocalDate): boolean {
  return birthYear !== null && Number(today.slice(0, 4)) - birthYear - 1 < GROWN_AT;
}
