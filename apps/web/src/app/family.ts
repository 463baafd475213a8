import type { Family } from "@mirrup/core";
import { catalogue } from "./catalogue.js";

/** The family whose colour a skill has; what is none of the catalogue's has footwork's. */
export function familyOf(subject: string): Family {
  return catalogue().familyOf.get(subject) ?? "footwork";
}
