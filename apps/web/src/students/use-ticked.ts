import { useEffect, useState } from "react";
import { useUnsaved } from "../device/index.js";

const NONE: readonly string[] = [];

/** The boxes of a sheet that are ticked and not saved yet, by their keys; kept under a name until they are. */
export function useTicked(name: string) {
  const { found, keep } = useUnsaved(name, NONE);
  const [ticked, setTicked] = useState(found ?? NONE);
  useEffect(() => keep(ticked.length === 0 ? null : ticked), [ticked, keep]);
  return {
    ticked: new Set(ticked),
    toggle: (key: string) =>
      setTicked((now) => (now.includes(key) ? now.filter((other) => other !== key) : [...now, key])),
    /** Those are saved; what was ticked meanwhile is not. */
    drop: (keys: readonly string[]) => setTicked((now) => now.filter((key) => !keys.includes(key))),
  };
}
