import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { decisionsReply, decisionsView } from "@mirrup/contract/schemas";
import type { DecisionRequest, DecisionsReply, DecisionView, StandingItem } from "@mirrup/contract";
import { v7 as uuid } from "uuid";
import { noonZone } from "../testing/noon.js";
import { decisionOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp({ timeZone: noonZone() });
});
afterAll(() => server.close());

async function decide(...decisions: readonly DecisionRequest[]): Promise<DecisionsReply> {
  const { status, body } = await server.post("/api/decisions", { decisions });
  expect([status, decisionsReply.validate(body).error]).toEqual([200, undefined]);
  return body as DecisionsReply;
}

async function standing(student: string, subject: string, side: string): Promise<StandingItem> {
  const { body } = await server.get(`/api/students/${student}/standings`);
  const found = (body as { items: StandingItem[] }).items.find(
    (one) => one.subject === subject && one.side === side,
  );
  if (found === undefined) throw new Error(`no ${subject} ${side}`);
  return found;
}

const minutesAgo = (minutes: number) => new Date(Date.now() - minutes * 60_000).toISOString();

describe("decisions", () => {
  it("clear a side, vouch for what it needs, and say what they opened", async () => {
    const student = await server.addStudent("Clear Case");
    const reply = await decide(decisionOf(student));
    expect(reply.changes).toMatchObject([{ subject: "cross", side: "left", from: "locked", to: "cleared" }]);
    expect(reply.opened).toContainEqual({ studentId: student, subject: "held-cross", side: "left" });
    expect((await standing(student, "basic-bounce", "whole")).status).toBe("inferred");
    expect((await standing(student, "cross", "left")).clearedBy).toBe("hand");
  });

  it("are taken back by a void, which derives everything again", async () => {
    const student = await server.addStudent("Undo Case");
    const clear = decisionOf(student);
    await decide(clear);
    const undo = decisionOf(student, { decision: { kind: "void", target: clear.id }, reason: "" });
    const reply = await decide(undo);
    expect(reply.changes).toMatchObject([{ from: "cleared", to: "locked" }]);
    expect((await standing(student, "basic-bounce", "whole")).status).toBe("ready");
    const { body } = await server.get(`/api/students/${student}/decisions`);
    expect(decisionsView.validate(body).error).toBeUndefined();
    const { items } = body as { items: DecisionView[] };
    expect(items.find((one) => one.id === clear.id)).toMatchObject({ isVoided: true });
    const again = decisionOf(student, { decision: { kind: "void", target: clear.id }, reason: "" });
    expect((await server.post("/api/decisions", { decisions: [again] })).status).toBe(409);
  });

  it("take back a set too, with its clearing and its share of the chance", async () => {
    const student = await server.addStudent("Void Set");
    const set = setOf(student, { clean: 25, bestStreak: 25 });
    await server.post("/api/sets", { sets: [set] });
    expect((await standing(student, "basic-bounce", "whole")).status).toBe("cleared");
    const base = { subject: "basic-bounce", side: "whole" as const, reason: "" };
    await decide(decisionOf(student, { ...base, decision: { kind: "void", target: set.id } }));
    expect(await standing(student, "basic-bounce", "whole")).toMatchObject({
      status: "ready",
      bestStreak: 0,
      cleanChance: 0.7,
    });
  });

  it("reopen a side, after which its evidence counts anew", async () => {
    const student = await server.addStudent("Reopen Case");
    await server.post("/api/sets", {
      sets: [setOf(student, { clean: 25, bestStreak: 25, at: minutesAgo(90) })],
    });
    const base = { subject: "basic-bounce", side: "whole" as const, reason: "Flat landings." };
    await decide(decisionOf(student, { ...base, decision: { kind: "reopen" }, at: minutesAgo(60) }));
    expect(await standing(student, "basic-bounce", "whole")).toMatchObject({
      status: "working",
      bestStreak: 0,
    });
    // A set that was on its way and happened before the reopening does not undo it.
    await server.post("/api/sets", {
      sets: [setOf(student, { clean: 30, bestStreak: 30, at: minutesAgo(80) })],
    });
    expect(await standing(student, "basic-bounce", "whole")).toMatchObject({
      status: "working",
      bestStreak: 0,
    });
  });

  it("set a gate for one student, judge the log by it, and give it back", async () => {
    const student = await server.addStudent("Gate Case");
    await server.post("/api/sets", { sets: [setOf(student, { clean: 12, bestStreak: 12 })] });
    expect((await standing(student, "basic-bounce", "whole")).status).toBe("working");
    const base = {
      subject: "basic-bounce",
      side: "whole" as const,
      reason: "A long pause, an easier start.",
    };
    const gate = { kind: "streak" as const, count: 10 };
    const override = decisionOf(student, { ...base, decision: { kind: "override", gate } });
    expect((await decide(override)).changes).toMatchObject([{ from: "working", to: "cleared", gate }]);
    await decide(
      decisionOf(student, { ...base, decision: { kind: "override", gate: null }, at: minutesAgo(1) }),
    );
    expect(await standing(student, "basic-bounce", "whole")).toMatchObject({
      status: "working",
      gate: { kind: "streak", count: 20 },
    });
  });

  it("keep placement's answers apart: seen clears, likely is taken as known, no does nothing", async () => {
    const student = await server.addStudent("Placed Case");
    const place = (subject: string, answer: "clean" | "no", seen: boolean) =>
      decisionOf(student, { subject, side: "whole", reason: "", decision: { kind: "place", answer, seen } });
    await decide(place("run-step", "clean", true), place("skier", "clean", false), place("bell", "no", true));
    expect(await standing(student, "run-step", "whole")).toMatchObject({
      status: "cleared",
      clearedBy: "placed",
    });
    expect(await standing(student, "skier", "whole")).toMatchObject({ status: "inferred", clearedBy: null });
    expect((await standing(student, "bell", "whole")).status).toBe("ready");
  });

  it("are stored once however often they are sent, and not under an id of another", async () => {
    const student = await server.addStudent("Twice Case");
    const clear = decisionOf(student);
    await decide(clear);
    expect(await decide(clear)).toMatchObject({ stored: [], alreadyStored: [clear.id] });
    const other = await server.post("/api/decisions", { decisions: [{ ...clear, reason: "Another." }] });
    expect(other).toMatchObject({ status: 409, body: { type: "refused-decisions" } });
  });

  it("count once in a batch that has them twice, and two of one id that differ are refused", async () => {
    const student = await server.addStudent("Same Batch Case");
    const clear = decisionOf(student);
    expect(await decide(clear, clear)).toMatchObject({ stored: [clear.id], alreadyStored: [] });
    const one = decisionOf(student, { subject: "side-swing", side: "left" });
    const twice = await server.post("/api/decisions", { decisions: [one, { ...one, reason: "Another." }] });
    expect(twice).toMatchObject({ status: 409, body: { errors: [{ item: 1, code: "other-body" }] } });
  });

  it("take a line back once, in one batch or in two, and a taking back not at all", async () => {
    const student = await server.addStudent("Taken Back Case");
    const sets = [setOf(student, { clean: 10, misses: [], bestStreak: 10 }), setOf(student, { clean: 20 })];
    await server.post("/api/sets", { sets });
    const landings = async () => {
      const { body } = await server.get(`/api/students/${student}/load`);
      return (body as { landings: number }).landings;
    };
    const target = sets[0]?.id ?? "";
    const undo = () => decisionOf(student, { decision: { kind: "void", target }, reason: "" });
    const before = await landings();
    const twice = await server.post("/api/decisions", { decisions: [undo(), undo()] });
    expect(twice).toMatchObject({ status: 409, body: { errors: [{ item: 1, code: "taken-back" }] } });
    expect(await landings()).toBe(before);
    const once = undo();
    await decide(once);
    expect(await landings()).toBe(before - 10);
    const again = decisionOf(student, { decision: { kind: "void", target: once.id }, reason: "" });
    const refused = await server.post("/api/decisions", { decisions: [again] });
    expect(refused).toMatchObject({ status: 422, body: { errors: [{ code: "takes-back" }] } });
    expect(await landings()).toBe(before - 10);
  });

  it("are refused with a sentence, and nothing of the batch is stored", async () => {
    const student = await server.addStudent("Refused Case");
    const good = decisionOf(student);
    const refused = async (changes: Partial<DecisionRequest>) => {
      const bad = decisionOf(student, changes);
      const { status, body } = await server.post("/api/decisions", { decisions: [good, bad] });
      return [status, ((body as { errors?: { code: string }[] }).errors ?? [])[0]?.code];
    };
    expect(await refused({ reason: "  " })).toEqual([422, "no-reason"]);
    expect(await refused({ subject: "no-such-skill" })).toEqual([422, "unknown-subject"]);
    expect(await refused({ side: "whole" })).toEqual([422, "side-not-of-skill"]);
    expect(await refused({ studentId: uuid() })).toEqual([422, "unknown-student"]);
    expect(await refused({ decision: { kind: "void", target: uuid() } })).toEqual([422, "unknown-target"]);
    const gate = { kind: "clean", clean: 6, of: 5 } as const;
    expect((await refused({ decision: { kind: "override", gate }, side: "whole" }))[0]).toBe(400);
    expect((await standing(student, "cross", "left")).status).toBe("locked");
  });

  it("stand in the audit trail", async () => {
    const student = await server.addStudent("Audit Case");
    const clear = decisionOf(student);
    await decide(clear);
    await decide(decisionOf(student, { decision: { kind: "void", target: clear.id }, reason: "" }));
    const { items } = (await server.get("/api/audit")).body as { items: object[] };
    expect(items.slice(0, 2)).toMatchObject([
      { action: "took-back", whom: "Audit Case", about: "cross:left" },
      { action: "cleared", whom: "Audit Case", about: "cross:left" },
    ]);
  });
});
