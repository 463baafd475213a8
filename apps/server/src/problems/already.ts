import { isDeepStrictEqual } from "node:util";

/** As it goes over the wire: what is undefined is not there. */
const sent = (value: unknown): unknown =>
  value === undefined ? undefined : JSON.parse(JSON.stringify(value));

/**
 * Whether something is already as it is asked to be. What is asked for again since its answer was lost is no
 * conflict with itself: whoever asked is told how it is.
 */
export function isSoAlready<T extends object>(now: T, asked: { readonly [K in keyof T]?: unknown }): boolean {
  return Object.entries(asked).every(
    ([key, value]) => value === undefined || isDeepStrictEqual(sent(Reflect.get(now, key)), sent(value)),
  );
}
