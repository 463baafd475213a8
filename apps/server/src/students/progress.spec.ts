import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type {
  ClassProgressView,
  ProgressView,
  SetRequest,
  SideProgressView,
  StandingItem,
} from "@mirrup/contract";
import { DAY_MS } from "@mirrup/core";
import { HANDBOOK_MODEL, oddsOf } from "@mirrup/core/teaching";
import { v7 as uuid } from "uuid";
import { PracticeDayEntity } from "../standings/practice-day.entity.js";
import { rebuildAll } from "../standings/rebuild.js";
import { decisionOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

const NOON = Math.floor(Date.now() / DAY_MS) * DAY_MS - DAY_MS / 2;
const ago = (days: number) => new Date(NOON - days * DAY_MS).toISOString();
const dayAgo = (days: number) => ago(days).slice(0, 10);

async function send(...sets: readonly SetRequest[]): Promise<void> {
  expect((await server.post("/api/sets", { sets })).status).toBe(200);
}

const about = { subject: "basic-bounce", side: "whole" } as const;

async function decide(student: string, kind: "void" | "accept", target: string) {
  const decision = decisionOf(student, { ...about, decision: { kind, target }, reason: "" });
  const { status, body } = await server.post("/api/decisions", { decisions: [decision] });
  return { id: decision.id, status, body };
}

async function progress(student: string, query = ""): Promise<ProgressView> {
  return (await server.get(`/api/students/${student}/progress${query}`)).body as ProgressView;
}

async function standing(student: string): Promise<StandingItem | undefined> {
  const { items } = (await server.get(`/api/students/${student}/standings`)).body as {
    items: StandingItem[];
  };
  return items.find(({ subject }) => subject === about.subject);
}

describe("a student's progress", () => {
  it("tells what was done day by day, the weeks with their allowance, and what was cleared", async () => {
    const student = await server.addStudent("Progress Case");
    await send(
      setOf(student, { at: ago(3), clean: 40, bestStreak: 40, misses: [{ fault: "toes" }], said: 0.5 }),
      setOf(student, { at: ago(3), clean: 10, bestStreak: 10 }),
      setOf(student, { at: ago(1), subject: "cross", side: "left", clean: 4, bestStreak: 4 }),
    );
    const view = await progress(student);
    expect(view.days).toHaveLength(2);
    expect(view.days.find(({ day }) => day === dayAgo(3))).toMatchObject({
      ...about,
      ...{
        sets: 2,
        clean: 50,
        missed: 1,
        bestStreak: 40,
        faults: { toes: 1 },
        odds: { streak: { sets: 1, said: 0.5, came: 1 } },
      },
    });
    expect(view.cleared).toEqual([{ ...about, day: dayAgo(3), by: "gate" }]);
    const landings = view.weeks.reduce((sum, week) => sum + week.landings, 0);
    expect(landings).toBe(51 + 4 * 2);
    expect(view.weeks.length).toBeGreaterThanOrEqual(12);
  });

  it("is of the days that are asked for, and refuses what runs backwards or is longer than a year", async () => {
    const student = await server.addStudent("Period Case");
    await send(setOf(student, { at: ago(30) }), setOf(student, { at: ago(2) }));
    const days = async (query: string) => (await progress(student, query)).days.map(({ day }) => day);
    expect(await days(`?from=${dayAgo(30)}&to=${dayAgo(30)}`)).toEqual([dayAgo(30)]);
    expect(await days(`?from=${dayAgo(29)}&to=${dayAgo(3)}`)).toEqual([]);
    for (const query of [`?from=${dayAgo(1)}&to=${dayAgo(2)}`, `?from=${dayAgo(367)}&to=${dayAgo(0)}`]) {
      const { status, body } = await server.get(`/api/students/${student}/progress${query}`);
      expect(status).toBe(422);
      expect(JSON.stringify(body)).toMatch(/Turn the two days round|at most a year/);
    }
    expect((await server.get(`/api/students/${student}/progress?from=2026-02-30`)).status).toBe(400);
  });

  it("tells of one side its chance lesson by lesson, its rhythm and its misses", async () => {
    const student = await server.addStudent("Side Case");
    const side = { subject: "cross", side: "left" } as const;
    const read = async () =>
      (await server.get(`/api/students/${student}/progress/side?subject=cross&side=left`))
        .body as SideProgressView;
    expect(await read()).toMatchObject({ chances: [], rhythms: [], misses: [] });
    const ticks = [0.5, 1, 1.5, 2];
    await send(setOf(student, { ...side, at: ago(9), clean: 2, bestStreak: 2, misses: [{ count: 12 }] }));
    await send(setOf(student, { ...side, at: ago(5), clean: 20, bestStreak: 20, ticks }));
    const view = await read();
    expect(view.chances.map(({ at }) => at.slice(0, 10))).toEqual([
      ...[dayAgo(9), dayAgo(5)],
      new Date().toISOString().slice(0, 10),
    ]);
    const [first = 1, second = 0] = view.chances.map(({ chance }) => chance);
    expect(second).toBeGreaterThan(first + 0.2);
    expect(view.rhythms).toEqual([{ at: ago(5), evenness: 100, tempo: 120 }]);
    expect(view.misses).toEqual([{ count: 12 }]);
    const unknown = await server.get(`/api/students/${student}/progress/side?subject=nothing&side=left`);
    expect(unknown.status).toBe(422);
  });
});

describe("what a student counted alone", () => {
  const alone = (student: string, more: Partial<SetRequest> = {}) =>
    setOf(student, { countedBy: "student", clean: 60, bestStreak: 60, at: ago(2), ...more });

  it("is a hint until an instructor accepts it, counts in full then, and is a hint again when that is taken back", async () => {
    const student = await server.addStudent("Alone Case");
    const set = alone(student);
    await send(set);
    const hint = await standing(student);
    expect(hint).toMatchObject({ status: "ready", bestStreak: 0, gateBest: 0 });
    expect(hint?.cleanChance).toBeGreaterThan(0.8);
    expect((await progress(student)).days).toMatchObject([{ sets: 0, clean: 0, aloneClean: 60 }]);
    const accepted = await decide(student, "accept", set.id);
    expect(accepted.status).toBe(200);
    expect(await standing(student)).toMatchObject({ status: "cleared", bestStreak: 60 });
    expect((await progress(student)).days).toMatchObject([{ sets: 1, clean: 60, aloneClean: 0 }]);
    expect((await decide(student, "void", accepted.id)).status).toBe(200);
    const again = await standing(student);
    expect(again?.cleanChance).toBeCloseTo(hint?.cleanChance ?? 0, 6);
    expect({ ...again, cleanChance: 0 }).toEqual({ ...hint, cleanChance: 0 });
    expect((await progress(student)).days).toMatchObject([{ sets: 0, aloneClean: 60 }]);
  });

  it("is nothing that a side's course is told from: neither its rhythm nor its misses", async () => {
    const student = await server.addStudent("Course Case");
    const ticks = [0.5, 1, 1.5, 2];
    await send(alone(student, { clean: 4, bestStreak: 4, ticks, misses: [{ fault: "toes" }] }));
    const { body } = await server.get(
      `/api/students/${student}/progress/side?subject=basic-bounce&side=whole`,
    );
    expect(body).toMatchObject({ rhythms: [], misses: [] });
  });

  it("is accepted once, and only where it is a set of that student that stands", async () => {
    const student = await server.addStudent("Rules Case");
    const other = await server.addStudent("Other Case");
    const [set, gone, seen] = [alone(student), alone(student), setOf(student)];
    await send(set, gone, seen);
    await decide(student, "void", gone.id);
    expect(await decide(student, "accept", seen.id)).toMatchObject({ status: 422 });
    expect(await decide(other, "accept", set.id)).toMatchObject({ status: 422 });
    expect(await decide(student, "accept", gone.id)).toMatchObject({ status: 409 });
    expect(await decide(student, "accept", uuid())).toMatchObject({ status: 422 });
    expect(await decide(student, "accept", set.id)).toMatchObject({ status: 200 });
    expect(await decide(student, "accept", set.id)).toMatchObject({ status: 409 });
  });
});

describe("what is kept by day", () => {
  /** A small generator of its own, so that a history that fails can be had again. */
  function dice(seed: number) {
    let state = seed;
    return (sides: number) => {
      state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
      return Math.floor((state / 2_147_483_648) * sides);
    };
  }

  const kept = async (student: string) =>
    (
      await server.database.manager.find(PracticeDayEntity, {
        where: { studentId: student },
        order: { day: "ASC", subject: "ASC", side: "ASC" },
      })
    ).map(({ day, subject, side, sums }) => ({
      ...{ day, subject, side },
      ...sums,
      odds: Math.round(oddsOf(sums).said * 1e6),
      // As PostgreSQL keeps them, the keys stand in no order.
      faults: Object.entries(sums.faults).sort(),
      kinds: Object.entries(sums.kinds).sort(),
    }));

  it.each([1, 2, 3])(
    "is what the whole log comes to, whatever came late or was taken back (%d)",
    async (seed) => {
      const roll = dice(seed);
      const student = await server.addStudent(`History ${seed}`);
      const sent: string[] = [];
      const accepted: string[] = [];
      for (let step = 0; step < 30; step += 1) {
        const target = sent[roll(Math.max(1, sent.length))] ?? uuid();
        const what = roll(6);
        if (what === 0) await decide(student, "void", target);
        else if (what === 1) {
          const { id, status } = await decide(student, "accept", target);
          if (status === 200) accepted.push(id);
        } else if (what === 2 && accepted.length > 0) {
          await decide(student, "void", accepted[roll(accepted.length)] ?? uuid());
        } else {
          const clean = roll(30);
          const set = setOf(student, {
            ...{ at: new Date(NOON - roll(6 * 24) * 3_600_000).toISOString(), clean, bestStreak: clean },
            ...{ misses: roll(2) === 0 ? [] : [{ fault: "toes" as const }, { count: 1 + roll(3) }] },
            ...{ countedBy: roll(3) === 0 ? ("student" as const) : ("tapped" as const) },
            ...(roll(2) === 0 ? {} : { said: roll(100) / 100 }),
          });
          await send(set);
          sent.push(set.id);
        }
      }
      const before = { days: await kept(student), standing: await standing(student) };
      await rebuildAll(server.database);
      expect(await kept(student)).toEqual(before.days);
      const after = await standing(student);
      expect({ ...after, cleanChance: 0 }).toEqual({ ...before.standing, cleanChance: 0 });
      expect(after?.cleanChance).toBeCloseTo(before.standing?.cleanChance ?? -1, 6);
    },
  );
});

describe("a whole file that is taken back", () => {
  it("leaves no day of it, however many sets of a day and of many days one batch takes back", async () => {
    const student = await server.addStudent("File Case");
    const sets = Array.from({ length: 120 }, (_, at) => setOf(student, { at: ago(2 + (at % 12)) }));
    const stays = setOf(student, { at: ago(2), clean: 7, bestStreak: 7 });
    await send(...sets, stays);
    const decisions = sets.map(({ id }) =>
      decisionOf(student, { ...about, decision: { kind: "void", target: id }, reason: "" }),
    );
    expect((await server.post("/api/decisions", { decisions })).status).toBe(200);
    expect((await progress(student)).days).toMatchObject([{ day: dayAgo(2), sets: 1, clean: 7 }]);
  });
});

describe("a class's progress", () => {
  it("is of the group alone, with who needs looking at and why, and who came", async () => {
    const [ada, ben] = [await server.addStudent("Class Ada"), await server.addStudent("Class Ben")];
    const group = (await server.post("/api/groups", { name: "Progress" })).body as {
      readonly id: string;
    };
    for (const student of [ada, ben]) {
      const { status } = await server.owner.ask("PATCH", `/api/students/${student}`, {
        ...{ version: 1, groups: [group.id], goals: [{ subject: "cross", side: "left" }] },
      });
      expect(status).toBe(200);
    }
    const bounce = { clean: 9, bestStreak: 2, misses: [{ count: 6 }] };
    for (const days of [1, 2, 3, 4]) await send(setOf(ada, { at: ago(days), ...bounce }));
    const cross = { subject: "cross", at: ago(2) } as const;
    await send(
      setOf(ada, { ...cross, side: "left", clean: 2, bestStreak: 1, misses: [{ count: 20 }] }),
      setOf(ada, { ...cross, side: "right", clean: 14, bestStreak: 14 }),
    );
    const lesson = { id: uuid(), title: "Class", day: dayAgo(2), minutes: 60 };
    await server.post("/api/lessons", {
      lessons: [
        {
          ...lesson,
          students: [
            { studentId: ada, attendance: "late", places: [] },
            { studentId: ben, attendance: "absent", places: [] },
          ],
        },
      ],
    });
    const view = (await server.get(`/api/progress?group=${group.id}`)).body as ClassProgressView;
    expect(view.students.map(({ name }) => name).sort()).toEqual(["Class Ada", "Class Ben"]);
    const of = (student: string) => view.students.find(({ studentId }) => studentId === student);
    expect(of(ada)).toMatchObject({
      ...{ isAway: false, standsStill: true, days: 4, clean: 52, missed: 44, came: 1, missing: 0 },
      behind: { subject: "cross", weaker: "left" },
      heldUpBy: [{ subject: "basic-bounce", side: "whole" }],
    });
    expect(of(ben)).toMatchObject({
      ...{ lastAt: null, isAway: true, standsStill: false, came: 0, missing: 1, clean: 0 },
    });
    // Everybody's days as one.
    const both = view.days.filter(({ subject }) => subject === "basic-bounce");
    expect(both.map(({ clean }) => clean)).toEqual([9, 9, 9, 9]);
    expect((await server.get("/api/progress?from=2020-01-01&to=2026-01-01")).status).toBe(422);
  });

  it("says what the studio's own log made of the odds: nothing yet", async () => {
    const { body } = await server.get("/api/progress/refit");
    expect(body).toEqual({ version: 0, at: null, sets: 0, changed: [] });
    const model = { ...HANDBOOK_MODEL, version: 3, startMiss: { ...HANDBOOK_MODEL.startMiss, cross: 0.25 } };
    await server.sql("UPDATE studio SET model = $1, model_sets = 900, model_at = now()", [
      JSON.stringify(model),
    ]);
    expect((await server.get("/api/progress/refit")).body).toMatchObject({
      ...{ version: 3, sets: 900 },
      changed: [{ of: "startMiss", key: "cross", from: 0.5, to: 0.25 }],
    });
  });
});
