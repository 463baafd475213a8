import { useReducer } from "react";
import { answered, settled, typedAs, typingOf, type Typing } from "./typing.js";

interface Typed<T> {
  readonly value: T;
  readonly type: (typed: T) => void;
  /** For when the field is left. */
  readonly onBlur: () => void;
}

const changedBy = <T>(typing: Typing<T>, change: (now: Typing<T>) => Typing<T>) => change(typing);

/**
 * A field whose value is in the page's address. That changes in a transition, a moment after the key: a field that
 * waits for it loses letters when somebody types fast, or the device is slow. Only what `isSaid` allows is said.
 */
export function useTyped<T>(
  value: T,
  say: (typed: T) => void,
  isSaid: (typed: T) => boolean = () => true,
): Typed<T> {
  // A reducer and no state: a state's change is reckoned ahead from a render that may have been given up, here of a
  // transition that a key has interrupted.
  const [before, setTyping] = useReducer(changedBy<T>, value, typingOf);
  const typing = answered(before, value);
  if (typing !== before) setTyping(() => typing);
  return {
    value: typing.typed,
    type: (typed) => {
      const said = isSaid(typed);
      setTyping((now) => typedAs(now, typed, said));
      if (said) say(typed);
    },
    onBlur: () => setTyping(settled),
  };
}
