/** Which runs this page has before it: whoever sees them need not be told that they are not finished. */
let shown: ReadonlySet<string> = new Set();
/** A run may stand in two places of a page. */
const places = new Map<string, number>();
const listeners = new Set<() => void>();

function change(key: string, by: 1 | -1): void {
  places.set(key, (places.get(key) ?? 0) + by);
  shown = new Set([...places].flatMap(([one, times]) => (times > 0 ? [one] : [])));
  for (const hear of listeners) hear();
}

export function shownRuns(): ReadonlySet<string> {
  return shown;
}

/** Says that a run is shown, until what is answered is called. */
export function showRun(key: string): () => void {
  change(key, 1);
  return () => change(key, -1);
}

export function onShownRuns(hear: () => void): () => void {
  listeners.add(hear);
  return () => listeners.delete(hear);
}
