/** What becomes of a set that was begun on this device and left. */
import { readRun, setOf, takenUp } from "../app/floor-run.js";
import type { KeptRun } from "../app/kept-run.js";
import type { LeftRun } from "../app/left-run.js";
import { outbox, setCommand } from "./here.js";
import { claimRun } from "./one-tab.js";
import { exchangeLeft, takeRun } from "./store.js";

/** Takes it from whatever tab counts it, with all that was tapped there. */
async function claimed<T>(key: string, work: () => Promise<T>): Promise<T> {
  const claim = claimRun(key, { putDown: () => Promise.resolve(), lost: () => undefined });
  try {
    await claim.taken;
    return await work();
  } finally {
    claim.release();
  }
}

/** Exchanges it for the set that was counted; nothing where it was finished meanwhile. */
export async function finishLeft({ key, about }: LeftRun): Promise<void> {
  await claimed(key, () =>
    exchangeLeft(key, (stored) => {
      const run = readRun(stored);
      return run === null ? null : setCommand(setOf(about, takenUp(run), Date.now()));
    }),
  );
  void outbox.flush();
}

/** Drops it, and answers what it was; null where it was finished meanwhile. */
export async function discardLeft({ key }: LeftRun): Promise<KeptRun | null> {
  return claimed(key, () => takeRun(key));
}
