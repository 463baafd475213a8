import { useInterval } from "@mantine/hooks";
import { useEffect, useState } from "react";

/** The time in ms, looked at anew every so often while it is wanted. */
export function useNow(everyMs: number, isWanted = true): number {
  const [now, setNow] = useState(() => Date.now());
  const { start, stop } = useInterval(() => setNow(Date.now()), everyMs);
  useEffect(() => {
    if (isWanted) start();
    return stop;
  }, [isWanted, start, stop]);
  return now;
}
