import type { Schema } from "joi";
import { capital } from "./words.js";

/** Joins a schema of the contract to a form: one sentence for each field that does not fit. */
export function fits(schema: Schema): (values: object) => Record<string, string> {
  return (values) => {
    const { error } = schema.validate(values, {
      abortEarly: false,
      convert: false,
      errors: { wrap: { label: false } },
    });
    const details = error?.details ?? [];
    return Object.fromEntries(details.map(({ path, message }) => [path.join("."), `${capital(message)}.`]));
  };
}
