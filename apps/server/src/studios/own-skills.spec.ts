import { afterAll, beforeAll, beforeEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type {
  CatalogueView,
  EditionView,
  GridView,
  Items,
  SkillPreviewItem,
  StandingItem,
  StudentRecord,
} from "@mirrup/contract";
import { SideMap, type OverlayEntry } from "@mirrup/core";
import { between, randomFrom } from "@mirrup/cohort";
import { v7 as uuid } from "uuid";
import { SetEntity } from "../log/index.js";
import { rebuildAll } from "../standings/rebuild.js";
import { StandingEntity } from "../standings/standing.entity.js";
import type { Client } from "../testing/client.js";
import { comboOf, decisionOf, lessonOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let studioId: string;
let coach: Client;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());
beforeEach(async () => {
  studioId = await server.addStudio("Tannery Yard");
  coach = await server.addPerson(studioId, "coach");
});

/** Sums agree to nine digits, whatever they were added up from. */
const rounded = (row: StandingEntity) =>
  JSON.parse(
    JSON.stringify(row, (_, value: unknown) =>
      typeof value === "number" ? Number(value.toPrecision(9)) : value,
    ),
  ) as unknown;

const ownId = () => `own:${uuid()}`;
const SHUFFLE: OverlayEntry = {
  ...{ kind: "own", strand: "crosses-base", name: "tannery cross", sides: "two", score: "xr o xr o" },
  ...{ needs: "cross", class: "cross", cues: ["cross low", "open wide"], faults: [], look: "" },
};
const STRAND = [...CATALOGUE.strands].find(({ skills }) => skills.includes("cross"))?.id ?? "";
const own = (more: object = {}): OverlayEntry => ({ ...SHUFFLE, strand: STRAND, ...more });

const put = (subject: string, was: OverlayEntry | null, is: OverlayEntry | null, by = coach) =>
  by.post("/api/catalogue/changes", { changes: [{ subject, was, is }] });
const catalogue = async () => (await coach.get("/api/catalogue")).body as CatalogueView;
const standings = async (id: string) =>
  ((await coach.get(`/api/students/${id}/standings`)).body as Items<StandingItem>).items;

describe("a skill of the studio's own", () => {
  it("is taught like any other: it stands, is counted, cleared, wished for, and put into combos", async () => {
    const [id, student] = [ownId(), await server.addStudent("Ada", studioId)];
    expect((await put(id, null, own())).status).toBe(200);
    expect(await catalogue()).toMatchObject({ edition: 1, entries: { [id]: own() }, leftOut: [] });
    const side = async () =>
      (await standings(student)).find((one) => one.subject === id && one.side === "left");
    expect(await side()).toMatchObject({ status: "locked", unmet: [{ subject: "cross", side: "left" }] });
    const cleared = decisionOf(student);
    await coach.post("/api/decisions", { decisions: [cleared] });
    expect(await side()).toMatchObject({ status: "ready" });
    const set = setOf(student, {
      subject: id,
      side: "left",
      clean: 20,
      bestStreak: 20,
      drill: { kind: "streak", count: 20 },
    });
    expect((await coach.post("/api/sets", { sets: [set] })).status).toBe(200);
    expect(await side()).toMatchObject({ status: "cleared" });
    const { sides } = (await coach.get("/api/grid")).body as GridView;
    expect(sides).toContain(`${id}:left`);
    const goal = await coach.ask("PATCH", `/api/students/${student}`, {
      version: 1,
      goals: [{ subject: id, side: "right" }],
    });
    expect(goal.status).toBe(200);
    const parts = [{ subject: id, side: "left", score: "xl o xl o", times: 1 }];
    expect((await coach.post("/api/combos", { combos: [comboOf({ parts } as never)] })).status).toBe(200);
    const path = await coach.get(`/api/students/${student}/path?goal=${id}:right`);
    expect(path.body).toMatchObject({
      steps: [
        { subject: "cross", side: "right" },
        { subject: id, side: "right" },
      ],
    });
    expect((await coach.get(`/api/students/${student}/plan?minutes=45`)).status).toBe(200);
    const until = `${new Date().getUTCFullYear() + 1}-01-01`;
    const weeks = await coach.get(`/api/students/${student}/weeks?until=${until}&goal=${id}:right`);
    expect(weeks).toMatchObject({ status: 200, body: { goals: [{ subject: id, side: "right" }] } });
    const ladder = await coach.get(`/api/students/${student}/ladder?subject=${id}&side=left`);
    expect((ladder.body as Items<object>).items.length).toBeGreaterThan(2);
    const placed = decisionOf(student, {
      subject: id,
      side: "right",
      decision: { kind: "place", answer: "nearly", seen: true },
    });
    expect((await coach.post("/api/decisions", { decisions: [placed] })).status).toBe(200);
    const owner = await server.addPerson(studioId, "owner");
    const record = (await owner.get(`/api/students/${student}/export`)).body as StudentRecord;
    expect(record.sets).toMatchObject([{ subject: id, catalogueVersion: "2+1" }]);
    expect(record.standings.some(({ subject }) => subject === id)).toBe(true);
  });

  it("is nobody else's", async () => {
    const id = ownId();
    await put(id, null, own());
    const other = await server.addStudio("Ropewalk");
    const stranger = await server.addPerson(other, "owner");
    expect((await stranger.get("/api/catalogue")).body).toMatchObject({ edition: 0, entries: {} });
    const student = await server.addStudent("Bo", other);
    const answer = await stranger.post("/api/sets", {
      sets: [setOf(student, { subject: id, side: "left" })],
    });
    expect(answer).toMatchObject({ status: 422, body: { errors: [{ code: "unknown-subject" }] } });
  });

  it.each<[string, object, string, RegExp]>([
    ["a score that cannot be jumped", { score: "sl xr o" }, "is.score", /cannot be repeated/],
    ["a score that is none", { score: "xr (" }, "is.score", /does not parse/],
    ["a need that is not there", { needs: "crss" }, "is.needs", /"crss", which is not in the catalogue/],
    ["a name that is taken", { name: "Criss cross" }, "is.name", /belongs to cross/],
    ["a strand that is not there", { strand: "none" }, "is.strand", /no strand "none"/],
  ])("is refused with %s, and nothing is stored", async (_, more, field, message) => {
    const answer = await put(ownId(), null, own(more));
    expect(answer.status).toBe(422);
    const [error] = (answer.body as { errors: { field: string; message: string }[] }).errors;
    expect(error?.field).toBe(`changes[0].${field}`);
    expect(error?.message).toMatch(message);
    expect(await catalogue()).toMatchObject({ edition: 0, entries: {} });
  });

  it("is refused with a circle through what ships", async () => {
    const id = ownId();
    await put(id, null, own());
    const answer = await put("cross", null, { kind: "changed", needs: id });
    expect(answer).toMatchObject({ status: 422, body: { errors: [{ field: "changes[0].is.needs" }] } });
    expect(await catalogue()).toMatchObject({ edition: 1 });
  });

  it("is removed while nobody has it in a record, and stays from then on", async () => {
    const [id, student] = [ownId(), await server.addStudent("Ada", studioId)];
    await put(id, null, own());
    expect((await put(id, own(), null)).body).toMatchObject({ edition: 2, entries: {} });
    await put(id, null, own());
    await coach.post("/api/sets", { sets: [setOf(student, { subject: id, side: "left" })] });
    const answer = await put(id, own(), null);
    expect(answer).toMatchObject({ status: 422, body: { errors: [{ code: "in-use" }] } });
    expect(await catalogue()).toMatchObject({ entries: { [id]: own() } });
    // What is written down of its left side has that side.
    expect(await put(id, own(), own({ sides: "one" }))).toMatchObject({
      status: 422,
      body: { errors: [{ code: "in-use", message: expect.stringMatching(/keeps its sides/) }] },
    });
    expect((await put(id, own(), own({ name: "ropewalk cross", score: "xr o" }))).status).toBe(200);
  });

  it("stays while a lesson's plan has it", async () => {
    const id = ownId();
    await put(id, null, own());
    const lesson = lessonOf();
    expect((await coach.post("/api/lessons", { lessons: [lesson] })).status).toBe(200);
    await server.sql("UPDATE lesson SET plan = $1 WHERE id = $2", [
      JSON.stringify({ subject: id }),
      lesson.id,
    ]);
    expect(await put(id, own(), null)).toMatchObject({ status: 422, body: { errors: [{ code: "in-use" }] } });
  });

  it("is the coaches' to change, and anybody's to see", async () => {
    const viewer = await server.addPerson(studioId, "viewer");
    expect((await put(ownId(), null, own(), viewer)).status).toBe(403);
    expect((await viewer.get("/api/catalogue")).status).toBe(200);
  });
});

describe("what ships, as the studio has it", () => {
  it("has the studio's name, and goes back to its own", async () => {
    const named: OverlayEntry = { kind: "changed", name: "the pretzel" };
    expect((await put("cross", null, named)).status).toBe(200);
    expect((await put("cross", named, null)).body).toMatchObject({ edition: 2, entries: {} });
    expect((await put("cross", null, { kind: "changed" })).body).toMatchObject({ edition: 2 });
  });

  it("locks and opens by the studio's needs, and facts are what a rebuild makes of them", async () => {
    const student = await server.addStudent("Ada", studioId);
    const set = setOf(student, { clean: 30, bestStreak: 30 });
    await coach.post("/api/sets", { sets: [set] });
    const cross = async () => (await standings(student)).find((one) => one.subject === "cross")?.status;
    expect(await cross()).toBe("ready");
    await put("cross", null, { kind: "changed", needs: "double-under" });
    expect(await cross()).toBe("locked");
    const facts = () =>
      server.database.manager.find(StandingEntity, {
        where: { studioId },
        order: { subject: "ASC", side: "ASC" },
      });
    const before = await facts();
    await rebuildAll(server.database);
    expect(await facts()).toEqual(before);
  });

  it("is cleared by the studio's gate in every school, and said in the studio's words", async () => {
    const student = await server.addStudent("Ada", studioId);
    const gate = { kind: "streak", count: 7 } as const;
    const is: Extract<OverlayEntry, { readonly kind: "changed" }> = {
      ...{ kind: "changed", gate, cues: ["ski", "again"], look: "Ankles." },
    };
    expect((await put("skier", null, is)).status).toBe(200);
    const skier = async () => (await standings(student)).find((one) => one.subject === "skier");
    expect((await skier())?.gate).toEqual(gate);
    await coach.ask("PATCH", `/api/students/${student}`, { version: 1, school: "foundation-first" });
    expect((await skier())?.gate).toEqual(gate);
    const own: OverlayEntry = { kind: "changed", gate: { kind: "hold", seconds: 0 } };
    expect((await put("skier", is, own)).status).toBe(400);
    expect((await put("skier", is, { ...is, cues: ["one"] })).status).toBe(400);
    // What is said of a drill is said of it once, and is something.
    const words = (...drills: NonNullable<typeof is.drills>) => ({ ...is, drills });
    const streak = { kind: "streak", say: "On and on." } as const;
    expect((await put("skier", is, words(streak, streak))).status).toBe(400);
    expect((await put("skier", is, words({ kind: "streak" }))).status).toBe(400);
    expect((await put("skier", is, words())).status).toBe(400);
    expect((await put("skier", is, words(streak, { kind: "shadow", look: "Knees." }))).status).toBe(200);
  });

  it("is not made into a skill of the studio's own, nor the reverse", async () => {
    expect((await put("cross", null, own())).status).toBe(422);
    expect((await put(ownId(), null, { kind: "changed", name: "x" })).status).toBe(422);
    expect((await put("nothing", null, { kind: "changed", name: "x" })).status).toBe(422);
  });
});

describe("a skill that is hidden", () => {
  const hidden: OverlayEntry = { kind: "changed", isHidden: true };
  const grid = async () => ((await coach.get("/api/grid")).body as GridView).sides;

  it("is taught to nobody, and what was logged of it counts again once it is shown", async () => {
    const student = await server.addStudent("Ada", studioId);
    const set = (more: object = {}) =>
      setOf(student, { subject: "skier", clean: 30, bestStreak: 30, ...more });
    await coach.post("/api/sets", {
      sets: [setOf(student, { clean: 60, bestStreak: 60 }), set({ clean: 4, bestStreak: 4 })],
    });
    expect((await put("skier", null, hidden)).status).toBe(200);
    expect(await grid()).not.toContain("skier:whole");
    expect((await standings(student)).some(({ subject }) => subject === "skier")).toBe(false);
    const next = (await coach.get(`/api/students/${student}/next`)).body as Items<{ subject: string }>;
    expect(next.items.some(({ subject }) => subject === "skier")).toBe(false);
    // A tablet that was out of reach counted on.
    expect((await coach.post("/api/sets", { sets: [set()] })).status).toBe(200);
    expect((await coach.post("/api/sets", { sets: [set({ side: "left" })] })).status).toBe(422);
    const gate = { kind: "override", gate: { kind: "streak", count: 9 } } as const;
    const override = decisionOf(student, { subject: "skier", side: "whole", decision: gate });
    expect((await coach.post("/api/decisions", { decisions: [override] })).status).toBe(200);
    expect((await put("skier", hidden, null)).status).toBe(200);
    const skier = (await standings(student)).find(({ subject }) => subject === "skier");
    expect(skier).toMatchObject({ status: "cleared", bestStreak: 30, gate: gate.gate });
  });

  it("is refused while others need it, or a programme asks for it, and told by whom", async () => {
    const errors = async (...changes: object[]) =>
      ((await coach.post("/api/catalogue/changes", { changes })).body as { errors: object[] }).errors;
    expect(await errors({ subject: "side-swing-cross", was: null, is: hidden })).toMatchObject([
      {
        field: "changes[0].is.isHidden",
        code: "hidden-need",
        message: expect.stringMatching(/is needed by .+Hide them too/),
      },
    ]);
    expect(await errors({ subject: "basic-bounce", was: null, is: hidden })).toMatchObject([
      { code: "role" },
    ]);
    const programme: OverlayEntry = {
      ...{ kind: "programme", name: "Wagtail", order: "free", before: null, allBut: 0 },
      headings: [{ title: "", items: [{ skill: "skier", side: "whole", ask: { kind: "gate" } }] }],
    };
    const key = `programme:${uuid()}`;
    await put(key, null, programme);
    expect(await errors({ subject: "skier", was: null, is: hidden })).toMatchObject([
      { message: expect.stringMatching(/needed by .*Wagtail/) },
    ]);
    await put(key, programme, { ...programme, isEnded: true });
    expect((await put("skier", null, hidden)).status).toBe(200);
  });
});

describe("gates of the studio's own", () => {
  it("stand in one school, or of a whole class in it, the narrower first", async () => {
    const student = await server.addStudent("Ada", studioId);
    const gates = async () =>
      Object.fromEntries((await standings(student)).map(({ subject, gate }) => [subject, gate]));
    const streak = (count: number) => ({ kind: "streak", count }) as const;
    const ofClass: OverlayEntry = { kind: "school", classes: { footwork: streak(3) } };
    expect((await put("school:quick-frontier", null, ofClass)).status).toBe(200);
    const skier: OverlayEntry = { kind: "changed", gate: streak(7), gates: { "steady-hold": streak(5) } };
    expect((await put("skier", null, skier)).status).toBe(200);
    expect(await gates()).toMatchObject({ skier: streak(7), bell: streak(3) });
    await coach.ask("PATCH", `/api/students/${student}`, { version: 1, school: "steady-hold" });
    const steady = await gates();
    expect(steady.skier).toEqual(streak(5));
    expect(steady.bell).not.toEqual(streak(3));
    expect((await put("school:none", null, ofClass)).status).toBe(422);
    expect((await put("school:quick-frontier", ofClass, { kind: "school", classes: {} })).body).toMatchObject(
      {
        entries: { skier },
      },
    );
  });

  it("have only those sides made anew that they judge", async () => {
    const student = await server.addStudent("Ada", studioId);
    const sets = ["skier", "bell", "side-straddle"].map((subject) => setOf(student, { subject }));
    await coach.post("/api/sets", { sets });
    const written = async () =>
      Object.fromEntries(
        (
          await server.sql<{ subject: string; xmin: string }>(
            "SELECT subject, xmin::text FROM standing WHERE student_id = $1",
            [student],
          )
        ).map(({ subject, xmin }) => [subject, xmin]),
      );
    const before = await written();
    await put("skier", null, { kind: "changed", gate: { kind: "streak", count: 4 } });
    expect((await standings(student)).find(({ subject }) => subject === "skier")?.status).toBe("cleared");
    const after = await written();
    expect(after.skier).not.toBe(before.skier);
    expect([after.bell, after["side-straddle"]]).toEqual([before.bell, before["side-straddle"]]);
  });
});

describe("what a change would come to", () => {
  const preview = async (students: readonly string[], ...changes: object[]) =>
    coach.post("/api/catalogue/preview", { changes, students });

  it("is told student by student before it is made, and is what then becomes of them", async () => {
    const [ada, bo] = await Promise.all(["Ada", "Bo"].map((name) => server.addStudent(name, studioId)));
    if (ada === undefined || bo === undefined) throw new Error("nobody there");
    await coach.post("/api/sets", {
      sets: [
        setOf(ada, { clean: 60, bestStreak: 60 }),
        setOf(ada, { subject: "skier", clean: 5, bestStreak: 5 }),
      ],
    });
    const needs = { subject: "cross", is: { kind: "changed", needs: "double-under" } };
    const gate = { subject: "skier", is: { kind: "changed", gate: { kind: "streak", count: 5 } } };
    const asked = await preview([ada, bo], needs, gate);
    expect(asked.status).toBe(200);
    const items = (asked.body as Items<SkillPreviewItem>).items;
    expect(items.find(({ studentId }) => studentId === bo)).toMatchObject({
      ...{ name: "Bo", clears: [], reopens: [], locks: [], opens: [], hides: [] },
    });
    const of = items.find(({ studentId }) => studentId === ada);
    expect(of).toMatchObject({
      clears: [{ subject: "skier", side: "whole" }],
      locks: expect.arrayContaining([{ subject: "cross", side: "left" }]),
    });
    const before = await standings(ada);
    await coach.post("/api/catalogue/changes", {
      changes: [needs, gate].map((one) => ({ ...one, was: null })),
    });
    const after = await standings(ada);
    const became = (status: string) => {
      const was = new SideMap(before.map((one) => [one, one.status] as const));
      const those = after.filter((one) => one.status === status && was.get(one) !== status);
      return those.map(({ subject, side }) => ({ subject, side }));
    };
    expect(became("cleared")).toEqual(of?.clears);
    expect(became("locked")).toEqual(of?.locks);
    // And back.
    const back = await preview([ada], { subject: "cross", is: null });
    const opens = (back.body as Items<SkillPreviewItem>).items[0]?.opens ?? [];
    expect(opens).toHaveLength(of?.locks.length ?? 0);
    expect(opens).toEqual(expect.arrayContaining([...(of?.locks ?? [])]));
    const hide = await preview([ada], { subject: "skier", is: { kind: "changed", isHidden: true } });
    expect((hide.body as Items<SkillPreviewItem>).items[0]?.hides).toEqual([
      { subject: "skier", side: "whole" },
    ]);
  });

  it("is refused as the change would be, and is not for those who only look", async () => {
    const ada = await server.addStudent("Ada", studioId);
    const bad = { subject: "cross", is: { kind: "changed", needs: "nothing" } };
    expect(await preview([ada], bad)).toMatchObject({
      status: 422,
      body: { errors: [{ field: "changes[0].is.needs" }] },
    });
    const viewer = await server.addPerson(studioId, "viewer");
    const good = { subject: "cross", is: null };
    expect((await viewer.post("/api/catalogue/preview", { changes: [good], students: [ada] })).status).toBe(
      403,
    );
    expect((await catalogue()).edition).toBe(0);
  });
});

describe("two who change at once", () => {
  it("keep both of their skills", async () => {
    const ids = Array.from({ length: 6 }, ownId);
    const answers = await Promise.all(ids.map((id, place) => put(id, null, own({ name: `ours ${place}` }))));
    expect(answers.map(({ status }) => status)).toEqual(ids.map(() => 200));
    const { edition, entries } = await catalogue();
    expect(edition).toBe(ids.length);
    expect(Object.keys(entries).sort()).toEqual([...ids].sort());
  });

  it("of one skill hear of each other, and the same told twice is done once", async () => {
    const id = ownId();
    await put(id, null, own());
    const theirs = own({ name: "theirs" });
    expect((await put(id, own(), theirs)).status).toBe(200);
    const late = await put(id, own(), own({ name: "mine" }));
    expect(late).toMatchObject({ status: 409, body: { current: { entries: { [id]: theirs } } } });
    expect((await put(id, own(), theirs)).body).toMatchObject({ edition: 2 });
  });

  it("leave a history of who did what, the newest first", async () => {
    const owner = await server.addPerson(studioId, "owner", "wren@hall.example");
    await put("cross", null, { kind: "changed", name: "the pretzel" });
    await put("skier", null, { kind: "changed", name: "slalom" }, owner);
    const { items } = (await coach.get("/api/catalogue/editions")).body as Items<EditionView>;
    expect(items.map(({ edition, subjects }) => [edition, ...subjects])).toEqual([
      [2, "skier"],
      [1, "cross"],
    ]);
    expect(await coach.get("/api/catalogue/editions/1")).toMatchObject({
      status: 200,
      body: { edition: 1, entries: { cross: { kind: "changed", name: "the pretzel" } } },
    });
    expect(await coach.get("/api/catalogue/editions/3")).toMatchObject({
      status: 404,
      body: { type: "unknown-edition" },
    });
    expect(items[0]?.by).toBe("wren@hall.example");
  });
});

describe("several changes", () => {
  const send = (...changes: { subject: string; was: OverlayEntry | null; is: OverlayEntry | null }[]) =>
    coach.post("/api/catalogue/changes", { changes });

  it("are made together, in whatever order they need each other", async () => {
    const [first, second] = [ownId(), ownId()];
    const answer = await send(
      { subject: second, was: null, is: own({ name: "second", needs: first }) },
      { subject: first, was: null, is: own({ name: "first" }) },
    );
    expect(answer).toMatchObject({ status: 200, body: { edition: 1 } });
    const { items } = (await coach.get("/api/catalogue/editions")).body as Items<EditionView>;
    expect(items.map(({ subjects }) => subjects)).toEqual([[second, first]]);
  });

  it("are none of them made where one cannot be, or is another by now", async () => {
    const [good, bad] = [ownId(), ownId()];
    const refused = await send(
      { subject: good, was: null, is: own({ name: "good" }) },
      { subject: bad, was: null, is: own({ name: "bad", needs: "gone" }) },
    );
    expect(refused).toMatchObject({ status: 422, body: { errors: [{ field: "changes[1].is.needs" }] } });
    expect(await catalogue()).toMatchObject({ edition: 0, entries: {} });
    await put("skier", null, { kind: "changed", name: "slalom" });
    const stale = await send(
      { subject: good, was: null, is: own({ name: "good" }) },
      { subject: "skier", was: null, is: { kind: "changed", name: "zigzag" } },
    );
    expect(stale.status).toBe(409);
    expect(await catalogue()).toMatchObject({ edition: 1 });
  });

  it("are one of each skill, and at least one", async () => {
    const change = { subject: "skier", was: null, is: null };
    expect((await send(change, change)).status).toBe(400);
    expect((await send()).status).toBe(400);
  });
});

describe("what is taught changed while sets come in", () => {
  it.each([1, 2, 3])("loses no set, and has the facts of its log (seed %s)", async (seed) => {
    const random = randomFrom(seed);
    const pick = <T>(values: readonly T[]): T => values[between(random, 0, values.length - 1)] as T;
    const id = ownId();
    await put(id, null, own({ gate: { kind: "streak", count: 5 } }));
    const students = await Promise.all(["Ada", "Bo"].map((name) => server.addStudent(name, studioId)));
    const sent: string[] = [];
    const addSet = async () => {
      const [subject, side] = pick([
        ["skier", "whole"],
        ["cross", "left"],
        [id, "left"],
      ] as const);
      const at = new Date(Date.now() - between(random, 1, 9) * 86_400_000).toISOString();
      const set = setOf(pick(students), { subject, side, bestStreak: between(random, 0, 10), at });
      const { status } = await coach.post("/api/sets", { sets: [set] });
      if (status === 200) sent.push(set.id);
      return status;
    };
    const teach = async () => {
      const { entries } = await catalogue();
      const count = between(random, 1, 30);
      const [subject, is] = pick<readonly [string, OverlayEntry | null]>([
        ["skier", { kind: "changed", gate: { kind: "streak", count } }],
        ["skier", { kind: "changed", name: `slalom ${count}` }],
        ["skier", null],
        ["skier", { kind: "changed", isHidden: true }],
        ["school:quick-frontier", { kind: "school", classes: { footwork: { kind: "streak", count } } }],
        [id, own({ gate: { kind: "streak", count }, needs: pick(["", "skier", "cross"]) })],
        [id, own({ isHidden: true })],
      ]);
      return (await put(subject, entries[subject] ?? null, is)).status;
    };
    const look = async () => (await coach.get("/api/grid")).status;
    for (let round = 0; round < 3; round += 1) {
      const asked = Array.from({ length: 12 }, () => pick([addSet, addSet, teach, look])());
      // What is needed by another, or needs what is hidden, is refused.
      for (const status of await Promise.all(asked)) expect([200, 409, 422]).toContain(status);
    }
    // Facts that older rules made are made anew when they are read.
    expect(await look()).toBe(200);
    const facts = () =>
      server.database.manager.find(StandingEntity, {
        where: { studioId },
        order: { studentId: "ASC", subject: "ASC", side: "ASC" },
      });
    const loads = () =>
      server.sql("SELECT * FROM lesson_load WHERE studio_id = $1 ORDER BY student_id, day", [studioId]);
    const [kept, legs] = [(await facts()).map(rounded), await loads()];
    await rebuildAll(server.database);
    expect((await facts()).map(rounded)).toEqual(kept);
    expect(await loads()).toEqual(legs);
    expect(await server.database.manager.countBy(SetEntity, { studioId })).toBe(sent.length);
  });
});

describe("what was kept, and a newer build", () => {
  it("teaches by what fits, says what does not, and takes the mending", async () => {
    const [id, practised] = [ownId(), await server.addStudent("Bo", studioId)];
    await put(id, null, own());
    const set = setOf(practised, { subject: id, side: "left" });
    expect((await coach.post("/api/sets", { sets: [set] })).status).toBe(200);
    const decision = { kind: "override", gate: { kind: "streak", count: 4 } } as const;
    const gate = decisionOf(practised, { subject: id, side: "whole", decision });
    expect((await coach.post("/api/decisions", { decisions: [gate] })).status).toBe(200);
    await put("skier", null, { kind: "changed", name: "slalom" });
    const broken = { ...own(), name: "slalom" };
    await server.sql(
      `UPDATE studio_overlay SET id = gen_random_uuid(), entries = jsonb_set(entries, $1, $2) WHERE studio_id = $3 AND edition = 2`,
      [`{${id}}`, JSON.stringify(broken), studioId],
    );
    await server.sql(
      "UPDATE studio SET overlay_id = (SELECT id FROM studio_overlay WHERE studio_id = $1 AND edition = 2) WHERE id = $1",
      [studioId],
    );
    const view = await catalogue();
    expect(view.leftOut).toEqual([{ skill: id, message: expect.stringMatching(/belongs to slalom/) }]);
    const student = await server.addStudent("Ada", studioId);
    expect((await standings(student)).some((one) => one.subject === id)).toBe(false);
    // Whoever has done it is taught on, what they did of it is kept, and stands again once it is mended.
    const pages = ["standings", "next", "plan?minutes=45", "load", "decisions"];
    for (const page of [...pages.map((one) => `students/${practised}/${one}`), "students", "grid"]) {
      expect([page, (await coach.get(`/api/${page}`)).status]).toEqual([page, 200]);
    }
    await rebuildAll(server.database);
    const later = setOf(practised);
    expect((await coach.post("/api/sets", { sets: [later] })).status).toBe(200);
    const undo = decisionOf(practised, {
      subject: id,
      side: "left",
      decision: { kind: "void", target: set.id },
    });
    expect([200, 422]).toContain((await coach.post("/api/decisions", { decisions: [undo] })).status);
    expect((await put(id, broken, own())).status).toBe(200);
    expect((await standings(practised)).find((one) => one.subject === id)?.gate).toEqual(decision.gate);
    expect((await standings(student)).some((one) => one.subject === id)).toBe(true);
  });
});
