import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import { DAY_MS, sidesOf, skillOf } from "@mirrup/core";
import { decodeStatuses } from "@mirrup/core/teaching";
import type {
  GridView,
  GroupView,
  Items,
  LoadView,
  PathView,
  SchoolReading,
  StandingItem,
  StudentDetail,
  StudentView,
} from "@mirrup/contract";
import { archivedReply, gridReply, pathReply, schoolsReply, studentDetail } from "@mirrup/contract/schemas";
import { v7 as uuid } from "uuid";
import { decisionOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

async function add(body: object): Promise<StudentDetail> {
  const reply = await server.post("/api/students", body);
  expect([reply.status, studentDetail.validate(reply.body).error]).toEqual([200, undefined]);
  return reply.body as StudentDetail;
}
const patch = (path: string, body: object) => server.owner.ask("PATCH", path, body);

describe("a student's record", () => {
  it("needs a name only, and the rest can follow", async () => {
    const { id, version } = await add({ name: "  Fern Halloway " });
    const changed = await patch(`/api/students/${id}`, { version, heightMm: 1520, dominantHand: "left" });
    expect(changed).toMatchObject({
      status: 200,
      body: { name: "Fern Halloway", heightMm: 1520, version: version + 1 },
    });
    expect((await server.get(`/api/students/${id}`)).body).toMatchObject({ leadingSide: "left" });
  });

  it("tells how far the rope in use is from the one that fits, where both were measured", async () => {
    const { id, version } = await add({ name: "Otis Fernley" });
    const misfit = async () => ((await server.get(`/api/students/${id}`)).body as StudentView).ropeMisfitMm;
    expect(await misfit()).toBeNull();
    await patch(`/api/students/${id}`, { version, heightMm: 1600, ropeUse: "beginner" });
    expect(await misfit()).toBeNull();
    // By the armpit: 2 x 0.75 x 1600 + 20 mm.
    await patch(`/api/students/${id}`, { version: version + 1, ropeLengthMm: 2540 });
    expect(await misfit()).toBe(120);
    await patch(`/api/students/${id}`, { version: version + 2, settings: { "rope-line": "chest" } });
    expect(await misfit()).toBe(216);
    await patch(`/api/students/${id}`, { version: version + 3, ropeLengthMm: 2330 });
    expect(await misfit()).toBe(0);
  });

  it("tells where the sides of what comes next stand, and nothing once jumping has ended for today", async () => {
    const { id } = await add({ name: "Next Comes" });
    const view = async () => (await server.get(`/api/students/${id}`)).body as StudentView;
    /** What comes next, whose codes say what its sides' standings say. */
    const nextRight = async () => {
      const { next, nextCodes } = await view();
      const { items } = (await server.get(`/api/students/${id}/standings`)).body as Items<StandingItem>;
      const sides = sidesOf(skillOf(CATALOGUE, next?.subject ?? ""));
      const stand = sides.map(
        (side) => items.find((one) => one.subject === next?.subject && one.side === side)?.status,
      );
      expect(decodeStatuses(nextCodes).map((one) => one.status)).toEqual(stand);
      return next;
    };
    const fresh = await nextRight();
    const counts = { drill: { kind: "streak", count: 10 }, clean: 2, misses: [], bestStreak: 2 };
    const sent = {
      ...{ id: uuid(), studentId: id, subject: fresh?.subject, side: fresh?.side, ...counts },
      ...{ countedBy: "tapped", at: new Date().toISOString() },
    };
    expect(await server.post("/api/sets", { sets: [sent], sentAt: sent.at })).toMatchObject({ status: 200 });
    await nextRight();
    await server.owner.ask("PUT", `/api/students/${id}/stop`, {});
    expect(await view()).toMatchObject({ next: null, nextCodes: "" });
  });

  it("answers a stale change with the newer state, and loses neither", async () => {
    const { id, version } = await add({ name: "Two Coaches" });
    await patch(`/api/students/${id}`, { version, notes: "First." });
    expect(await patch(`/api/students/${id}`, { version, notes: "Second." })).toMatchObject({
      status: 409,
      body: { type: "stale-change", current: { notes: "First.", version: version + 1 } },
    });
  });

  it("refuses what cannot be, with a sentence", async () => {
    expect(await server.post("/api/students", { name: "Giant", heightMm: 3000 })).toMatchObject({
      status: 400,
      body: { errors: [{ field: "heightMm", message: expect.stringMatching(/between 60 and 240 cm/) }] },
    });
    expect(await server.post("/api/students", { name: "Unborn", birthYear: 2150 })).toMatchObject({
      status: 422,
      body: { errors: [{ field: "birthYear", code: "future-year" }] },
    });
    const goals = [{ subject: "cross", side: "whole" }];
    expect(await server.post("/api/students", { name: "Goal", goals })).toMatchObject({
      status: 422,
      body: { errors: [{ code: "side-not-of-skill" }] },
    });
  });

  it("refuses a goal that is cleared already, but keeps one that was set before it was", async () => {
    const { id, version } = await add({ name: "Goal Getter" });
    const goals = [{ subject: "cross", side: "left" }];
    expect((await patch(`/api/students/${id}`, { version, goals })).status).toBe(200);
    await server.post("/api/decisions", { decisions: [decisionOf(id)] });
    expect((await patch(`/api/students/${id}`, { version: version + 1, goals })).status).toBe(200);
    const more = [...goals, { subject: "basic-bounce", side: "whole" }];
    expect(await patch(`/api/students/${id}`, { version: version + 2, goals: more })).toMatchObject({
      status: 422,
      body: { errors: [{ code: "goal-cleared" }] },
    });
  });

  it("can be archived, still read, and brought back", async () => {
    const { id, version } = await add({ name: "Gone Abroad" });
    await patch(`/api/students/${id}`, { version, archived: true });
    expect((await server.get(`/api/students/${id}`)).body).toMatchObject({ archived: true });
    const idsOf = async (path: string) =>
      ((await server.get(path)).body as Items<{ readonly id: string }>).items.map((one) => one.id);
    expect(await idsOf("/api/students")).not.toContain(id);
    expect(await idsOf("/api/students/details")).not.toContain(id);
    const put = await server.get("/api/students/archived");
    expect(archivedReply.validate(put.body).error).toBeUndefined();
    expect(put.body).toMatchObject({ items: [{ id, name: "Gone Abroad", version: version + 1 }] });
    const back = await patch(`/api/students/${id}`, { version: version + 1, archived: false });
    expect(back.body).toMatchObject({ archived: false });
    expect(await idsOf("/api/students/archived")).toEqual([]);
    expect(await idsOf("/api/students")).toContain(id);
  });

  it("derives the facts anew when the student's school changes", async () => {
    const { id, version } = await add({ name: "School Change" });
    await server.post("/api/sets", { sets: [setOf(id, { clean: 25, bestStreak: 25 })] });
    const status = async () => {
      const { items } = (await server.get(`/api/students/${id}/standings`)).body as {
        items: { subject: string; status: string }[];
      };
      return items.find((one) => one.subject === "basic-bounce")?.status;
    };
    expect(await status()).toBe("cleared");
    await patch(`/api/students/${id}`, { version, school: "foundation-first" });
    expect(await status()).toBe("working");
    await patch(`/api/students/${id}`, { version: version + 1, school: null });
    expect(await status()).toBe("cleared");
    const keeping = { version: version + 2, school: "foundation-first", keepCleared: true };
    await patch(`/api/students/${id}`, keeping);
    expect(await status()).toBe("cleared");
  });
});

describe("what the floor shows of a student and a side", () => {
  it("is what each piece of it says", async () => {
    const { id } = await add({ name: "On The Floor" });
    await server.post("/api/sets", { sets: [setOf(id), setOf(id, { subject: "side-swing", side: "left" })] });
    const of = "subject=basic-bounce&side=whole";
    // A chance fades from one question to the next.
    const rounded = (value: object) =>
      JSON.parse(JSON.stringify(value), (_key, one: unknown) =>
        typeof one === "number" ? Number(one.toFixed(4)) : one,
      ) as object;
    const read = async (path: string) =>
      rounded((await server.get(`/api/students/${id}${path}`)).body as object);
    const items = async (path: string) => ((await read(path)) as { readonly items: object }).items;
    expect(await read(`/floor?${of}`)).toEqual({
      student: await read(""),
      standings: await items("/standings"),
      next: await items("/next"),
      ladder: await items(`/ladder?${of}`),
      sets: await items(`/sets?${of}`),
      load: await read("/load"),
    });
    expect((await server.get(`/api/students/${id}/floor`)).status).toBe(400);
  });
});

describe("an early stop", () => {
  it("ends the proposals for today, keeps no reason, and can be taken back", async () => {
    const { id } = await add({ name: "Sore Shin" });
    const next = async () =>
      ((await server.get(`/api/students/${id}/next`)).body as { items: object[] }).items.length;
    expect(await next()).toBeGreaterThan(0);
    for (let time = 0; time < 2; time += 1) {
      expect((await server.owner.ask("PUT", `/api/students/${id}/stop`, {})).status).toBe(200);
    }
    expect(await next()).toBe(0);
    expect((await server.get(`/api/students/${id}`)).body).toMatchObject({ hasStopped: true, next: null });
    await server.owner.ask("DELETE", `/api/students/${id}/stop`);
    expect(await next()).toBeGreaterThan(0);
  });
});

describe("an early stop that comes a day late", () => {
  it("is of the day on which it was pressed", async () => {
    const { id } = await add({ name: "Late Word" });
    const yesterday = new Date(Date.now() - DAY_MS).toISOString();
    expect((await server.owner.ask("PUT", `/api/students/${id}/stop`, { at: yesterday })).status).toBe(200);
    expect((await server.get(`/api/students/${id}`)).body).toMatchObject({ hasStopped: false });
    await server.owner.ask("PUT", `/api/students/${id}/stop`, {});
    await server.owner.ask("DELETE", `/api/students/${id}/stop`, { at: yesterday });
    expect((await server.get(`/api/students/${id}`)).body).toMatchObject({ hasStopped: true });
    expect((await server.owner.ask("PUT", `/api/students/${id}/stop`, { at: "soon" })).status).toBe(400);
  });
});

describe("a week's landings", () => {
  const at = (daysAgo: number) => new Date(Date.now() - daysAgo * DAY_MS).toISOString();
  const load = async (id: string) => (await server.get(`/api/students/${id}/load`)).body as LoadView;

  it("are summed as sets come, estimates apart, and allowed by the weeks before", async () => {
    const { id } = await add({ name: "Busy Legs" });
    expect(await load(id)).toMatchObject({ landings: 0, estimated: 0, allowance: null });
    const doubles = { subject: "double-under", clean: 8, misses: [{ count: 2 }], bestStreak: 5 };
    const sets = [
      setOf(id, { ...doubles, at: at(0) }),
      setOf(id, { clean: 30, bestStreak: 30, countedBy: "hand", at: at(0) }),
      setOf(id, { clean: 8000, bestStreak: 100, at: at(14) }),
      setOf(id, { clean: 8000, bestStreak: 100, at: at(21) }),
    ];
    await server.post("/api/sets", { sets });
    expect(await load(id)).toMatchObject({
      landings: 45,
      estimated: 30,
      today: { landings: 45, multiples: 10 },
    });
    expect((await load(id)).allowance).toBeCloseTo(4400, 6);
    // The same batch twice changes nothing, and what is taken back is taken out.
    await server.post("/api/sets", { sets });
    expect((await load(id)).landings).toBe(45);
    const [first] = sets;
    const back = decisionOf(id, {
      subject: "double-under",
      side: "whole",
      decision: { kind: "void", target: first?.id ?? "" },
      reason: "",
    });
    await server.post("/api/decisions", { decisions: [back] });
    expect(await load(id)).toMatchObject({ landings: 30, today: { landings: 30, multiples: 0 } });
  });
});

describe("groups", () => {
  it("hold students, and are changed from either end", async () => {
    const { id } = await add({ name: "Club Member" });
    const made = await server.post("/api/groups", { name: "Tuesday", weekday: 2, startTime: "17:30" });
    const group = made.body as GroupView;
    const changed = await patch(`/api/groups/${group.id}`, { version: 1, members: [id], place: "Hall B" });
    expect(changed.body).toMatchObject({ members: [id], place: "Hall B", version: 2 });
    const { body } = await server.get(`/api/students/${id}/detail`);
    expect(body).toMatchObject({ groups: [group.id] });
    expect(await patch(`/api/groups/${group.id}`, { version: 1, name: "Old" })).toMatchObject({
      status: 409,
      body: { current: { place: "Hall B" } },
    });
    expect((await server.post("/api/groups", { name: "x", members: [uuid()] })).status).toBe(404);
    expect((await server.post("/api/groups", { name: "x", startTime: "25:00" })).status).toBe(400);
  });
});

describe("a roster from a file", () => {
  it("is taken in whole, with the groups it names", async () => {
    const students = [
      { name: "Row One", birthYear: 2012, groups: ["Fridays"] },
      { name: "Row Two", heightMm: 1400, groups: ["fridays", "Show team"] },
    ];
    const reply = await server.post("/api/students/import", { students });
    expect(reply).toMatchObject({ status: 200, body: { students: 2, groups: 2 } });
    const { items } = (await server.get("/api/groups")).body as { items: GroupView[] };
    expect(items.find((group) => group.name === "Fridays")?.members).toHaveLength(2);
  });

  it("is refused whole when one row cannot be", async () => {
    const count = async () => ((await server.get("/api/students")).body as { items: object[] }).items.length;
    const before = await count();
    const students = [{ name: "Fine" }, { name: "Not Yet", birthYear: 2199 }];
    expect(await server.post("/api/students/import", { students })).toMatchObject({
      status: 422,
      body: { errors: [{ item: 1, field: "birthYear" }] },
    });
    expect(await count()).toBe(before);
  });
});

describe("readings of a student", () => {
  it("give the path to a goal, the schools side by side, and the class's grid", async () => {
    const { id } = await add({ name: "Path Finder", goals: [{ subject: "double-under", side: "whole" }] });
    await server.post("/api/sets", { sets: [setOf(id, { clean: 25, bestStreak: 25 })] });
    const own = await server.get(`/api/students/${id}/path`);
    expect([own.status, pathReply.validate(own.body).error]).toEqual([200, undefined]);
    expect((own.body as PathView).steps.map((step) => step.subject)).toEqual([
      "basic-bounce",
      "double-under",
    ]);
    const asked = await server.get(`/api/students/${id}/path?goal=side-swing:both&goal=cross:left`);
    expect((asked.body as PathView).steps.map((step) => `${step.subject} ${step.side}`)).toEqual([
      "side-swing left",
      "side-swing right",
      "cross left",
    ]);
    expect((await server.get(`/api/students/${id}/path?goal=nothing:left`)).status).toBe(422);

    const schools = await server.get(`/api/students/${id}/schools`);
    expect(schoolsReply.validate(schools.body).error).toBeUndefined();
    const read = (schools.body as { items: SchoolReading[] }).items;
    expect(read.map((one) => [one.school, one.cleared])).toEqual([
      ["foundation-first", 0],
      ["steady-hold", 0],
      ["quick-frontier", 1],
    ]);

    const grid = await server.get("/api/grid");
    expect(gridReply.validate(grid.body).error).toBeUndefined();
    const { sides, students } = grid.body as GridView;
    const row = students.find((student) => student.id === id);
    const codes = decodeStatuses(row?.codes ?? "");
    expect(codes).toHaveLength(sides.length);
    expect(codes[sides.indexOf("basic-bounce:whole")]?.status).toBe("cleared");
    expect(JSON.stringify(row).length).toBeLessThan(300);
  });
});

describe("the school of a studio", () => {
  it("shows what a change would clear and reopen, and keeps what was cleared where asked", async () => {
    const { id } = await add({ name: "Preview Case" });
    await server.post("/api/sets", { sets: [setOf(id, { clean: 25, bestStreak: 25 })] });
    const students = [id];
    const preview = await server.post("/api/studio/preview", { school: "foundation-first", students });
    expect(preview.body).toEqual({
      items: [{ studentId: id, clears: [], reopens: [{ subject: "basic-bounce", side: "whole" }] }],
    });
    const { version } = (await server.get("/api/studio")).body as { version: number };
    const change = { version, school: "foundation-first", keepCleared: true };
    expect((await patch("/api/studio", change)).status).toBe(200);
    const status = async () => {
      const { items } = (await server.get(`/api/students/${id}/standings`)).body as {
        items: { subject: string; status: string; clearedBy: string | null }[];
      };
      return items.find((one) => one.subject === "basic-bounce");
    };
    expect(await status()).toMatchObject({ status: "cleared", clearedBy: "hand" });
    expect((await patch("/api/studio", { ...change, school: "steady-hold" })).status).toBe(409);
    const zone = await patch("/api/studio", { version: version + 1, timeZone: "Nowhere/Land" });
    expect(zone).toMatchObject({ status: 422, body: { errors: [{ code: "unknown-time-zone" }] } });
    const settings = { sides: "alternate" };
    expect((await patch("/api/studio", { version: version + 1, settings })).body).toMatchObject({ settings });
    expect((await patch("/api/studio", { version: version + 2, settings: { sides: "up" } })).status).toBe(
      400,
    );
  });

  it("counts a student's level and reviews in the roster", async () => {
    const { items } = (await server.get("/api/students")).body as { items: StudentView[] };
    expect(items.find((one) => one.name === "Goal Getter")).toMatchObject({
      level: 2,
      stuck: 0,
      reviewsDue: 0,
    });
  });
});
