import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { ClassStudentView, Items, LessonView, StudentPair } from "@mirrup/contract";
import { classOptionsReply, pairsReply } from "@mirrup/contract/schemas";
import { between, randomFrom } from "@mirrup/cohort";
import { v7 as uuid } from "uuid";
import { lessonOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let ids: readonly string[];
beforeAll(async () => {
  server = await startTestApp();
  ids = await Promise.all(["Ash", "Birch", "Cedar", "Elder"].map((name) => server.addStudent(name)));
});
afterAll(() => server.close());

const say = (students: readonly unknown[], wish: unknown) =>
  server.owner.ask("PUT", "/api/pairs", { students, wish });
const pairs = async () => {
  const { status, body } = await server.get("/api/pairs");
  expect([status, pairsReply.validate(body).error]).toEqual([200, undefined]);
  return (body as Items<StudentPair>).items;
};

describe("pairs that are to be apart or together", () => {
  it("are what was said of them last, whoever is named first, and nothing where that is taken back", async () => {
    const random = randomFrom(11);
    const known = new Map<string, string>();
    for (let round = 0; round < 30; round += 1) {
      const one = between(random, 0, ids.length - 1);
      const other = (one + between(random, 1, ids.length - 1)) % ids.length;
      const wish = ([null, "apart", "together"] as const)[between(random, 0, 2)] ?? null;
      const pair = [ids[one], ids[other]];
      const key = [...pair].sort().join(" ");
      if (wish === null) known.delete(key);
      else known.set(key, wish);
      expect((await say(pair, wish)).status).toBe(200);
      const now = await pairs();
      expect(new Map(now.map((each) => [[...each.students].sort().join(" "), each.wish]))).toEqual(known);
      expect(now).toHaveLength(known.size);
    }
  });

  it("are one pair when two devices say it at once", async () => {
    const [one, other] = ids;
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, time) =>
        say(time % 2 === 0 ? [one, other] : [other, one], time % 3 === 0 ? "apart" : "together"),
      ),
    );
    expect(new Set(answers.map((answer) => answer.status))).toEqual(new Set([200]));
    const same = (await pairs()).filter((pair) => pair.students.every((id) => id === one || id === other));
    expect(same).toHaveLength(1);
  });

  it("tell a class plan of its students", async () => {
    const names = ["Hazel", "Juniper", "Larch"];
    const [one = "", other = "", third = ""] = await Promise.all(
      names.map((name) => server.addStudent(name)),
    );
    await say([one, other], "apart");
    await say([third, one], "together");
    const lesson = lessonOf({
      id: uuid(),
      students: [one, other, third].map((studentId) => ({ studentId, attendance: "expected", places: [] })),
    });
    await server.post("/api/lessons", { lessons: [lesson] });
    const { body } = await server.get(`/api/lessons/${lesson.id}/options`);
    expect(classOptionsReply.validate(body).error).toBeUndefined();
    const first = (body as Items<ClassStudentView>).items.find((student) => student.id === one);
    expect(first).toMatchObject({ apart: [other], together: [third], hasOwnRope: false, ropeMm: null });
  });

  it("are refused of one alone, of somebody unknown, and of a wish that is none", async () => {
    const [one = "", other = ""] = ids;
    expect((await say([one, one], "apart")).status).toBe(400);
    expect((await say([one], "apart")).status).toBe(400);
    expect((await say([one, other], "friends")).status).toBe(400);
    expect((await say([one, uuid()], "apart")).status).toBe(404);
  });

  it("leave nothing behind of a student who was deleted", async () => {
    const gone = await server.addStudent("Fir");
    const [one = ""] = ids;
    expect((await say([gone, one], "apart")).status).toBe(200);
    const { status } = await server.owner.ask("DELETE", `/api/students/${gone}`);
    expect(status).toBe(200);
    expect((await pairs()).flatMap((pair) => pair.students)).not.toContain(gone);
    expect((await say([gone, one], "apart")).status).toBe(410);
  });
});

describe("a pair of whom one is deleted while it is said", () => {
  it.each([1, 2, 3, 4])(
    "is stored and gone with them, or refused, and no fault of Mirrup's (%i)",
    async () => {
      const gone = await server.addStudent("Rowan");
      const [one = ""] = ids;
      const answers = await Promise.all([
        ...Array.from({ length: 6 }, () => say([one, gone], "together")),
        server.owner.ask("DELETE", `/api/students/${gone}`),
        ...Array.from({ length: 6 }, () => say([gone, one], "apart")),
      ]);
      for (const { status } of answers) expect([200, 404, 410]).toContain(status);
      expect((await pairs()).flatMap((pair) => pair.students)).not.toContain(gone);
    },
  );
});

describe("a rope that somebody has along", () => {
  it("is as the hall said last, whatever a plan or another mark says after it", async () => {
    const [one = "", other = ""] = ids;
    const id = uuid();
    const students = [one].map((studentId) => ({ studentId, attendance: "expected" as const, places: [] }));
    await server.post("/api/lessons", { lessons: [lessonOf({ id, students })] });
    const run = (body: object) => server.owner.ask("PATCH", `/api/lessons/${id}/run`, body);
    const ropeOf = async (student: string) => {
      const { students: all } = (await server.get(`/api/lessons/${id}`)).body as LessonView;
      return all.find((each) => each.studentId === student);
    };
    expect(await ropeOf(one)).toMatchObject({ ownRope: null });
    await run({ ownRopes: { [one]: true, [other]: false } });
    await run({ attendance: { [one]: "late" } });
    const { version } = (await server.get(`/api/lessons/${id}`)).body as LessonView;
    const planned = [{ studentId: one, places: [null], attendance: "absent", ownRope: false }];
    expect(
      (await server.owner.ask("PATCH", `/api/lessons/${id}`, { version, students: planned })).status,
    ).toBe(200);
    expect(await ropeOf(one)).toMatchObject({ ownRope: true, attendance: "late", places: [null] });
    expect(await ropeOf(other)).toMatchObject({ ownRope: false, attendance: "expected" });
    await run({ ownRopes: { [one]: false } });
    expect(await ropeOf(one)).toMatchObject({ ownRope: false, attendance: "late" });
  });
});
