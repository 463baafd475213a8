import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { between, randomFrom, type Random } from "@mirrup/cohort";
import type { Attendance, GroupView, LessonPlan, LessonProgress, LessonView } from "@mirrup/contract";
import { ATTENDANCES } from "@mirrup/contract";
import { v7 as uuid } from "uuid";
import { noonZone } from "../testing/noon.js";
import { lessonOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let members: readonly string[];
let group: GroupView;
beforeAll(async () => {
  server = await startTestApp({ timeZone: noonZone() });
  members = await Promise.all(["Ash", "Birch", "Cedar", "Elder"].map((name) => server.addStudent(name)));
  group = (await server.post("/api/groups", { name: "Law", members })).body as GroupView;
});
afterAll(() => server.close());

const TURNS = 5;
const START = Date.parse("2026-06-01T17:00:00.000Z");

/** A plan whose turns can be told from those of any other. */
function planOf(random: Random): LessonPlan {
  const minutes = () => between(random, 300, 900) / 100;
  const asked = {
    ...{ minutes: 60, turns: null, stations: 1, coaches: 1, helpers: [], floor: null },
    ...{ hardSkill: "late" as const, bans: [], stationPins: [], seed: between(random, 0, 1e6), missing: [] },
  };
  return {
    ...{ asked, warmUpMinutes: 5, closeMinutes: 2, room: null },
    ...{ minutes: 13, useful: 6, sameForAll: 5, most: 9 },
    rotations: Array.from({ length: TURNS }, () => ({
      minutes: minutes(),
      stations: [{ subject: "basic-bounce", watchedBy: "coach" as const }],
    })),
  };
}

const stepAt = (step: number): LessonProgress => ({
  ...{ step, minutes: 7.5, skipped: [] },
  startedAt: new Date(START + step * 450_000).toISOString(),
});

describe("a lesson that several devices hold and plan at once", () => {
  it.each([1, 2, 3, 4, 5, 6])("loses no tap, no step and no turn that has begun (seed %i)", async (seed) => {
    const random = randomFrom(seed);
    const patch = async (path: string, body: object) => {
      const { status, body: answer } = await server.owner.ask("PATCH", `/api/lessons/${path}`, body);
      expect([200, 409]).toContain(status);
      return { status, lesson: answer as LessonView };
    };
    const made = lessonOf({ id: uuid(), groupId: group.id });
    await server.post("/api/lessons", { lessons: [made] });
    const read = async () => (await server.get(`/api/lessons/${made.id}`)).body as LessonView;
    const tapped = new Map<string, Attendance>(members.map((id) => [id, "expected"]));
    let step = -1;
    let begun: LessonPlan["rotations"] = [];
    let old = await read();
    for (let round = 0; round < 8; round += 1) {
      const now = await read();
      // One device has just read the lesson, the other has been away for a while.
      const known = random() < 0.6 ? now : old;
      const keeps = known.plan?.rotations.slice(0, known.progress?.step ?? 0) ?? [];
      const fresh = planOf(random);
      const plan = { ...fresh, rotations: [...keeps, ...fresh.rotations.slice(keeps.length)] };
      const students = known.students.map(({ studentId, attendance }) => ({
        ...{ studentId, attendance, places: plan.rotations.map(() => null) },
      }));
      const marks = members.flatMap((id) => {
        const mark = ATTENDANCES[between(random, 0, ATTENDANCES.length - 1)] ?? "late";
        return random() < 0.5 ? [[id, mark] as const] : [];
      });
      marks.forEach(([id, mark]) => tapped.set(id, mark));
      if (now.plan !== null && step < TURNS && random() < 0.6) step += 1;
      const late = between(random, 0, Math.max(0, step));
      await Promise.all([
        patch(made.id, { version: known.version, plan, students }),
        patch(`${made.id}/run`, { attendance: Object.fromEntries(marks) }),
        ...(step < 0 ? [] : [patch(`${made.id}/run`, { progress: stepAt(step) })]),
        // A device without a network says at last what was long over.
        ...(step < 0 ? [] : [patch(`${made.id}/run`, { progress: stepAt(late) })]),
      ]);
      old = now;
      const after = await read();
      expect(new Map(after.students.map((one) => [one.studentId, one.attendance]))).toEqual(tapped);
      expect(after.progress?.step ?? -1).toBe(step);
      expect(after.plan?.rotations.slice(0, begun.length) ?? []).toEqual(begun);
      begun = after.plan?.rotations.slice(0, Math.max(0, step)) ?? [];
    }
  });
});

describe("what is said in a hall", () => {
  it.each([1, 2, 3, 4])(
    "is what was said last, in whatever order it comes and however often (seed %i)",
    async (seed) => {
      const random = randomFrom(seed);
      const here = await Promise.all(["Fir", "Gorse", "Hazel"].map((name) => server.addStudent(name)));
      const students = here.map((studentId) => ({ studentId, attendance: "expected", places: [] }));
      const made = { ...lessonOf({ id: uuid() }), students };
      await server.post("/api/lessons", { lessons: [made] });
      const came = new Map<string, Attendance>(here.map((id) => [id, "expected"]));
      const ropes = new Map<string, boolean>();
      const stopped = new Map<string, boolean>();
      let isOver = false;
      const began = Date.now() - 60_000;
      const tellings = Array.from({ length: 24 }, (_, word) => {
        const at = new Date(began + word * 1000).toISOString();
        const id = here[between(random, 0, here.length - 1)] ?? "";
        const draw = random();
        if (draw < 0.5) {
          const mark = ATTENDANCES[between(random, 0, ATTENDANCES.length - 1)] ?? "late";
          came.set(id, mark);
          return () =>
            server.owner.ask("PATCH", `/api/lessons/${made.id}/run`, { at, attendance: { [id]: mark } });
        }
        if (draw < 0.65) {
          const has = random() < 0.5;
          ropes.set(id, has);
          return () =>
            server.owner.ask("PATCH", `/api/lessons/${made.id}/run`, { at, ownRopes: { [id]: has } });
        }
        if (draw < 0.75) {
          const finished = (isOver = random() < 0.5);
          return () => server.owner.ask("PATCH", `/api/lessons/${made.id}/run`, { at, finished });
        }
        const stops = random() < 0.5;
        stopped.set(id, stops);
        return () => server.owner.ask(stops ? "PUT" : "DELETE", `/api/students/${id}/stop`, { at });
      });
      const twice = [...tellings, ...tellings.filter(() => random() < 0.3)];
      const shuffled = twice.map((tell) => ({ tell, place: random() })).sort((a, b) => a.place - b.place);
      for (const two of [shuffled.slice(0, 12), shuffled.slice(12)]) {
        const answers = await Promise.all(two.map(({ tell }) => tell()));
        expect(answers.map(({ status }) => status)).toEqual(two.map(() => 200));
      }
      const lesson = (await server.get(`/api/lessons/${made.id}`)).body as LessonView;
      expect(new Map(lesson.students.map((one) => [one.studentId, one.attendance]))).toEqual(came);
      const brought = lesson.students.flatMap(({ studentId, ownRope = null }) =>
        ownRope === null ? [] : [[studentId, ownRope] as const],
      );
      expect(new Map(brought)).toEqual(ropes);
      expect(lesson.finishedAt !== null).toBe(isOver);
      for (const [id, stops] of stopped) {
        const { body } = await server.get(`/api/students/${id}`);
        expect((body as { readonly hasStopped: boolean }).hasStopped).toBe(stops);
      }
    },
  );
});
