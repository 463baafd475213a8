import type { SetRequest, StandingItem } from "@mirrup/contract";
import { DAY_MS } from "@mirrup/core";
import { HANDBOOK_MODEL } from "@mirrup/core/teaching";
import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { StudioEntity } from "../studios/studio.entity.js";
import { setOf, startTestApp, type TestApp } from "../testing/test-app.js";
import { refreshAll } from "./rebuild.js";
import { isDue, refitAll } from "./refit.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

const NOW = new Date();

async function studio(id = server.studioId): Promise<StudioEntity> {
  return server.database.manager.findOneByOrFail(StudioEntity, { id });
}

/** So many sets of the double under, each missed eight times of ten. */
function hard(student: string, count: number): readonly SetRequest[] {
  return Array.from({ length: count }, (_, place) =>
    setOf(student, {
      ...{ subject: "double-under", drill: { kind: "streak", count: 15 } },
      ...{ clean: 2, misses: [{ count: 8 }], bestStreak: 1 },
      at: new Date(NOW.getTime() - (count - place) * 60_000).toISOString(),
    }),
  );
}

async function log(sets: readonly SetRequest[]): Promise<void> {
  for (let from = 0; from < sets.length; from += 100)
    expect((await server.post("/api/sets", { sets: sets.slice(from, from + 100) })).status).toBe(200);
}

/** How many studios were refitted; a failure fails the test. */
function refitted(now: Date): Promise<number> {
  return refitAll(server.database, now, (_studioId, error) => {
    throw error;
  });
}

async function chanceOf(student: string): Promise<number> {
  const { body } = await server.get(`/api/students/${student}/standings`);
  const { items } = body as { readonly items: readonly StandingItem[] };
  return items.find((one) => one.subject === "double-under")?.cleanChance ?? NaN;
}

describe("the model of a studio", () => {
  it("is due once there are enough new sets, and not twice in a week", () => {
    const last = (days: number | null, modelSets: number) => ({
      modelAt: days === null ? null : new Date(NOW.getTime() - days * DAY_MS),
      modelSets,
    });
    const due = [
      isDue(last(null, 0), 199, NOW),
      isDue(last(null, 0), 200, NOW),
      isDue(last(6.9, 0), 5000, NOW),
      isDue(last(7, 4800), 5000, NOW),
      isDue(last(30, 4801), 5000, NOW),
    ];
    expect(due).toEqual([false, true, false, true, false]);
  });

  it("is the handbook's until its log says otherwise, then its own, and no other studio's", async () => {
    const students = await Promise.all(
      ["Ada Fell", "Bo Marsh", "Cy Dale"].map((name) => server.addStudent(name)),
    );
    const novice = await server.addStudent("Di Wold");
    const elsewhere = await server.addStudio("Other Hall");
    await log(students.flatMap((student) => hard(student, 80)));
    const before = await chanceOf(novice);
    expect(before).toBeCloseTo(1 - HANDBOOK_MODEL.startMiss.double, 6);

    expect(await refitted(NOW)).toBe(1);
    const { model, modelSets, modelAt } = await studio();
    expect([model?.version, modelSets, modelAt]).toEqual([1, 240, NOW]);
    expect((await studio(elsewhere)).model).toBeNull();
    expect(await chanceOf(novice)).toBeLessThan(before);
  });

  it("is made anew only for what is new, one version on", async () => {
    const later = new Date(NOW.getTime() + 8 * DAY_MS);
    expect(await refitted(NOW)).toBe(0);
    expect(await refitted(later)).toBe(0);
    await log(hard(await server.addStudent("Ed Fen"), 200));
    expect(await refitted(NOW)).toBe(0);
    expect(await refitted(later)).toBe(1);
    expect((await studio()).model?.version).toBe(2);
  });

  it("stays as it was where it cannot be worked out, and is tried again", async () => {
    const later = new Date(NOW.getTime() + 30 * DAY_MS);
    await log(hard(await server.addStudent("Gus Lea"), 200));
    const before = await studio();
    await server.sql("UPDATE studio SET time_zone = 'No/Where'");
    const failed: string[] = [];
    expect(await refitAll(server.database, later, (studioId) => failed.push(studioId))).toBe(0);
    await server.sql("UPDATE studio SET time_zone = 'Europe/London'");
    expect(failed).toEqual([server.studioId]);
    expect(await studio()).toEqual(before);
    expect(await refitted(later)).toBe(1);
    expect((await studio()).model?.version).toBe(3);
  });

  it("makes every student's facts stale once, and nobody's is left so", async () => {
    const stale = await refreshAll(server.database);
    expect(stale).toBeGreaterThan(1);
    expect(await refreshAll(server.database)).toBe(0);
  });

  it("is read as this build has it when an older one wrote it", async () => {
    const old = { ...HANDBOOK_MODEL, version: 3, startMiss: { double: 0.9 }, pace: {}, shares: {} };
    await server.sql("UPDATE studio SET model = $1 WHERE id = $2", [old, server.studioId]);
    const novice = await server.addStudent("Flo Moor");
    expect(await chanceOf(novice)).toBeCloseTo(0.1, 6);
    expect((await server.get(`/api/students/${novice}/next`)).status).toBe(200);
  });
});
