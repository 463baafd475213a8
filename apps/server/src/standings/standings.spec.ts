import { CATALOGUE } from "@mirrup/catalogue";
import {
  nextReply,
  standingsReply,
  studentReply,
  studentsReply,
  studioReply,
} from "@mirrup/contract/schemas";
import type { SetRequest } from "@mirrup/contract";
import { sidesOf } from "@mirrup/core";
import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { Schema } from "joi";
import { v7 as uuid } from "uuid";
import { historyOf } from "../demo/history.js";
import { setOf, startTestApp, type TestApp } from "../testing/test-app.js";
import { rebuildAll } from "./rebuild.js";
import { StandingEntity } from "./standing.entity.js";

let server: TestApp;
let student: string;

beforeAll(async () => {
  server = await startTestApp();
  student = await server.addStudent("Noor Fairley");
  const record = "basic-bounce 60; side-swing r12 l7; cross r16 l9; double-under 17; open-cross-double r2";
  const profile = {
    name: "",
    strongerSide: "right" as const,
    weeks: 6,
    lessonsAWeek: 2,
    lastSeenDays: 1,
    record,
  };
  const sets = historyOf(profile, student, 7, new Date(), "Europe/London");
  expect((await server.post("/api/sets", { sets })).status).toBe(200);
});
afterAll(() => server.close());

async function read(path: string, schema: Schema) {
  const { status, body } = await server.get(path);
  expect(status).toBe(200);
  expect(schema.validate(body).error).toBeUndefined();
  return body as { items: Record<string, unknown>[] };
}

describe("reading a student", () => {
  it("answers as the contract says", async () => {
    await read("/api/studio", studioReply);
    await read(`/api/students/${student}`, studentReply);
    expect((await read("/api/students", studentsReply)).items).toHaveLength(1);
    const { items } = await read(`/api/students/${student}/standings`, standingsReply);
    expect(items).toHaveLength([...CATALOGUE.skills.values()].flatMap(sidesOf).length);
  });

  it("tells each side's status and what is unmet", async () => {
    const { items } = await read(`/api/students/${student}/standings`, standingsReply);
    const of = (subject: string, side: string) =>
      items.find((one) => one.subject === subject && one.side === side);
    expect(of("cross", "right")).toMatchObject({ status: "rusty", bestStreak: 16, unmet: [] });
    expect(of("cross", "left")).toMatchObject({ status: "working", bestStreak: 9 });
    expect(of("side-swing-cross", "left")).toMatchObject({
      status: "locked",
      unmet: [
        {
          subject: "side-swing",
          side: "left",
          need: 10,
          have: 7,
          short: 3,
          gate: { kind: "streak", count: 10 },
        },
        { subject: "cross", side: "left", need: 15, have: 9, short: 6, gate: { kind: "streak", count: 15 } },
      ],
    });
  });

  it("proposes drills in order, each with a reason", async () => {
    const { items } = await read(`/api/students/${student}/next`, nextReply);
    expect(items[0]).toMatchObject({ reason: { code: "other-side", cleared: "right" } });
    expect(items.map((one) => one.subject)).not.toContain("basic-bounce");
  });

  it("answers 404 for a stranger and 400 for what is no id", async () => {
    expect(await server.get(`/api/students/${uuid()}/next`)).toMatchObject({
      status: 404,
      body: { type: "unknown-student", detail: expect.stringMatching(/list of students/) },
    });
    expect((await server.get("/api/students/nobody/standings")).status).toBe(400);
    expect((await server.get("/api/nowhere")).status).toBe(404);
  });
});

