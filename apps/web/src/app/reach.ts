import { createContext, useContext, useEffect, type RefObject } from "react";

/** What is in reach of every page. */
export interface Reach {
  readonly find: () => void;
  readonly showKeys: () => void;
}

export const ReachContext = createContext<Reach>({ find: () => undefined, showKeys: () => undefined });

export function useReach(): Reach {
  return useContext(ReachContext);
}

/** The search fields of what is shown, the newest last. */
const fields: RefObject<HTMLInputElement | null>[] = [];

/** Gives the page's own search field the key `/`; where no page has one, the key finds anything. */
export function useSearchKey(field: RefObject<HTMLInputElement | null>): void {
  useEffect(() => {
    fields.push(field);
    return () => {
      fields.splice(fields.indexOf(field), 1);
    };
  }, [field]);
}

/** The field that `/` goes to; none where the page has none that is seen. */
export function searchField(): HTMLInputElement | undefined {
  return fields.flatMap(({ current }) => (current?.checkVisibility() === true ? [current] : [])).at(-1);
}
