import { useEffect, useEffectEvent } from "react";
import { useLocation, useSearchParams } from "react-router";
import { currentParams } from "./current-params.js";

/**
 * Keeps the address at what a page shows, each time that `shown` is another or a link leaves it out. It is written only where it says something
 * else: whatever is written ends a way to another page that has begun and waits for its files.
 */
export function useKeptParams(shown: unknown, write: (now: URLSearchParams) => URLSearchParams): void {
  const [, setParams] = useSearchParams();
  const { search } = useLocation();
  const keep = useEffectEvent(() => {
    const next = write(currentParams());
    if (next.toString() !== currentParams().toString()) setParams(next, { replace: true });
  });
  useEffect(() => keep(), [shown, search]);
}
