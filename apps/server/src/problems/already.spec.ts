import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { GroupView, StudentDetail, StudioView } from "@mirrup/contract";
import { v7 as uuid } from "uuid";
import { comboOf, lessonOf, startTestApp, type TestApp } from "../testing/test-app.js";
import { isSoAlready } from "./already.js";

let server: TestApp;
let student: string;
let group: string;
let lesson: string;
let combo: string;
beforeAll(async () => {
  server = await startTestApp();
  student = await server.addStudent("Again Case");
  group = ((await server.post("/api/groups", { name: "Again" })).body as GroupView).id;
  const [made, kept] = [lessonOf(), comboOf()];
  await server.post("/api/lessons", { lessons: [made] });
  await server.post("/api/combos", { combos: [kept] });
  [lesson, combo] = [made.id, kept.id];
});
afterAll(() => server.close());

interface Ask {
  readonly method: string;
  readonly path: string;
  readonly body: object;
}

const send = ({ method, path, body }: Ask) => server.owner.ask(method, `/api/${path}`, body);
const post = (path: string, body: object): Ask => ({ method: "POST", path, body });

/** A change of what is read now. */
async function changeOf(path: string, body: object, read = path): Promise<Ask> {
  const { version } = (await server.get(`/api/${read}`)).body as { version: number };
  return { method: "PATCH", path, body: { version, ...body } };
}

const versionOfGroup = async () => {
  const { body } = await server.get("/api/groups");
  return (body as { items: GroupView[] }).items.find((one) => one.id === group)?.version ?? 0;
};

const ASKS: readonly (readonly [string, () => Ask | Promise<Ask>])[] = [
  [
    "a student who is added",
    () => post("students", { id: uuid(), name: " New Again ", goals: [], groups: [group] }),
  ],
  [
    "a group that is added",
    () => post("groups", { id: uuid(), name: "Twice", weekday: 2, members: [student] }),
  ],
  [
    "a file of students",
    () =>
      post("students/import", {
        students: [1, 2].map((n) => ({ id: uuid(), name: `File ${n}`, groups: ["From a file"] })),
      }),
  ],
  ["lessons that are made", () => post("lessons", { lessons: [lessonOf()] })],
  ["combos that are kept", () => post("combos", { combos: [comboOf()] })],
  [
    "a change of a student",
    () =>
      changeOf(
        `students/${student}`,
        { notes: "Counts aloud.", groups: [group], archived: false },
        `students/${student}/detail`,
      ),
  ],
  [
    "a change of a group",
    async () => ({
      method: "PATCH",
      path: `groups/${group}`,
      body: { version: await versionOfGroup(), place: "Hall", members: [student] },
    }),
  ],
  ["a change of a lesson", () => changeOf(`lessons/${lesson}`, { title: "Show", minutes: 75, plan: null })],
  [
    "a change of a combo",
    () => ({ method: "PATCH", path: `combos/${combo}`, body: { version: 1, name: "Again" } }),
  ],
  ["a change of the studio", () => changeOf("studio", { name: "Again Hall", school: "steady-hold" })],
];

/** Everything that could be there twice. */
async function counted(): Promise<readonly number[]> {
  const counts = ["student", "student_group", "group_member", "lesson", "combo"].map(async (table) => {
    const [row] = await server.database.query<readonly { many: number }[]>(
      `SELECT count(*)::int AS many FROM ${table}`,
    );
    return row?.many ?? 0;
  });
  return Promise.all(counts);
}

describe("what is sent again since its answer was lost", () => {
  it.each(ASKS)("is done once and answered alike: %s", async (_what, make) => {
    const ask = await make();
    const first = await send(ask);
    expect(first.status).toBe(200);
    const before = await counted();
    const again = await send(ask);
    expect(again.status).toBe(200);
    expect({ ...(again.body as object), groups: null }).toEqual({ ...(first.body as object), groups: null });
    expect(await counted()).toEqual(before);
  });

  it.each(ASKS)("is done once also when both come at once: %s", async (what, make) => {
    const ask = await make();
    const body = what.startsWith("a change") ? { ...ask.body, ...other(what) } : ask.body;
    const answers = await Promise.all([
      send({ ...ask, body }),
      send({ ...ask, body }),
      send({ ...ask, body }),
    ]);
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
  });

  const other = (what: string) => {
    if (what.includes("student")) return { notes: "Counts silently." };
    if (what.includes("studio")) return { name: "Other Hall" };
    return what.includes("combo") ? { name: "Another", version: 2 } : { place: "Other hall" };
  };

  it("is a conflict still where somebody else changed it meanwhile", async () => {
    const ask = await changeOf("studio", { name: "Mine" });
    expect((await send(ask)).status).toBe(200);
    expect((await send(await changeOf("studio", { name: "Theirs" }))).status).toBe(200);
    const late = await send(ask);
    expect([late.status, (late.body as { current: StudioView }).current.name]).toEqual([409, "Theirs"]);
  });

  it("adds nobody else under an id that was given before, and brings back nobody who was deleted", async () => {
    const id = uuid();
    expect((await send(post("students", { id, name: "Wren" }))).status).toBe(200);
    const another = await send(post("students", { id, name: "Rook" }));
    expect(another).toMatchObject({
      status: 409,
      body: { type: "added-already", current: { name: "Wren" } },
    });
    await server.owner.ask("DELETE", `/api/students/${id}`);
    expect((await send(post("students", { id, name: "Wren" }))).status).toBe(410);
    expect((await send(post("students/import", { students: [{ id, name: "Wren" }] }))).status).toBe(410);
    const once = { id: uuid(), name: "Owls" };
    await send(post("groups", once));
    expect((await send(post("groups", { ...once, name: "Larks" }))).status).toBe(409);
  });

  it("adds of a file that grew those who are new", async () => {
    const first = { id: uuid(), name: "First of a file" };
    const second = { id: uuid(), name: "Second of a file" };
    await send(post("students/import", { students: [first] }));
    await send(post("students/import", { students: [first, second] }));
    const { body } = await server.get("/api/students/details");
    const names = (body as { items: StudentDetail[] }).items.map((one) => one.name);
    for (const { name } of [first, second]) expect(names.filter((one) => one === name)).toHaveLength(1);
  });
});

describe("what is so already", () => {
  it.each([
    [{ a: 1, b: [1, { c: 2 }] }, { b: [1, { c: 2 }] }, true],
    [{ a: 1 }, {}, true],
    [{ a: 1 }, { a: undefined }, true],
    [{ a: { b: 1, c: undefined } }, { a: { b: 1 } }, true],
    [{ a: 1 }, { a: 2 }, false],
    [{ a: [1, 2] }, { a: [2, 1] }, false],
    [{ a: null }, { a: 0 }, false],
    [{ a: 1 }, { a: null }, false],
  ])("%j as it is asked %j: %s", (now, asked, is) => {
    expect(isSoAlready(now, asked)).toBe(is);
  });
});
