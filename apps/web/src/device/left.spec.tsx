import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { between, randomFrom, type Random } from "@mirrup/cohort";
import { runKey, newRun, withEntry, type RunSubject } from "../app/floor-run.js";
import type { KeptRun } from "../app/kept-run.js";
import { leftRuns } from "../app/left-run.js";
import { discardLeft, finishLeft } from "./left.js";
import { outbox } from "./here.js";
import { setSender } from "./sender.js";
import { dropRun, keepRun, keptRun, keptRuns, putAside, putBack } from "./store.js";
import { HERE } from "./testing.js";

const FIRST_SEED = Number(process.env.MIRRUP_SEED ?? 1);
const HISTORIES = 12;
const ADA: RunSubject = { studentId: "ada", subject: "cross", side: "left" };
const ABOUTS: readonly RunSubject[] = [ADA, { studentId: "bo", subject: "cross", side: "left" }];
const START = Date.UTC(2026, 5, 1, 17);

const pick = <T,>(random: Random, all: readonly T[]): T | undefined =>
  all[between(random, 0, all.length - 1)];
const left = async () => leftRuns(await keptRuns(`${HERE.personId} `), HERE.studioId, new Set());
const cleanOf = ({ taps }: KeptRun) => taps.length;
const finished = () =>
  outbox.current().waiting.flatMap(({ command }) => (command.kind === "set" ? [command.set] : []));

async function empty(): Promise<void> {
  for (const key of (await keptRuns("")).keys()) await dropRun(key);
  await outbox.read();
  for (const one of outbox.current().waiting) await outbox.discard(one);
}

beforeEach(async () => {
  Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError("Failed to fetch")) });
  setSender(HERE);
  await empty();
});
afterEach(empty);

describe("what was counted on a device and left", () => {
  it("is a set, under way, or discarded by somebody, once and whole, whatever happens in whatever order", async () => {
    for (let seed = FIRST_SEED; seed < FIRST_SEED + HISTORIES; seed += 1) {
      const random = randomFrom(seed);
      await empty();
      let [tapped, discarded, sets] = [0, 0, 0];
      const bin: (readonly [string, KeptRun])[] = [];
      for (let step = 0; step < 30; step += 1) {
        const about = pick(random, ABOUTS) ?? ADA;
        const key = runKey(HERE.personId, about);
        const chosen = pick(random, await left());
        switch (between(random, 0, 7)) {
          case 0:
          case 1:
          case 2: {
            const kept =
              (await keptRun(key)) ?? newRun(`set-${seed}-${step}`, { kind: "streak", count: 99 }, START);
            await keepRun(key, withEntry(kept, { kind: "clean" }, START + 1000 * step));
            tapped += 1;
            break;
          }
          case 3: {
            const kept = await keptRun(key);
            if (kept !== undefined) await putAside(key, kept);
            break;
          }
          case 4:
            // A finger that bounces, or two tabs at once.
            if (chosen !== undefined) {
              await Promise.all([finishLeft(chosen), finishLeft(chosen)]);
              sets += 1;
            }
            break;
          case 5: {
            const gone = chosen === undefined ? null : await discardLeft(chosen);
            if (chosen === undefined || gone === null) break;
            discarded += cleanOf(gone);
            bin.push([chosen.key, gone]);
            break;
          }
          case 7: {
            if (chosen === undefined) break;
            const [, gone] = await Promise.all([finishLeft(chosen), discardLeft(chosen)]);
            discarded += gone === null ? 0 : cleanOf(gone);
            sets += gone === null ? 1 : 0;
            break;
          }
          case 6: {
            const back = bin.pop();
            if (back === undefined) break;
            await putBack(...back);
            discarded -= cleanOf(back[1]);
          }
        }
        await outbox.read();
        const there = (await left()).reduce((sum, { run }) => sum + cleanOf(run), 0);
        const said = finished().reduce((sum, { clean }) => sum + clean, 0);
        expect({ seed, step, all: there + said + discarded }).toEqual({ seed, step, all: tapped });
        expect(new Set(finished().map(({ id }) => id)).size).toBe(sets);
        expect(finished()).toHaveLength(sets);
      }
    }
  });

  it("comes to the set as it was counted, on the day on which it was", async () => {
    const key = runKey(HERE.personId, ADA);
    let run = newRun("set", { kind: "climb", top: 4, onMiss: "repeat" }, START);
    for (const kind of ["clean", "clean", "miss", "clean"] as const)
      run = withEntry(run, { kind }, run.lastTapAt + 2000);
    await keepRun(key, run);
    const [one] = await left();
    if (one === undefined) throw new Error("Nothing was left.");
    await finishLeft(one);
    await outbox.read();
    expect(finished()).toMatchObject([
      { id: "set", ...ADA, clean: 3, bestStreak: 1, at: new Date(START + 8000).toISOString(), seconds: 8 },
    ]);
    expect(await keptRun(key)).toBeUndefined();
  });
});
