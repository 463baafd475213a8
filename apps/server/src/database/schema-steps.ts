import { databaseOptions } from "./data-source.js";

/** The steps of the schema that this Mirrup knows, by name, in order. */
export function knownSteps(): readonly string[] {
  const { migrations = [] } = databaseOptions("postgres://nowhere");
  return Object.values(migrations).flatMap((step) => (typeof step === "function" ? [step.name] : []));
}

/** Steps that a database has and this Mirrup does not know: it was made by a newer one. */
export function unknownSteps(steps: readonly string[]): readonly string[] {
  const known = new Set(knownSteps());
  return steps.filter((step) => !known.has(step));
}
