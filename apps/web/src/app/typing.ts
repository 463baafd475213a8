/** What is typed into a field whose value is kept elsewhere, such as in the address, and comes back from there. */
export interface Typing<T> {
  /** What stands in the field. */
  readonly typed: T;
  /** The value that was last seen from outside. */
  readonly seen: T;
  /** What was said of it and has not come back yet, the oldest first. */
  readonly unanswered: readonly T[];
}

export const typingOf = <T>(value: T): Typing<T> => ({ typed: value, seen: value, unanswered: [] });

/** A key more: it stands in the field, and where it is `said`, it is to come back. */
export function typedAs<T>(typing: Typing<T>, typed: T, said: boolean): Typing<T> {
  const isNews = said && !Object.is(typed, typing.unanswered.at(-1) ?? typing.seen);
  return { ...typing, typed, unanswered: isNews ? [...typing.unanswered, typed] : typing.unanswered };
}

/**
 * The value from outside. What was said and comes back late changes nothing under the hand that types on; what nobody
 * said here takes the field.
 */
export function answered<T>(typing: Typing<T>, value: T): Typing<T> {
  if (Object.is(value, typing.seen)) return typing;
  const at = typing.unanswered.findIndex((one) => Object.is(one, value));
  return at < 0 ? typingOf(value) : { ...typing, seen: value, unanswered: typing.unanswered.slice(at + 1) };
}

/** The field is left: what could not be said is not what is, and it shows from now on whatever comes. */
export function settled<T>({ seen, unanswered }: Typing<T>): Typing<T> {
  return { typed: unanswered.at(-1) ?? seen, seen, unanswered: [] };
}
