import { useRef } from "react";

interface Same<T> {
  /** What was made for this text, or is made now. */
  readonly of: (text: string, make: () => T) => T;
  /** The next is another one, whatever its text. */
  readonly forget: () => void;
}

/**
 * The same thing for the same text until it is stored: what is sent again after a lost answer has the id that it had, and
 * is no second one.
 */
export function useSame<T>(): Same<T> {
  const made = useRef(new Map<string, T>());
  return {
    of: (text, make) => {
      const known = made.current.get(text);
      if (known !== undefined) return known;
      const fresh = make();
      made.current.set(text, fresh);
      return fresh;
    },
    forget: () => made.current.clear(),
  };
}
