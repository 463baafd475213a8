import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { ClassStudentView, ClassWeeksView, GroupView, StudentDetail, WeeksView } from "@mirrup/contract";
import { classOptionsReply, classWeeksReply, planReply, weeksReply } from "@mirrup/contract/schemas";
import { CATALOGUE } from "@mirrup/catalogue";
import { comboKey, DAY_MS, scoreOf } from "@mirrup/core";
import { partsOfScore } from "@mirrup/core/combos";
import { planClass, type ClassAsked, type StudentPlan } from "@mirrup/core/planning";
import { comboOf, decisionOf, lessonOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let student: string;
beforeAll(async () => {
  server = await startTestApp();
  student = await server.addStudent("Fern Halloway");
  const bounce = setOf(student, { clean: 40, bestStreak: 40 });
  await server.post("/api/sets", { sets: [bounce] });
  const double = decisionOf(student, { subject: "double-under", side: "whole" });
  await server.post("/api/decisions", { decisions: [double] });
});
afterAll(() => server.close());

const inDays = (days: number) => new Date(Date.now() + days * DAY_MS).toISOString().slice(0, 10);

describe("one student's plan", () => {
  const plan = async (query: string) => {
    const { status, body } = await server.get(`/api/students/${student}/plan${query}`);
    expect([status, planReply.validate(body).error]).toEqual([200, undefined]);
    return body as StudentPlan;
  };

  it("fills the minutes by the record, within what is asked", async () => {
    const made = await plan("?minutes=30");
    expect(made.minutes).toBeLessThanOrEqual(30);
    expect(made.blocks.map((block) => block.phase)).toEqual(
      expect.arrayContaining(["warm-up", "main", "cool-down"]),
    );
    const main = made.blocks.find((block) => block.phase === "main");
    const side = `${main?.subject ?? ""}:${main?.side ?? ""}`;
    const without = await plan(`?minutes=30&ban=${side}`);
    expect(without.blocks.map((block) => `${block.subject}:${block.side}`)).not.toContain(side);
    expect(without.leftOut).toContainEqual({
      subject: main?.subject,
      side: main?.side,
      why: { code: "banned" },
    });
  });

  it("holds a combo that the studio keeps, once its skills are known", async () => {
    const parts = partsOfScore(CATALOGUE, scoreOf("o*2 (o o) o (o o) o*2"));
    const combo = comboOf({ name: "Two doubles", parts });
    await server.post("/api/combos", { combos: [combo] });
    const block = (await plan("?minutes=60")).blocks.find((one) => one.phase === "combo");
    expect(block).toMatchObject({
      ...{ subject: comboKey(combo.id), side: "whole" },
      reason: { code: "combo", combo: { id: combo.id, name: "Two doubles" } },
    });
    const without = await plan(`?minutes=60&ban=${comboKey(combo.id)}:whole`);
    expect(without.blocks.some((one) => one.subject === comboKey(combo.id))).toBe(false);
  });

  it("is empty after an early stop", async () => {
    const hurt = await server.addStudent("Sore Heel");
    await server.owner.ask("PUT", `/api/students/${hurt}/stop`, {});
    expect((await server.get(`/api/students/${hurt}/plan`)).body).toMatchObject({ blocks: [], minutes: 0 });
    await server.owner.ask("DELETE", `/api/students/${hurt}`);
  });

  it("lengthens a block by so many sets, and says what a ban costs", async () => {
    const usual = await plan("?minutes=90");
    const [worked] = usual.blocks.filter((block) => block.phase === "main");
    const key = `${worked?.subject ?? ""}:${worked?.side ?? ""}`;
    const setsOf = ({ blocks }: StudentPlan) =>
      blocks.find((block) => block.phase === "main" && block.subject === worked?.subject)?.sets;
    const [longer, longest] = [
      await plan(`?minutes=90&more=${key}:1`),
      await plan(`?minutes=90&more=${key}:2`),
    ];
    expect(setsOf(longest)).toBe((setsOf(longer) ?? 0) + 1);
    expect((await plan(`?minutes=90&ban=${key}`)).cost).toBeGreaterThan(0);
  });

  it("has no multiples the day after many for who still grows, and keeps what is asked for with a word", async () => {
    const child = await server.addStudent("Small Springs");
    const year = new Date().getUTCFullYear();
    await server.sql(`UPDATE student SET birth_year = ${year - 10} WHERE id = '${child}'`);
    const at = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString();
    const doubles = (days: number, clean: number) =>
      setOf(child, {
        ...{ subject: "double-under", side: "whole", drill: { kind: "streak", count: 15 } },
        ...{ clean, bestStreak: 5, misses: [{ count: 20 }], at: at(days) },
      });
    const bounce = setOf(child, {
      ...{ subject: "basic-bounce", side: "whole", drill: { kind: "streak", count: 30 } },
      ...{ clean: 60, bestStreak: 60, misses: [], at: at(1) },
    });
    const planOf = async (query: string) =>
      (await server.get(`/api/students/${child}/plan${query}`)).body as StudentPlan;
    await server.post("/api/sets", { sets: [bounce, doubles(1, 20)] });
    expect((await planOf("?minutes=45")).multiples).toBeGreaterThan(0);
    await server.post("/api/sets", { sets: [doubles(1, 30)] });
    const careful = await planOf("?minutes=45");
    expect(careful.multiples).toBe(0);
    expect(careful.notes).toContainEqual({ code: "rest-day" });
    const kept = await planOf("?minutes=45&pin=double-under:whole");
    const double = kept.blocks.find((block) => block.subject === "double-under");
    expect(double?.beyond).toContain("rest-day");
  });

  it("leaves out what nothing at hand makes safe", async () => {
    const careful = await plan("?minutes=90&missing=shoes");
    const multiples = (made: StudentPlan) => made.blocks.filter((block) => block.effort === "multiples");
    expect(multiples(careful)).toEqual([]);
    const refused = careful.leftOut.filter((one) => one.why.code === "missing");
    expect(refused.map((one) => one.why)).toContainEqual({ code: "missing", precaution: "shoes" });
    expect((await plan("?minutes=90")).leftOut.map((one) => one.why.code)).not.toContain("missing");
  });

  it.each([
    ...["?minutes=-5", "?minutes=soon", "?energy=wild", "?ban=everything"],
    ...["?missing=wings", "?more=cross:left"],
  ])("refuses %s", async (query) => {
    expect((await server.get(`/api/students/${student}/plan${query}`)).status).toBe(400);
  });
});

describe("what a class can do", () => {
  const optionsOf = async (names: readonly string[], query = "") => {
    const students = names.map((studentId) => ({ studentId, attendance: "expected" as const, places: [] }));
    const lesson = lessonOf({ students });
    await server.post("/api/lessons", { lessons: [lesson] });
    const { status, body } = await server.get(`/api/lessons/${lesson.id}/options${query}`);
    expect([status, classOptionsReply.validate(body).error]).toEqual([200, undefined]);
    return (body as { items: ClassStudentView[] }).items;
  };

  it("is enough to plan it from, whoever of the studio is in the lesson", async () => {
    const other = await server.addStudent("Moss Tarn");
    await server.addStudent("Not In It");
    await server.owner.ask("PUT", `/api/students/${other}/stop`, {});
    const students = await optionsOf([student, other]);
    expect(students.map((one) => [one.name, one.hasStopped])).toEqual([
      ["Fern Halloway", false],
      ["Moss Tarn", true],
    ]);
    const asked: ClassAsked = {
      ...{ minutes: 45, turns: null, stations: 2, coaches: 1, helpers: [], floor: null, seed: 1 },
      ...{ hardSkill: "late", bans: [], stationPins: [], placePins: [] },
    };
    const plan = planClass(asked, students);
    expect(plan.faults).toEqual([]);
    for (const one of plan.students) expect(one.places).not.toContain(null);
  });

  it("is without what nothing at hand makes safe", async () => {
    const multiples = async (query: string) => {
      const [one] = await optionsOf([student], query);
      return one?.options.filter((option) => option.effort === "multiples") ?? [];
    };
    expect((await multiples("")).length).toBeGreaterThan(0);
    expect(await multiples("?missing=shoes&missing=surface")).toEqual([]);
  });
});

describe("the weeks toward a date", () => {
  const weeks = async (query: string) => {
    const { status, body } = await server.get(`/api/students/${student}/weeks${query}`);
    expect([status, weeksReply.validate(body).error]).toEqual([200, undefined]);
    return body as WeeksView;
  };

  it("spread the tries to a goal over the lessons, and say whether it is enough", async () => {
    const near = await weeks(`?until=${inDays(8)}&goal=triple-under:whole&perWeek=1`);
    expect(near.outlook).toBe("not-by-then");
    expect(near.lessonsNeeded.expected).toBeGreaterThan(near.weeks.length);
    expect(near.chance).toBeLessThan(0.75);
    const nearer = near.gives.find((give) => give.code === "later");
    if (nearer !== undefined) {
      const later = await weeks(`?until=${nearer.until}&goal=triple-under:whole&perWeek=1`);
      expect(later.chance).toBeCloseTo(nearer.chance, 6);
    }
    const far = await weeks(`?until=${inDays(700)}&goal=side-straddle:whole&perWeek=3&tries=200`);
    expect(far.gives).toEqual([]);
    expect(far).toMatchObject({ outlook: "likely", lessonsAWeek: 3, triesALesson: 200 });
    expect(far.reached.map((one) => one.subject)).toContain("side-straddle");
  });

  it("take the lessons from the days of the student's groups", async () => {
    await server.post("/api/groups", { name: "Tuesdays", weekday: 2, members: [student] });
    await server.post("/api/groups", { name: "Fridays", weekday: 5, members: [student] });
    expect((await weeks(`?until=${inDays(28)}`)).lessonsAWeek).toBe(2);
  });

  it("have nothing to do for somebody without a goal", async () => {
    expect(await weeks(`?until=${inDays(28)}`)).toMatchObject({ goals: [], outlook: "there", reached: [] });
  });

  it("start from the student's own goals", async () => {
    const { version } = (await server.get(`/api/students/${student}/detail`)).body as StudentDetail;
    const goals = [{ subject: "cross", side: "both" }];
    await server.owner.ask("PATCH", `/api/students/${student}`, { version, goals });
    const plan = await weeks(`?until=${inDays(28)}`);
    expect(plan.goals).toEqual(goals);
    expect(plan.weeks.flatMap((week) => week.work).length).toBeGreaterThan(0);
  });

  it.each([
    [() => inDays(0), 422],
    [() => inDays(-30), 422],
    [() => inDays(1000), 422],
    [() => "2026-02-30", 400],
    [() => "soon", 400],
  ])("refuse a date that cannot be planned to", async (until, expected) => {
    const { status, body } = await server.get(`/api/students/${student}/weeks?until=${until()}`);
    expect(status).toBe(expected);
    expect((body as { detail: string }).detail).not.toBe("");
  });
});

describe("a group's weeks toward a show", () => {
  let group: string;
  let novice: string;
  beforeAll(async () => {
    novice = await server.addStudent("Hazel Ostler");
    const made = { name: "Showers", weekday: 3, members: [student, novice] };
    group = ((await server.post("/api/groups", made)).body as GroupView).id;
  });
  const weeks = async (query: string) => {
    const { status, body } = await server.get(`/api/groups/${group}/weeks${query}`);
    expect([status, classWeeksReply.validate(body).error]).toEqual([200, undefined]);
    return body as ClassWeeksView;
  };

  it("are each student's own weeks to the same goals, on the group's day", async () => {
    const asked = `?until=${inDays(60)}&goal=cross:both&goal=double-under:whole`;
    const view = await weeks(`${asked}&tries=50`);
    expect(view.lessonsAWeek).toBe(1);
    expect(view.students.map((one) => one.studentId).sort()).toEqual([student, novice].sort());
    for (const { studentId, chance, outlook } of view.students) {
      const own = (await server.get(`/api/students/${studentId}/weeks${asked}&perWeek=1&tries=50`))
        .body as WeeksView;
      // The same number of lessons on another day of the week.
      expect(Math.abs(own.chance - chance)).toBeLessThan(0.15);
      expect([own.outlook === "there", outlook === "there"]).not.toEqual([true, false]);
    }
    const met = view.weeks
      .flatMap((week) => week.lessons)
      .map((day) => new Date(`${day}T12:00:00Z`).getUTCDay());
    expect(new Set(met)).toEqual(new Set([3]));
    expect(view.weeks[0]?.work.length).toBeGreaterThan(0);
  });

  it("say what would have to give, and that is so", async () => {
    const view = await weeks(`?until=${inDays(20)}&goal=double-under:whole&tries=40`);
    for (const give of view.gives) {
      const then =
        give.code === "lessons"
          ? await weeks(`?until=${inDays(20)}&goal=double-under:whole&tries=40&perWeek=${give.aWeek}`)
          : await weeks(`?until=${give.until}&goal=double-under:whole&tries=40`);
      expect([then.likely, then.gives]).toEqual([give.likely, []]);
    }
  });

  it.each([
    ["", 400],
    [`?until=${inDays(30)}`, 400],
    [`?until=${inDays(-3)}&goal=cross:both`, 422],
    [`?until=${inDays(30)}&goal=wings:both`, 422],
  ])("refuse %s", async (query, expected) => {
    expect((await server.get(`/api/groups/${group}/weeks${query}`)).status).toBe(expected);
  });

  it("are of a group that there is", async () => {
    const path = `/api/groups/${crypto.randomUUID()}/weeks?until=${inDays(30)}&goal=cross:both`;
    expect((await server.get(path)).status).toBe(404);
  });
});
