import { CATALOGUE } from "@mirrup/catalogue";
import type { Family } from "@mirrup/core";

/** The family whose colour a skill has; what is none of the catalogue's has footwork's. */
export function familyOf(subject: string): Family {
  return CATALOGUE.familyOf.get(subject) ?? "footwork";
}
