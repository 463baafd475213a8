import { afterAll, beforeAll, beforeEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type { ClassWeeksView, Items, NextItem, PathView, ProgrammeProgress } from "@mirrup/contract";
import { itemSubject, type OverlayEntry, type OwnProgramme, type ProgrammeItem } from "@mirrup/core";
import { v7 as uuid } from "uuid";
import { rebuildAll } from "../standings/rebuild.js";
import { StandingEntity } from "../standings/standing.entity.js";
import type { Client } from "../testing/client.js";
import { decisionOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let studioId: string;
let coach: Client;
let student: string;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());
beforeEach(async () => {
  studioId = await server.addStudio("Tannery Yard");
  coach = await server.addPerson(studioId, "coach");
  student = await server.addStudent("Ada", studioId);
});

const STRAND = CATALOGUE.strands.find(({ skills }) => skills.includes("cross"))?.id ?? "";
const newKey = () => `programme:${uuid()}`;
const item = (
  skill: string,
  side: ProgrammeItem["side"],
  ask: ProgrammeItem["ask"] = { kind: "gate" },
): ProgrammeItem => ({ skill, side, ask });
const programmeOf = (items: readonly ProgrammeItem[], more: Partial<OwnProgramme> = {}): OwnProgramme => ({
  ...{ kind: "programme", name: "Wagtail", order: "free", before: null, allBut: 0 },
  headings: [{ title: "Ground", items }],
  ...more,
});

const put = (subject: string, was: OverlayEntry | null, is: OverlayEntry | null, by = coach) =>
  by.post("/api/catalogue/changes", { changes: [{ subject, was, is }] });
const progress = async (key: string, query = "") =>
  ((await coach.get(`/api/programmes/${key}/progress${query}`)).body as Items<ProgrammeProgress>).items;
const say = (key: string, of: string | null, side: "left" | "right" | "whole") =>
  decisionOf(student, {
    subject: of === null ? key : itemSubject(key, of),
    side,
    reason: "Seen in the hall.",
  });
const decide = (...decisions: readonly object[]) => coach.post("/api/decisions", { decisions });
const sidesOf = (all: readonly ProgrammeProgress[]) =>
  all.map(({ items }) => items.map(({ sides }) => sides.map(({ by }) => by)));

describe("how far a class is with a programme", () => {
  it("is read from the record, by the gate in force and by what single sets came to", async () => {
    const key = newKey();
    const bo = await server.addStudent("Bo", studioId);
    const six = { kind: "streak", count: 6 } as const;
    const once = { kind: "shown" } as const;
    await put(
      key,
      null,
      programmeOf([
        item("basic-bounce", "whole"),
        item("cross", "both", six),
        item("double-under", "whole", once),
      ]),
    );
    const counted = (clean: number, more: object) =>
      setOf(student, { clean, bestStreak: clean, drill: { kind: "streak", count: 6 }, ...more });
    const enough = counted(6, { subject: "cross", side: "left", at: "2026-05-04T16:00:00Z" });
    const sets = [
      counted(60, { subject: "basic-bounce", side: "whole" }),
      counted(5, { subject: "cross", side: "right" }),
      enough,
      counted(9, { subject: "cross", side: "left", at: "2026-05-11T16:00:00Z" }),
    ];
    expect((await coach.post("/api/sets", { sets })).status).toBe(200);
    const [ada, other] = await progress(key);
    expect(ada).toMatchObject({
      studentId: student,
      name: "Ada",
      done: 1,
      asked: 3,
      hasFinishedBefore: true,
    });
    expect(ada?.items[1]?.sides).toEqual([
      { side: "left", by: "record", on: "2026-05-04" },
      { side: "right", by: null, on: null },
    ]);
    expect(other).toMatchObject({ studentId: bo, done: 0 });
    // Taken back, the next one counts that came to as much.
    await decide(
      decisionOf(student, { subject: "cross", side: "left", decision: { kind: "void", target: enough.id } }),
    );
    const [after] = await progress(key, `?student=${student}`);
    expect(after?.items[1]?.sides[0]).toEqual({ side: "left", by: "record", on: "2026-05-11" });
  });

  it("finds the first set of each side, however many of the other one came before", async () => {
    const key = newKey();
    await put(key, null, programmeOf([item("cross", "both", { kind: "streak", count: 6 })]));
    const counted = (side: "left" | "right", day: number) =>
      setOf(student, {
        ...{ subject: "cross", side, clean: 8, bestStreak: 8, drill: { kind: "streak", count: 6 } },
        at: `2026-05-${String(day).padStart(2, "0")}T16:00:00Z`,
      });
    const sets = [...Array.from({ length: 25 }, (_, day) => counted("left", day + 1)), counted("right", 28)];
    expect((await coach.post("/api/sets", { sets })).status).toBe(200);
    expect((await progress(key))[0]?.items[0]?.sides).toEqual([
      { side: "left", by: "record", on: "2026-05-01" },
      { side: "right", by: "record", on: "2026-05-28" },
    ]);
  });

  it("takes ticks by hand, each once, and takes them back", async () => {
    const key = newKey();
    await put(key, null, programmeOf([item("cross", "both"), item("side-swing", "either")]));
    const ticks = [say(key, "cross/gate", "left"), say(key, "side-swing/gate", "right")];
    expect((await decide(...ticks)).body).toMatchObject({ stored: ticks.map(({ id }) => id) });
    expect((await decide(...ticks)).body).toMatchObject({
      stored: [],
      alreadyStored: ticks.map(({ id }) => id),
    });
    expect(sidesOf(await progress(key))).toEqual([
      [
        ["hand", null],
        [null, "hand"],
      ],
    ]);
    // What is said of a programme is no clearing of the skill.
    const grid = (await coach.get(`/api/students/${student}/standings`)).body as Items<{ status: string }>;
    expect(grid.items.every(({ status }) => status !== "cleared")).toBe(true);
    const [tick] = ticks;
    if (tick === undefined) throw new Error("no tick");
    const back = decisionOf(student, { ...tick, id: uuid(), decision: { kind: "void", target: tick.id } });
    expect((await decide(back)).status).toBe(200);
    expect(sidesOf(await progress(key))).toEqual([
      [
        [null, null],
        [null, "hand"],
      ],
    ]);
  });

  it("is finished when somebody says so, on a day, and facts are what a rebuild makes of them", async () => {
    const [first, second] = [newKey(), newKey()];
    await put(first, null, programmeOf([item("basic-bounce", "whole")]));
    await put(second, null, programmeOf([item("cross", "both")], { name: "Kingfisher", before: first }));
    expect((await progress(second))[0]?.hasFinishedBefore).toBe(false);
    const said = say(first, null, "whole");
    await decide({ ...said, at: "2026-05-04T16:00:00Z" }, say(first, "basic-bounce/gate", "whole"));
    expect((await progress(first))[0]).toMatchObject({ finishedOn: "2026-05-04", isEnough: true });
    expect((await progress(second))[0]?.hasFinishedBefore).toBe(true);
    const facts = async () =>
      JSON.stringify(
        await server.database.manager.find(StandingEntity, {
          where: { studioId },
          order: { subject: "ASC", side: "ASC" },
        }),
      );
    const before = await facts();
    await rebuildAll(server.database);
    expect(await facts()).toBe(before);
  });

  it.each<[string, object, string]>([
    ["a programme that is not there", { subject: newKey(), side: "whole" }, "unknown-subject"],
    ["a side of the whole", { side: "left" }, "side-not-of-skill"],
    ["a gate of its own", { decision: { kind: "override", gate: null } }, "not-of-programmes"],
    ["a reopening", { decision: { kind: "reopen" } }, "not-of-programmes"],
  ])("is not told of %s", async (_, more, code) => {
    const key = newKey();
    await put(key, null, programmeOf([item("cross", "both")]));
    const answer = await decide({ ...say(key, null, "whole"), ...more });
    expect(answer).toMatchObject({ status: 422, body: { errors: [{ code }] } });
  });

  it("keeps the tick of a device that had not heard that an item is not asked any more", async () => {
    const key = newKey();
    const [both, cross] = [
      programmeOf([item("cross", "both"), item("basic-bounce", "whole")]),
      programmeOf([item("cross", "both")]),
    ];
    await put(key, null, both);
    await put(key, both, cross);
    expect((await decide(say(key, "basic-bounce/gate", "whole"))).status).toBe(200);
    expect(sidesOf(await progress(key))).toEqual([[[null, null]]]);
    await put(key, cross, both);
    expect(sidesOf(await progress(key))).toEqual([[[null, null], ["hand"]]]);
  });

  it("is of a group, or of one; everybody of the studio may look, and nobody else", async () => {
    const key = newKey();
    await put(key, null, programmeOf([item("cross", "both")]));
    const group = await coach.post("/api/groups", { name: "Monday", members: [student] });
    const { id } = group.body as { id: string };
    await server.addStudent("Bo", studioId);
    expect(await progress(key)).toHaveLength(2);
    expect(await progress(key, `?group=${id}`)).toHaveLength(1);
    const viewer = await server.addPerson(studioId, "viewer");
    expect((await viewer.get(`/api/programmes/${key}/progress`)).status).toBe(200);
    expect((await put(newKey(), null, programmeOf([item("cross", "both")]), viewer)).status).toBe(403);
    const stranger = await server.addPerson(await server.addStudio("Ropewalk"), "owner");
    expect((await stranger.get(`/api/programmes/${key}/progress`)).status).toBe(404);
    expect((await coach.get("/api/programmes/wagtail/progress")).status).toBe(400);
  });
});

describe("a programme as a goal", () => {
  const until = `${new Date().getUTCFullYear() + 1}-01-01`;
  const wish = (goals: readonly object[], version = 1) =>
    coach.ask("PATCH", `/api/students/${student}`, { version, goals });

  it("is what comes next, the way, the weeks of one and of a class, until it is finished", async () => {
    const key = newKey();
    await put(key, null, programmeOf([item("side-swing", "both"), item("cross", "either")]));
    expect((await wish([{ subject: key, side: "whole" }])).status).toBe(200);
    const path = async () => (await coach.get(`/api/students/${student}/path`)).body as PathView;
    const subjects = new Set((await path()).steps.map(({ subject }) => subject));
    expect([...subjects]).toEqual(expect.arrayContaining(["side-swing", "cross"]));
    expect((await path()).goals).toEqual([{ subject: key, side: "whole" }]);
    const next = async () =>
      ((await coach.get(`/api/students/${student}/next`)).body as Items<NextItem>).items.map(
        ({ reason }) => reason.code,
      );
    expect(await next()).toContain("toward-goal");
    const weeks = await coach.get(`/api/students/${student}/weeks?until=${until}`);
    expect(weeks).toMatchObject({ status: 200, body: { goals: [{ subject: key }] } });
    const plan = await coach.get(`/api/students/${student}/plan?minutes=45`);
    expect(JSON.stringify(plan.body)).toContain("toward-goal");
    await decide(say(key, null, "whole"));
    expect((await path()).steps).toEqual([]);
    expect(await next()).not.toContain("toward-goal");
    expect(await wish([], 2)).toMatchObject({ status: 200 });
    const again = await wish([{ subject: key, side: "whole" }], 3);
    expect(again).toMatchObject({ status: 422, body: { errors: [{ code: "goal-cleared" }] } });
  });

  it("asks for nothing any more once it is ended, and again once it is taken up", async () => {
    const key = newKey();
    const going = programmeOf([item("cross", "both")]);
    await put(key, null, going);
    await wish([{ subject: key, side: "whole" }]);
    const steps = async () =>
      ((await coach.get(`/api/students/${student}/path`)).body as PathView).steps.length;
    const all = await steps();
    expect(all).toBeGreaterThan(0);
    await put(key, going, { ...going, isEnded: true });
    expect(await steps()).toBe(0);
    await put(key, { ...going, isEnded: true }, going);
    expect(await steps()).toBe(all);
  });

  it("is read anew on the roster once it asks for something else", async () => {
    const key = newKey();
    const swing = programmeOf([item("side-swing", "both")]);
    await put(key, null, swing);
    await wish([{ subject: key, side: "whole" }]);
    const next = async () =>
      ((await coach.get("/api/students")).body as Items<{ next: NextItem | null }>).items[0]?.next?.reason;
    expect(await next()).toMatchObject({ code: "toward-goal", goal: "side-swing" });
    await put(key, swing, programmeOf([item("cross", "both")]));
    expect(await next()).toMatchObject({ code: "toward-goal", goal: "cross" });
  });

  it("is a class's too", async () => {
    const key = newKey();
    await put(key, null, programmeOf([item("cross", "both")]));
    const group = await coach.post("/api/groups", { name: "Monday", members: [student] });
    const { id } = group.body as { id: string };
    const weeks = await coach.get(`/api/groups/${id}/weeks?until=${until}&goal=${key}:whole`);
    expect(weeks.status).toBe(200);
    expect((weeks.body as ClassWeeksView).goals).toEqual([{ subject: key, side: "whole" }]);
  });
});

describe("what a programme is made of", () => {
  it("is refused with its place where a skill, a side or the one before does not fit", async () => {
    const key = newKey();
    const answer = await put(key, null, programmeOf([item("basic-bounce", "whole"), item("cross", "whole")]));
    expect(answer).toMatchObject({
      status: 422,
      body: { errors: [{ code: "programme", field: "changes[0].is.headings[0].items[1]" }] },
    });
    const before = await put(key, null, programmeOf([item("cross", "both")], { before: newKey() }));
    expect(before).toMatchObject({ status: 422, body: { errors: [{ field: "changes[0].is" }] } });
    expect((await coach.get("/api/catalogue")).body).toMatchObject({ edition: 0 });
  });

  it("stays while a programme asks for it, and the programme while anybody has something of it", async () => {
    const key = newKey();
    const own = `own:${uuid()}`;
    const skill: OverlayEntry = {
      ...{ kind: "own", strand: STRAND, name: "tannery cross", sides: "two", score: "xr o xr o" },
      ...{ needs: "cross", class: "cross", cues: ["cross low", "open wide"], faults: [], look: "" },
    };
    expect((await put(own, null, skill)).status).toBe(200);
    const programme = programmeOf([item(own, "both")]);
    expect((await put(key, null, programme)).status).toBe(200);
    expect(await put(own, skill, null)).toMatchObject({
      status: 422,
      body: { errors: [{ code: "programme", message: expect.stringMatching(/^Wagtail: /) }] },
    });
    await decide(say(key, `${own}/gate`, "left"));
    expect(await put(key, programme, null)).toMatchObject({
      status: 422,
      body: { errors: [{ code: "in-use" }] },
    });
    expect((await put(key, programme, { ...programme, isEnded: true })).status).toBe(200);
    expect((await put(key, null, skill)).status).toBe(422);
  });
});
