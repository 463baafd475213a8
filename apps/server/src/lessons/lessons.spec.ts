import { afterAll, beforeAll, beforeEach, describe, expect, it } from "@jest/globals";
import type { DoneSide, GroupView, LessonPlace, LessonPlan, LessonView } from "@mirrup/contract";
import { doneSidesReply, lessonReply, lessonsReply } from "@mirrup/contract/schemas";
import { v7 as uuid } from "uuid";
import { decisionOf, lessonOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let first: string;
let second: string;
let group: GroupView;
beforeAll(async () => {
  server = await startTestApp();
  first = await server.addStudent("Fern Halloway");
  second = await server.addStudent("Moss Tarn");
});
afterAll(() => server.close());
beforeEach(async () => {
  const { body } = await server.post("/api/groups", { name: uuid(), members: [first, second] });
  group = body as GroupView;
});

const PLACE: LessonPlace = {
  station: 0,
  side: "whole",
  use: "frontier",
  drill: { kind: "streak", count: 8 },
  cautions: [],
  chance: 0.75,
  reason: { code: "new", opens: [] },
  pinned: false,
};

const PLAN: LessonPlan = {
  asked: {
    minutes: 60,
    turns: null,
    stations: 1,
    coaches: 1,
    helpers: [],
    floor: null,
    hardSkill: "late",
    bans: [],
    stationPins: [],
    seed: 1,
    missing: ["shoes"],
  },
  warmUpMinutes: 5,
  closeMinutes: 2,
  room: null,
  minutes: 13,
  useful: 6.5,
  sameForAll: 5,
  most: 9,
  rotations: [{ minutes: 7.5, stations: [{ subject: "basic-bounce", watchedBy: "coach" }] }],
};

async function add(changes: Parameters<typeof lessonOf>[0] = {}): Promise<LessonView> {
  const { status, body } = await server.post("/api/lessons", { lessons: [lessonOf(changes)] });
  expect([status, lessonsReply.validate(body).error]).toEqual([200, undefined]);
  const [lesson] = (body as { items: LessonView[] }).items;
  if (lesson === undefined) throw new Error("The lesson was not answered.");
  return lesson;
}
const patch = async (path: string, body: object) => {
  const answer = await server.owner.ask("PATCH", `/api/lessons/${path}`, body);
  return { status: answer.status, lesson: answer.body as LessonView, body: answer.body };
};

describe("a lesson", () => {
  it("expects whoever is in its group", async () => {
    const lesson = await add({ groupId: group.id });
    expect(lesson).toMatchObject({ plan: null, progress: null, finishedAt: null, version: 1 });
    expect(lesson.students.map((one) => [one.studentId, one.attendance]).sort()).toEqual(
      [first, second].map((id) => [id, "expected"]).sort(),
    );
  });

  it("does not expect who is archived, though they stay in the group", async () => {
    await server.sql("UPDATE student SET archived_at = now() WHERE id = $1", [second]);
    try {
      const { students } = await add({ groupId: group.id });
      expect(students.map((one) => one.studentId)).toEqual([first]);
    } finally {
      await server.sql("UPDATE student SET archived_at = NULL WHERE id = $1", [second]);
    }
  });

  it("is found by its day, in the order of the hours", async () => {
    const day = "2026-02-03";
    const late = await add({ day, startTime: "19:00" });
    const early = await add({ day, startTime: "08:30" });
    await add({ day: "2026-02-04" });
    const { body } = await server.get(`/api/lessons?from=${day}&to=${day}`);
    expect((body as { items: LessonView[] }).items.map((one) => one.id)).toEqual([early.id, late.id]);
  });

  it("sent twice is one lesson, as it was the first time", async () => {
    const lesson = lessonOf({ title: "Once" });
    await server.post("/api/lessons", { lessons: [lesson] });
    const { body } = await server.post("/api/lessons", { lessons: [{ ...lesson, title: "Twice" }] });
    expect(body).toMatchObject({ items: [{ id: lesson.id, title: "Once" }] });
  });

  it("keeps its plan, and what each student does in it", async () => {
    const { id } = await add({ groupId: group.id });
    const students = [
      { studentId: first, places: [PLACE] },
      { studentId: second, places: [null] },
    ];
    const { status, body } = await patch(id, { version: 1, plan: PLAN, students });
    expect([status, lessonReply.validate(body).error]).toEqual([200, undefined]);
    const read = (await server.get(`/api/lessons/${id}`)).body as LessonView;
    expect(read.plan).toEqual(PLAN);
    expect([...read.students].sort((one) => (one.studentId === first ? -1 : 1))).toEqual(
      students.map((one) => ({ ...one, attendance: "expected", ownRope: null })),
    );
    expect(read.version).toBe(2);
  });

  it("is not said by a plan who comes to, or who is in, not by an old device's either", async () => {
    const { id } = await add({ groupId: group.id });
    await patch(`${id}/run`, { attendance: { [first]: "late" } });
    const outsider = await server.addStudent("Outsider");
    const students = [first, outsider].map((studentId) => ({
      ...{ studentId, attendance: "expected", places: [PLACE] },
    }));
    const { status, lesson } = await patch(id, { version: 1, plan: PLAN, students });
    expect(status).toBe(200);
    const came = new Map(lesson.students.map((one) => [one.studentId, one]));
    expect([...came.keys()].sort()).toEqual([first, second].sort());
    expect(came.get(first)).toEqual({ studentId: first, attendance: "late", ownRope: null, places: [PLACE] });
    expect(came.get(second)).toMatchObject({ attendance: "expected", places: [] });
  });

  it("answers a stale change with the newer state, and loses neither", async () => {
    const { id } = await add();
    await patch(id, { version: 1, title: "By one coach" });
    const { status, body } = await patch(id, { version: 1, title: "By another" });
    expect([status, body]).toMatchObject([
      409,
      { type: "stale-change", current: { title: "By one coach", version: 2 } },
    ]);
  });

  it("goes back where a step is taken back, and is answered with the way it came", async () => {
    const { id } = await add();
    const began = (step: number) => ({ step, startedAt: `2026-06-01T17:1${step}:00.000Z`, minutes: 8 });
    const first = { ...began(1), skipped: [], trail: [began(0)] };
    const run = (body: object) => patch(`${id}/run`, body);
    await run({ progress: first });
    const second = { ...began(2), skipped: [], trail: [began(0), began(1)] };
    expect((await run({ progress: second })).lesson.progress).toEqual(second);
    const takesBack = second.startedAt;
    const back = (await run({ progress: first, takesBack })).body;
    expect(lessonReply.validate(back).error).toBeUndefined();
    expect(back).toMatchObject({ progress: { ...first, takenBack: [takesBack] } });
    // What was under way all the while comes after it.
    expect((await run({ progress: second })).lesson.progress?.step).toBe(1);
    expect((await run({ takesBack })).status).toBe(400);
  });

  it("takes every tap in the hall, whatever was planned meanwhile", async () => {
    const { id } = await add({ groupId: group.id });
    await patch(id, { version: 1, plan: PLAN });
    const { status, lesson } = await patch(`${id}/run`, { attendance: { [first]: "late" } });
    expect(status).toBe(200);
    expect(lesson.version).toBe(2);
    await patch(`${id}/run`, { attendance: { [second]: "absent" } });
    const visitor = await server.addStudent("Visitor");
    const step = { step: 1, startedAt: "2026-06-01T17:05:00.000Z", minutes: 7.5, skipped: [] };
    await patch(`${id}/run`, { attendance: { [visitor]: "present", [uuid()]: "present" }, progress: step });
    const read = (await patch(`${id}/run`, { finished: true })).lesson;
    const came = new Map(read.students.map((one) => [one.studentId, one.attendance]));
    expect([came.get(first), came.get(second), came.get(visitor), came.size]).toEqual([
      "late",
      "absent",
      "present",
      3,
    ]);
    expect(read.progress).toEqual(step);
    expect(read.finishedAt).not.toBeNull();
    expect((await patch(`${id}/run`, { finished: false, progress: null })).lesson).toMatchObject({
      progress: null,
      finishedAt: null,
    });
  });

  it("goes on by its steps, however the devices' clocks disagree", async () => {
    const { id } = await add({ groupId: group.id });
    await patch(id, { version: 1, plan: PLAN });
    const at = (step: number, time: string, minutes = 8) =>
      patch(`${id}/run`, { progress: { step, startedAt: `2026-06-01T${time}.000Z`, minutes, skipped: [] } });
    await at(0, "17:00:00");
    // A tablet whose clock is minutes ahead, and then one whose clock is right.
    await at(1, "17:19:00");
    expect((await at(2, "17:16:00")).lesson.progress?.step).toBe(2);
    // What was pressed before comes late; what two press at once counts from the first.
    expect((await at(1, "17:20:00")).lesson.progress?.step).toBe(2);
    expect((await at(2, "17:16:02", 5)).lesson.progress).toMatchObject({ minutes: 8 });
    expect((await at(2, "17:16:00", 11)).lesson.progress).toMatchObject({ step: 2, minutes: 11 });
  });

  it("is taken off, and can be put back", async () => {
    const lesson = lessonOf();
    await server.post("/api/lessons", { lessons: [lesson] });
    expect((await server.owner.ask("DELETE", `/api/lessons/${lesson.id}`)).status).toBe(200);
    expect(await server.get(`/api/lessons/${lesson.id}`)).toMatchObject({
      status: 404,
      body: { type: "unknown-lesson" },
    });
    await server.post("/api/lessons", { lessons: [lesson] });
    expect((await server.get(`/api/lessons/${lesson.id}`)).status).toBe(200);
  });

  it.each<[string, object]>([
    ["a day that is not in the calendar", { day: "2026-02-30" }],
    ["an hour that is none", { startTime: "25:00" }],
    ["too many minutes", { minutes: 241 }],
    ["no title", { title: "  " }],
  ])("with %s is refused, and nothing is stored", async (_what, changes) => {
    const bad = { ...lessonOf(), ...changes };
    const good = lessonOf();
    const { status, body } = await server.post("/api/lessons", { lessons: [good, bad] });
    expect([status, body]).toMatchObject([400, { type: "invalid-request" }]);
    expect((await server.get(`/api/lessons/${good.id}`)).status).toBe(404);
  });

  it("of a group or a student that is not there is refused whole", async () => {
    const good = lessonOf();
    const stranger = { studentId: uuid(), attendance: "expected", places: [] } as const;
    for (const bad of [lessonOf({ groupId: uuid() }), lessonOf({ students: [stranger] })]) {
      expect((await server.post("/api/lessons", { lessons: [good, bad] })).status).toBe(404);
      expect((await server.get(`/api/lessons/${good.id}`)).status).toBe(404);
    }
  });
});

describe("what was done in a lesson", () => {
  it("is the sets of its students on its day, without those that were taken back", async () => {
    const { id } = await add({ groupId: group.id, day: "2026-06-01" });
    const at = "2026-06-01T17:10:00.000Z";
    const wrong = setOf(first, { at, subject: "cross", side: "left" });
    const outsider = await server.addStudent("Outsider");
    await server.post("/api/sets", {
      sets: [
        setOf(first, { at, clean: 8, misses: [{ count: 2 }], bestStreak: 6 }),
        setOf(first, { at, clean: 5, misses: [], bestStreak: 5 }),
        wrong,
        // Half past eleven in the evening in London is still of the day.
        setOf(second, { at: "2026-06-01T22:30:00.000Z", bestStreak: 10 }),
        setOf(second, { at: "2026-06-01T23:30:00.000Z", subject: "side-straddle" }),
        setOf(outsider, { at }),
      ],
    });
    const decision = { kind: "void", target: wrong.id } as const;
    await server.post("/api/decisions", {
      decisions: [decisionOf(first, { decision, reason: "", at: "2026-06-02T08:00:00.000Z" })],
    });
    const { body } = await server.get(`/api/lessons/${id}/done`);
    expect(doneSidesReply.validate(body).error).toBeUndefined();
    const done = (body as { items: DoneSide[] }).items;
    const common = { subject: "basic-bounce", side: "whole" };
    expect(done).toHaveLength(2);
    expect(done).toEqual(
      expect.arrayContaining([
        { ...common, studentId: first, sets: 2, tries: 15, clean: 13, bestStreak: 6 },
        { ...common, studentId: second, sets: 1, tries: 10, clean: 10, bestStreak: 10 },
      ]),
    );
  });
});
