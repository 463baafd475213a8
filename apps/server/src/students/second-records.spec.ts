import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type {
  ArchivedStudent,
  DecisionView,
  GroupView,
  HomePracticeView,
  Items,
  JumpMeasure,
  LessonView,
  NewHomeLink,
  SetView,
  StandingItem,
  StudentDetail,
  StudentView,
} from "@mirrup/contract";
import { DAY_MS } from "@mirrup/core";
import { v7 as uuid } from "uuid";
import { broughtOverReply } from "@mirrup/contract/schemas";
import { decisionOf, lessonOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

/** One moment for all, so that two histories that are the same are of the same times. */
const NOW = Date.now();
const ago = (days: number) => new Date(NOW - days * DAY_MS).toISOString();
const ask = (method: string, path: string, body?: object) => server.owner.ask(method, `/api/${path}`, body);

async function ok<T>(answer: Promise<{ readonly status: number; readonly body: unknown }>): Promise<T> {
  const { status, body } = await answer;
  expect({ status, body }).toMatchObject({ status: 200 });
  return body as T;
}
const itemsOf = async <T>(path: string) => (await ok<Items<T>>(ask("GET", path))).items;
const send = (...sets: readonly ReturnType<typeof setOf>[]) => ok(ask("POST", "sets", { sets }));
const together = (kept: string, id: string) => ask("POST", `students/${kept}/second-records`, { id });
const apart = (kept: string, id: string) => ask("DELETE", `students/${kept}/second-records/${id}`);
const detail = (id: string) => ok<StudentDetail>(ask("GET", `students/${id}/detail`));
/** Where somebody stands, without the chances, which fade while one is asked after the other. */
const standings = async (id: string) =>
  (await itemsOf<StandingItem>(`students/${id}/standings`)).map(
    ({ subject, side, status, bestStreak }) => `${subject} ${side} ${status} ${bestStreak}`,
  );
const setsOf = async (id: string) =>
  (await server.sql<{ readonly id: string }>("SELECT id FROM practice_set WHERE student_id = $1", [id])).map(
    (row) => row.id,
  );

/** Sets of several days and sides, said of whoever is asked for. */
const history = (student: string, from: number) =>
  [0, 1, 2, 3].flatMap((lesson) => [
    setOf(student, { at: ago(from - lesson), clean: 30 + lesson, bestStreak: 30 + lesson }),
    setOf(student, {
      at: ago(from - lesson - 0.01),
      subject: "side-swing",
      side: "left",
      clean: 12,
      bestStreak: 12,
    }),
  ]);

/** Two records of one child, each with its own days. */
async function twins() {
  const [kept, second] = [await server.addStudent("Wren Ash"), await server.addStudent("Wren A.")];
  await send(...history(kept, 30));
  await send(...history(second, 28.5));
  return { kept, second };
}

describe("two records of one child", () => {
  it("stand, brought together, where one record with all that was said would stand", async () => {
    const { kept, second } = await twins();
    const override = { kind: "override", gate: { kind: "streak", count: 9 } } as const;
    const decide = (id: string) =>
      ok(
        ask("POST", "decisions", {
          decisions: [
            decisionOf(id, { subject: "cross", side: "whole", decision: override, at: ago(2) }),
            decisionOf(id, { subject: "skier", side: "whole", at: ago(1) }),
          ],
        }),
      );
    await decide(second);
    const one = await server.addStudent("Wren in one");
    await send(...history(one, 30), ...history(one, 28.5));
    await decide(one);
    const reply = await ok(together(kept, second));
    expect(broughtOverReply.validate(reply)).toEqual({ value: { sets: 8, decisions: 2 } });
    expect(await standings(kept)).toEqual(await standings(one));
    expect((await detail(kept)).gates).toEqual((await detail(one)).gates);
    const glance = async (id: string) => {
      const { id: _id, name: _name, ...rest } = await ok<StudentView>(ask("GET", `students/${id}`));
      return { ...rest, next: rest.next?.subject };
    };
    expect(await glance(kept)).toEqual(await glance(one));
    const load = (id: string) => ok(ask("GET", `students/${id}/load`));
    expect(await load(kept)).toEqual(await load(one));
  });

  it("are one in every list, and the second says of which it is a part", async () => {
    const { kept, second } = await twins();
    const untouched = await server.addStudent("Untouched");
    await ok(together(kept, second));
    expect(await detail(second)).toMatchObject({ archived: true, sameAs: kept });
    expect(await detail(kept)).toMatchObject({ archived: false, sameAs: null });
    const present = (await itemsOf<StudentView>("students")).map(({ id }) => id);
    expect([kept, second, untouched].map((id) => present.includes(id))).toEqual([true, false, true]);
    const archived = await itemsOf<ArchivedStudent>("students/archived");
    expect(archived.find(({ id }) => id === second)?.sameAs).toBe(kept);
    expect(await setsOf(second)).toEqual([]);
    expect((await standings(second)).filter((one) => !one.endsWith(" 0"))).toEqual([]);
  });

  it("come as long as either did", async () => {
    const { kept, second } = await twins();
    const archive = (id: string) => ok(ask("PATCH", `students/${id}`, { version: 1, archived: true }));
    await archive(kept);
    await ok(together(kept, second));
    expect(await detail(kept)).toMatchObject({ archived: false });
    const gone = await twins();
    await archive(gone.kept);
    await archive(gone.second);
    await ok(together(gone.kept, gone.second));
    expect(await detail(gone.kept)).toMatchObject({ archived: true });
  });

  it("have the groups, the cautions and what is known of either", async () => {
    const { kept, second } = await twins();
    const groups = await Promise.all(
      ["One", "Two"].map((name) =>
        ok<GroupView>(ask("POST", "groups", { name, weekday: 1, startTime: "17:30", place: "" })),
      ),
    );
    const [first, other] = groups.map(({ id }) => id);
    await ok(
      ask("PATCH", `students/${kept}`, {
        version: 1,
        heightMm: 1400,
        cautions: ["surface"],
        groups: [first],
      }),
    );
    await ok(
      ask("PATCH", `students/${second}`, {
        ...{ version: 1, heightMm: 1450, birthYear: 2015, ropeLengthMm: 2300 },
        ...{ cautions: ["surface", "shoes"], groups: [other] },
      }),
    );
    await ok(together(kept, second));
    const one = await detail(kept);
    expect(one).toMatchObject({ heightMm: 1400, birthYear: 2015, ropeLengthMm: 2300 });
    expect([[...one.groups].sort(), one.cautions]).toEqual([[first, other].sort(), ["surface", "shoes"]]);
  });
});

describe("what a tablet that was away says of the second record", () => {
  it("is about the child: sets, what is taken back of them, notes, jumps, and above all an early stop", async () => {
    const { kept, second } = await twins();
    const [before] = history(second, 28.5);
    const early = setOf(second, { at: ago(5), clean: 44, bestStreak: 44 });
    await send(early);
    await ok(together(kept, second));
    const late = setOf(second, { at: ago(4), clean: 51, bestStreak: 51 });
    await send(late);
    // Sent again, as whoever lost the answer does.
    expect(await send(late, early)).toMatchObject({ stored: [], alreadyStored: [late.id, early.id] });
    expect(await setsOf(kept)).toEqual(expect.arrayContaining([late.id, early.id]));
    const taken = { kind: "void", target: early.id } as const;
    await ok(
      ask("POST", "decisions", {
        decisions: [
          decisionOf(second, { subject: "basic-bounce", side: "whole", decision: taken, reason: "" }),
        ],
      }),
    );
    const decisions = await itemsOf<DecisionView>(`students/${kept}/decisions`);
    expect(decisions.map(({ decision }) => decision)).toContainEqual(taken);
    await ok(ask("PUT", `students/${second}/notes`, { setId: late.id, text: "Low hands", at: ago(1) }));
    const jump = { id: uuid(), turns: 2, heightMm: 180, contactMs: 250, landings: 11, way: "taps" };
    await ok(
      ask("PUT", `students/${second}/jumps`, { ...jump, measuredAt: ago(2), removed: false, at: ago(1) }),
    );
    expect((await itemsOf<JumpMeasure>(`students/${kept}/jumps`)).map(({ id }) => id)).toEqual([jump.id]);
    await ok(ask("PUT", `students/${second}/stop`, {}));
    expect(await ok(ask("GET", `students/${kept}`))).toMatchObject({ hasStopped: true });
    await ok(ask("DELETE", `students/${second}/stop`, {}));
    expect(await ok(ask("GET", `students/${kept}`))).toMatchObject({ hasStopped: false });
    expect(before?.studentId).toBe(second);
  });

  it("ends their jumping for today also where it was said before the two were one", async () => {
    const { kept, second } = await twins();
    await ok(ask("PUT", `students/${second}/stop`, {}));
    await ok(together(kept, second));
    expect(await ok(ask("GET", `students/${kept}`))).toMatchObject({ hasStopped: true });
  });

  it("is not asked of a home any more: the second record's link ends, and what it had sent waits with the child", async () => {
    const { kept, second } = await twins();
    const link = (id: string) =>
      ok<NewHomeLink>(ask("POST", `students/${id}/home`, { days: 30, agreed: true }));
    const [own, other] = [await link(kept), await link(second)];
    const home = (token: string) => server.stranger(null).get(`/api/home/${token}`);
    const { studentId: _, countedBy: __, ...alone } = setOf(second, { at: ago(1) });
    const sent = await server.stranger(null).post(`/api/home/${other.token}/sets`, { sets: [alone] });
    expect(sent.status).toBe(200);
    await ok(together(kept, second));
    expect([(await home(own.token)).status, (await home(other.token)).status]).toEqual([200, 410]);
    const { sets } = await ok<HomePracticeView>(ask("GET", `students/${kept}/home`));
    expect(sets.map(({ id }) => id)).toEqual([alone.id]);
  });

  it("is of the lesson that they are in, each once", async () => {
    const { kept, second } = await twins();
    const lesson = lessonOf({
      students: [
        { studentId: kept, attendance: "expected", places: [] },
        { studentId: second, attendance: "expected", places: [] },
      ],
    });
    const other = lessonOf({ students: [{ studentId: second, attendance: "expected", places: [] }] });
    await ok(ask("POST", "lessons", { lessons: [lesson, other] }));
    await ok(ask("PATCH", `lessons/${lesson.id}/run`, { attendance: { [second]: "present" } }));
    await ok(together(kept, second));
    const read = (id: string) => ok<LessonView>(ask("GET", `lessons/${id}`));
    expect(await read(lesson.id)).toMatchObject({ students: [{ studentId: kept, attendance: "present" }] });
    expect(await read(other.id)).toMatchObject({ version: 2, students: [{ studentId: kept }] });
    const late = { attendance: { [second]: "absent" }, ownRopes: { [second]: true } };
    expect(await ok(ask("PATCH", `lessons/${other.id}/run`, late))).toMatchObject({
      students: [{ studentId: kept, attendance: "absent", ownRope: true }],
    });
  });
});

describe("two records that were brought together by mistake", () => {
  it("stand, taken apart, where they stood before; what was said since stays with the kept one", async () => {
    const { kept, second } = await twins();
    const stood = [await standings(kept), await standings(second)];
    await ok(together(kept, second));
    expect(await ok(apart(kept, second))).toEqual({ sets: 8, decisions: 0 });
    expect([await standings(kept), await standings(second)]).toEqual(stood);
    expect(await detail(second)).toMatchObject({ archived: false, sameAs: null });
    await ok(together(kept, second));
    const since = setOf(second, { at: ago(1), subject: "cross", side: "left" });
    await send(since);
    await ok(apart(kept, second));
    const cross = async (id: string) =>
      (await itemsOf<SetView>(`students/${id}/sets?subject=cross&side=left`)).length;
    expect([await cross(kept), await cross(second)]).toEqual([1, 0]);
  });

  it("have what was taken back or accepted meanwhile go with what it was about", async () => {
    const { kept, second } = await twins();
    const wrong = setOf(second, { at: ago(3), subject: "cross", side: "left" });
    const alone = setOf(second, { at: ago(2), subject: "cross", side: "left", countedBy: "student" });
    await send(wrong, alone);
    await ok(together(kept, second));
    const about = { subject: "cross", side: "left", reason: "" } as const;
    const taken = decisionOf(kept, { ...about, decision: { kind: "void", target: wrong.id } });
    const accepted = decisionOf(kept, { ...about, decision: { kind: "accept", target: alone.id } });
    await ok(ask("POST", "decisions", { decisions: [taken, accepted] }));
    const undone = decisionOf(kept, { ...about, decision: { kind: "void", target: accepted.id } });
    await ok(ask("POST", "decisions", { decisions: [undone] }));
    await ok(apart(kept, second));
    const decisions = async (id: string) =>
      (await itemsOf<DecisionView>(`students/${id}/decisions`)).map((one) => one.id).sort();
    expect(await decisions(second)).toEqual([taken.id, accepted.id, undone.id].sort());
    expect(await decisions(kept)).toEqual([]);
    expect(await standings(second)).toContain("cross left ready 0");
  });

  it("are taken apart alone where there are three", async () => {
    const { kept, second } = await twins();
    const third = await server.addStudent("Wren, once more");
    await send(...history(third, 20));
    await ok(together(second, third));
    await ok(together(kept, second));
    expect((await detail(third)).sameAs).toBe(kept);
    expect((await setsOf(kept)).length).toBe(24);
    expect(await ok(apart(kept, second))).toMatchObject({ sets: 8 });
    expect([(await setsOf(second)).length, (await setsOf(kept)).length]).toEqual([8, 16]);
    expect(await ok(apart(kept, third))).toMatchObject({ sets: 8 });
    expect([(await setsOf(third)).length, (await setsOf(kept)).length]).toEqual([8, 8]);
  });
});

describe("bringing together", () => {
  it("is done once, however often it is said, and taking apart too", async () => {
    const { kept, second } = await twins();
    const answers = await Promise.all([1, 2, 3].map(() => together(kept, second)));
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
    expect(answers.map(({ body }) => (body as { sets: number }).sets).sort()).toEqual([0, 0, 8]);
    const gone = await Promise.all([1, 2].map(() => apart(kept, second)));
    expect(gone.map(({ body }) => (body as { sets: number }).sets).sort()).toEqual([0, 8]);
  });

  it("is refused of a record with itself, of one that is a part already, and of nobody", async () => {
    const { kept, second } = await twins();
    const third = await server.addStudent("Third");
    expect(await together(kept, kept)).toMatchObject({ status: 422, body: { type: "same-record" } });
    expect(await together(kept, uuid())).toMatchObject({ status: 404 });
    await ok(together(kept, second));
    for (const [one, other] of [
      [third, second],
      [second, third],
    ] as const)
      expect(await together(one, other)).toMatchObject({ status: 409, body: { type: "kept-elsewhere" } });
    expect((await detail(third)).sameAs).toBeNull();
  });

  it("is never both ways, whoever says so at once", async () => {
    const { kept, second } = await twins();
    await Promise.all([together(kept, second), together(second, kept)]);
    const [one, other] = [await detail(kept), await detail(second)];
    expect([one.sameAs, other.sameAs].filter((same) => same !== null)).toHaveLength(1);
  });

  it("leaves the second record as it is, until the two are apart", async () => {
    const { kept, second } = await twins();
    await ok(together(kept, second));
    const { version } = await detail(second);
    for (const change of [{ archived: false }, { name: "Wren" }])
      expect(await ask("PATCH", `students/${second}`, { version, ...change })).toMatchObject({
        status: 409,
        body: { type: "kept-elsewhere" },
      });
    expect(await detail(second)).toMatchObject({ archived: true, name: "Wren A." });
  });

  it("has everything of the child go when the child is deleted, and keeps all when the second record is", async () => {
    const { kept, second } = await twins();
    await ok(together(kept, second));
    await ok(ask("DELETE", `students/${second}`));
    expect((await setsOf(kept)).length).toBe(16);
    const both = await twins();
    await ok(together(both.kept, both.second));
    await ok(ask("DELETE", `students/${both.kept}`));
    for (const id of [both.kept, both.second]) {
      expect((await ask("GET", `students/${id}/detail`)).status).toBe(410);
      expect((await ask("POST", "sets", { sets: [setOf(id)] })).status).toBe(410);
      expect(
        await server.sql("SELECT FROM practice_set WHERE student_id = $1 OR said_of = $1", [id]),
      ).toEqual([]);
    }
  });
});
