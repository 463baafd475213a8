import type { Items, NextItem, RulesChange, RungItem, StandingItem } from "@mirrup/contract";
import { rulesChangesReply } from "@mirrup/contract/schemas";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "@jest/globals";
import { setOf, startTestApp, type TestApp } from "../testing/test-app.js";
import { DecisionEntity } from "../log/index.js";
import { refreshAll } from "./rebuild.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

let student: string;
beforeEach(async () => {
  await server.sql("DELETE FROM rules_change");
  student = await server.addStudent("Wren Oakley");
});

const log = (...sets: readonly object[]) =>
  server.post("/api/sets", { sets: sets.map((one) => setOf(student, one)) });

async function standing(subject: string, side = "whole"): Promise<StandingItem | undefined> {
  const { body } = await server.get(`/api/students/${student}/standings`);
  return (body as Items<StandingItem>).items.find((one) => one.subject === subject && one.side === side);
}

async function changes(): Promise<readonly RulesChange[]> {
  const { status, body } = await server.get("/api/studio/rules-changes");
  expect(status).toBe(200);
  expect(rulesChangesReply.validate(body).error).toBeUndefined();
  return (body as Items<RulesChange>).items.filter((one) => one.studentId === student);
}

/** What an earlier build made of five good tries at a part of the quadruple under. */
async function clearedByOldRules(): Promise<void> {
  await log({
    subject: "quadruple-under",
    drill: { kind: "one-out", count: 5, score: "(o o) o" },
    clean: 5,
    bestStreak: 1,
  });
  await server.sql(
    "UPDATE standing SET cleared_at = now(), cleared_by = 'gate' WHERE student_id = $1 AND subject = $2",
    [student, "quadruple-under"],
  );
  await server.sql("UPDATE student SET facts_rules = 'of an earlier build' WHERE id = $1", [student]);
}

describe("facts that other rules made", () => {
  it("are made anew before they are read, and what that changes is told to the owner once", async () => {
    await clearedByOldRules();
    expect((await standing("quadruple-under"))?.status).toBe("locked");
    expect(await changes()).toMatchObject([
      { name: "Wren Oakley", subject: "quadruple-under", side: "whole", isCleared: false },
    ]);
    // Reading again changes nothing, and neither does a rebuild at the start.
    await refreshAll(server.database);
    expect(await changes()).toHaveLength(1);
  });

  it("are read once by whoever asks first, though many ask at the same time", async () => {
    await clearedByOldRules();
    const all = await Promise.all([1, 2, 3, 4, 5, 6].map(() => standing("quadruple-under")));
    expect(new Set(all.map((one) => one?.status))).toEqual(new Set(["locked"]));
    expect(await changes()).toHaveLength(1);
  });

  it("are read so by a set that comes in before anything is read", async () => {
    await clearedByOldRules();
    expect((await log({ subject: "basic-bounce", clean: 3, bestStreak: 3 })).status).toBe(200);
    expect((await standing("quadruple-under"))?.status).toBe("locked");
    expect((await standing("basic-bounce"))?.bestStreak).toBe(3);
  });

  it("stay cleared by one tap, as a decision that can be seen, and once however often it is tapped", async () => {
    await clearedByOldRules();
    await standing("quadruple-under");
    expect((await server.post("/api/studio/rules-changes", { keep: true })).status).toBe(200);
    expect((await server.post("/api/studio/rules-changes", { keep: true })).status).toBe(200);
    expect((await standing("quadruple-under"))?.status).toBe("cleared");
    expect(await changes()).toEqual([]);
    const kept = await server.database.manager.findBy(DecisionEntity, { studentId: student });
    expect(kept.map((one) => [one.subject, one.decision.kind])).toEqual([["quadruple-under", "clear"]]);
  });

  it("go as the rules have it where the owner says so", async () => {
    await clearedByOldRules();
    await standing("quadruple-under");
    expect((await server.post("/api/studio/rules-changes", { keep: false })).status).toBe(200);
    expect((await standing("quadruple-under"))?.status).toBe("locked");
    expect(await changes()).toEqual([]);
  });
});

describe("a set of a drill that this build cannot read", () => {
  const STRANGE = [
    { kind: "of-a-later-build", count: 5 },
    { kind: "one-out", count: 5, score: "(o o" },
    { kind: "streak" },
    { kind: "climb", growing: true, top: 4 },
  ];

  it.each(STRANGE)("is stored and shown as it was: %j", async (drill) => {
    const { status, body } = await log({ subject: "cross", side: "right", drill, clean: 4, bestStreak: 2 });
    expect([status, body]).toMatchObject([200, {}]);
    const { body: shown } = await server.get(`/api/students/${student}/sets?subject=cross&side=right`);
    expect((shown as Items<{ drill: object }>).items.map((one) => one.drill)).toEqual([drill]);
  });

  it("is evidence for nothing", async () => {
    await log({ subject: "cross", side: "right", drill: STRANGE[0], clean: 40, bestStreak: 40 });
    expect(await standing("cross", "right")).toMatchObject({ status: "locked", bestStreak: 0 });
  });
});

describe("what was evidence for what", () => {
  it("clears the part that was jumped and not the trick that it is a part of", async () => {
    const part = { kind: "one-out", count: 5, score: "(o o) o" };
    await log({ subject: "quadruple-under", drill: part, clean: 5, bestStreak: 1 });
    expect((await standing("quadruple-under"))?.status).toBe("locked");
    const double = await standing("double-under");
    expect(double?.cleanChance).toBeGreaterThan(0.4);
  });

  it("proposes a drill of a ladder, with its chance, its reason and what comes after it", async () => {
    await log({ subject: "basic-bounce", clean: 60, bestStreak: 60 });
    const { body } = await server.get(`/api/students/${student}/next`);
    const { items } = body as Items<NextItem>;
    const kinds = new Set(items.map((one) => one.drill.kind));
    expect(kinds.size).toBeGreaterThan(1);
    for (const { chance } of items.slice(0, 5)) {
      expect(chance).toBeGreaterThan(0.5);
      expect(chance).toBeLessThanOrEqual(1);
    }
  });

  it("shows a side's ladder as it is asked, the gate as the gate, with what is passed and where one is", async () => {
    await log({
      subject: "cross",
      side: "left",
      drill: { kind: "streak", count: 15 },
      clean: 12,
      misses: [{ position: 13 }],
      bestStreak: 12,
    });
    const { body } = await server.get(`/api/students/${student}/ladder?subject=cross&side=left`);
    const { items } = body as Items<RungItem>;
    expect(items.find((one) => one.id === "gate")?.drill).toMatchObject({ kind: "streak", count: 15 });
    expect(items.filter((one) => one.isNext)).toHaveLength(1);
    expect(items.some((one) => one.state === "passed")).toBe(true);
    for (const { chance } of items) expect(chance >= 0 && chance <= 1).toBe(true);
  });
});
