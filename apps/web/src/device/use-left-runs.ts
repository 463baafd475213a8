import { useCallback, useEffect, useState, useSyncExternalStore } from "react";
import { leftRuns, type LeftRun } from "../app/left-run.js";
import { currentSender, onSenderChange } from "./sender.js";
import { onShownRuns, shownRuns } from "./shown-runs.js";
import { keptRuns } from "./store.js";

const NONE: readonly LeftRun[] = [];

/** What was counted here and not finished, but for what is before one; `look` looks once more. */
export function useLeftRuns(): { readonly left: readonly LeftRun[]; readonly look: () => Promise<void> } {
  const sender = useSyncExternalStore(onSenderChange, currentSender);
  const shown = useSyncExternalStore(onShownRuns, shownRuns);
  const [found, setFound] = useState(NONE);
  const look = useCallback(
    () =>
      keptRuns(`${sender?.personId ?? ""} `).then(
        // What is before one now is being finished there: it is not news a moment later.
        (kept) => setFound(leftRuns(kept, sender?.studioId ?? "", shownRuns())),
        // A device that keeps nothing has none.
        () => setFound(NONE),
      ),
    [sender],
  );
  // A page that comes or goes takes its run up, or leaves it.
  useEffect(() => void look(), [look, shown]);
  // Another tab may have done so.
  useEffect(() => {
    const hear = () => void look();
    document.addEventListener("visibilitychange", hear);
    return () => document.removeEventListener("visibilitychange", hear);
  }, [look]);
  return { left: found.filter((one) => !shown.has(one.key)), look };
}
