/**
 * Counts that go on by themselves, also while another student is looked at. They are marked as seen
 * every second, so that a page that is closed leaves behind when it last counted.
 */
import { keepRun, keptRun } from "../device/index.js";

const SEEN_EVERY_MS = 1000;
const paced = new Map<string, ReturnType<typeof setInterval>>();

async function markSeen(key: string, now: number): Promise<void> {
  const run = await keptRun(key);
  if (run !== undefined && paced.has(key)) await keepRun(key, { ...run, seenAt: now });
}

/** Whether this page began the count, so that it goes on. */
export function isPacedHere(key: string): boolean {
  return paced.has(key);
}

export function startPacing(key: string): void {
  stopPacing(key);
  const mark = () => void markSeen(key, Date.now()).catch(() => undefined);
  paced.set(key, setInterval(mark, SEEN_EVERY_MS));
}

export function stopPacing(key: string): void {
  clearInterval(paced.get(key));
  paced.delete(key);
}
