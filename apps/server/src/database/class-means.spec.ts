import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { LessonPlan, LessonView } from "@mirrup/contract";
import { lessonReply } from "@mirrup/contract/schemas";
import { v7 as uuid } from "uuid";
import { lessonOf, startTestApp, type TestApp } from "../testing/test-app.js";
import { ClassMeans1764900000000 } from "./migrations/1764900000000-class-means.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

const PLAN: LessonPlan = {
  asked: {
    ...{ minutes: 60, turns: null, stations: 1, coaches: 1, helpers: [], floor: null, hardSkill: "late" },
    ...{ bans: [], stationPins: [], seed: 1, missing: [] },
  },
  ...{ warmUpMinutes: 5, closeMinutes: 2, room: null, minutes: 6, useful: 3, sameForAll: 2, most: 4 },
  rotations: [{ minutes: 7, stations: [{ subject: "basic-bounce", watchedBy: "coach" }] }],
};

describe("plans of an older Mirrup, which only counted helpers and ropes", () => {
  it("are told one by one after the step up, and counted again after the step down", async () => {
    const rope = (many: number, lengthMm: number | null) => ({ kind: null, lengthMm, many });
    const asked = [
      {
        helpers: [{ mayLead: ["crosses" as const] }, { mayLead: [] }],
        ropes: [rope(6, 2400), rope(3, null)],
      },
      { helpers: [], ropes: null },
      { helpers: [{ mayLead: [] }] },
      { helpers: [], ropes: [] },
    ];
    const lessons = [...asked, null].map((means) =>
      lessonOf({ id: uuid(), plan: means === null ? null : { ...PLAN, asked: { ...PLAN.asked, ...means } } }),
    );
    expect((await server.post("/api/lessons", { lessons })).status).toBe(200);
    const stored = () =>
      Promise.all(
        lessons.map(async ({ id }) => {
          const sql = "SELECT plan -> 'asked' AS asked FROM lesson WHERE id = $1";
          const [row] = await server.database.query<{ asked: Record<string, unknown> | null }[]>(sql, [id]);
          return row?.asked === null || row === undefined ? null : [row.asked.helpers, row.asked.ropes];
        }),
      );
    const step = new ClassMeans1764900000000();
    const runner = server.database.createQueryRunner();
    await step.down(runner);
    expect(await stored()).toEqual([[2, 9], [0, null], [1, undefined], [0, 0], null]);
    await step.up(runner);
    await runner.release();
    const helper = { mayLead: [] };
    expect(await stored()).toEqual([
      [[helper, helper], [rope(9, null)]],
      [[], null],
      [[helper], undefined],
      [[], [rope(0, null)]],
      null,
    ]);
    for (const { id } of lessons) {
      const { status, body } = await server.get(`/api/lessons/${id}`);
      expect([status, lessonReply.validate(body as LessonView).error]).toEqual([200, undefined]);
    }
  });

  it("are taken from devices that still count", async () => {
    const id = uuid();
    const counted = { ...PLAN, asked: { ...PLAN.asked, helpers: 2, ropes: 5 } };
    expect(
      (await server.post("/api/lessons", { lessons: [{ ...lessonOf({ id }), plan: counted }] })).status,
    ).toBe(200);
    const { plan } = (await server.get(`/api/lessons/${id}`)).body as LessonView;
    expect(plan?.asked.helpers).toEqual([{ mayLead: [] }, { mayLead: [] }]);
    expect(plan?.asked.ropes).toEqual([{ kind: null, lengthMm: null, many: 5 }]);
    const hostile = [
      { helpers: -1 },
      { helpers: 1e9 },
      { ropes: 1.5 },
      { ropes: "all" },
      { helpers: [null] },
    ];
    for (const means of hostile) {
      const bad = { ...PLAN, asked: { ...PLAN.asked, ...means } };
      const lesson = { ...lessonOf({ id: uuid() }), plan: bad };
      expect((await server.post("/api/lessons", { lessons: [lesson] })).status).toBe(400);
    }
  });
});