describe("the kept facts", () => {
  it("agree with a rebuild: exactly on integers, to 1e-9 on sums", async () => {
    // Each comes before what its sides hold: on its own side, and as a review of what it needs.
    const early = (subject: string, side: SetRequest["side"], at: string) =>
      setOf(student, { subject, side, at, clean: 25, bestStreak: 20, misses: [{ count: 3 }] });
    for (const late of [
      early("basic-bounce", "whole", "2026-01-05T10:00:00.000Z"),
      early("cross", "right", "2026-01-16T10:00:00.000Z"),
      early("held-cross", "right", "2026-01-26T10:00:00.000Z"),
      early("basic-bounce", "whole", "2026-01-06T10:00:00.000Z"),
    ]) {
      expect((await server.post("/api/sets", { sets: [late] })).status).toBe(200);
    }
    const rows = () =>
      server.database.manager.find(StandingEntity, {
        order: { studentId: "ASC", subject: "ASC", side: "ASC" },
      });
    const kept = await rows();
    await rebuildAll(server.database);
    const rebuilt = await rows();
    expect(rebuilt).toHaveLength(kept.length);
    kept.forEach((row, index) => {
      const again = rebuilt[index];
      const { clean, missed, ...exact } = row;
      expect(again).toMatchObject(exact);
      expect(Math.abs((again?.clean ?? NaN) - clean)).toBeLessThanOrEqual(1e-9 * clean);
      expect(Math.abs((again?.missed ?? NaN) - missed)).toBeLessThanOrEqual(1e-9 * missed);
    });
  });
});

describe("under foundation first", () => {
  const jumps = [
    ["basic-bounce", "whole"],
    ["run-step", "whole"],
    ["single-leg-hop", "left"],
    ["single-leg-hop", "right"],
    ["high-knees", "whole"],
  ] as const;

  it("asks the base test before any multiple, in one lesson with two misses at most", async () => {
    await server.sql("UPDATE studio SET school = 'foundation-first'");
    const someone = await server.addStudent("Base First");
    const jump = (hour: number, misses: number) =>
      jumps.map(([subject, side], part) =>
        setOf(someone, {
          subject,
          side,
          clean: 100,
          bestStreak: 100,
          misses: part === 0 && misses > 0 ? [{ count: misses }] : [],
          at: new Date(Date.now() - hour * 3_600_000).toISOString(),
        }),
      );
    const unmet = async () => {
      const { items } = await read(`/api/students/${someone}/standings`, standingsReply);
      const double = items.find((one) => one.subject === "double-under") as { unmet: { subject: string }[] };
      return double.unmet.map((one) => one.subject);
    };
    expect(await unmet()).toEqual(["basic-bounce", "base-test"]);
    await server.post("/api/sets", { sets: jump(72, 3) });
    expect(await unmet()).toEqual(["base-test"]);
    await server.post("/api/sets", { sets: jump(24, 2) });
    expect(await unmet()).toEqual([]);
    await server.sql("UPDATE studio SET school = 'quick-frontier'");
  });

  it("adds up the runs of a growing jumper to a gate of many multiples, as the studio has it set", async () => {
    await server.sql("UPDATE studio SET school = 'foundation-first'");
    const [child, grown] = [await server.addStudent("Still Small"), await server.addStudent("Long Grown")];
    const year = new Date().getUTCFullYear();
    await server.sql(`UPDATE student SET birth_year = ${year - 10} WHERE id = '${child}'`);
    await server.sql(`UPDATE student SET birth_year = ${year - 30} WHERE id = '${grown}'`);
    const runs = (someone: string) =>
      setOf(someone, {
        ...{ subject: "double-under", side: "whole", drill: { kind: "streak", count: 50 } },
        ...{ clean: 55, bestStreak: 30, misses: [{ position: 31 }] },
        at: new Date(Date.now() - 3_600_000).toISOString(),
      });
    expect((await server.post("/api/sets", { sets: [runs(child), runs(grown)] })).status).toBe(200);
    const doubleOf = async (someone: string) => {
      const { items } = await read(`/api/students/${someone}/standings`, standingsReply);
      return items.find((one) => one.subject === "double-under");
    };
    expect(await doubleOf(child)).toMatchObject({ gateBest: 55, bestStreak: 30, clearedBy: "gate" });
    expect(await doubleOf(grown)).toMatchObject({ gateBest: 30, clearedBy: null });
    await server.sql(`UPDATE studio SET settings = '{"growing-runs":"one-run"}'`);
    expect(await doubleOf(child)).toMatchObject({ gateBest: 30, clearedBy: null });
    await server.sql("UPDATE studio SET school = 'quick-frontier', settings = '{}'");
  });
});
