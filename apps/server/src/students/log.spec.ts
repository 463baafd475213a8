import { afterAll, beforeAll, beforeEach, describe, expect, it } from "@jest/globals";
import {
  LOG_PAGE_SIZE,
  logLineId as idOf,
  type LogLine,
  type LogPage,
  type SessionView,
} from "@mirrup/contract";
import { logReply } from "@mirrup/contract/schemas";
import { between, randomFrom } from "@mirrup/cohort";
import type { Client } from "../testing/client.js";
import { v7 as uuid } from "uuid";
import { decisionOf, lessonOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

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

async function page(query = ""): Promise<LogPage> {
  const { body } = await coach.get(`/api/students/${student}/log?${query}`);
  expect([body, logReply.validate(body).error]).toEqual([body, undefined]);
  return body as LogPage;
}

/** Every line that the pages have, one page after the other. */
async function whole(query = ""): Promise<readonly LogLine[]> {
  const lines: LogLine[] = [];
  let next: string | null = null;
  do {
    const asked = [query, next === null ? "" : `before=${encodeURIComponent(next)}`]
      .filter(Boolean)
      .join("&");
    const read: LogPage = await page(asked);
    expect(read.items.length).toBeLessThanOrEqual(LOG_PAGE_SIZE);
    lines.push(...read.items);
    next = read.next;
  } while (next !== null);
  return lines;
}

const minutesAgo = (minutes: number) => new Date(Date.now() - minutes * 60_000).toISOString();

describe("a student's log", () => {
  it("has sets and decisions in one line of time, each with what was said to it", async () => {
    const first = setOf(student, { at: minutesAgo(50), misses: [{ position: 11, fault: "toes" }] });
    const second = setOf(student, { subject: "cross", side: "left", at: minutesAgo(30) });
    await coach.post("/api/sets", { sets: [first, second] });
    await coach.ask("PUT", `/api/students/${student}/notes`, { setId: second.id, text: "Low hands." });
    const cleared = decisionOf(student, { at: minutesAgo(40) });
    await coach.post("/api/decisions", { decisions: [cleared] });
    const { items, next } = await page();
    expect(items.map(idOf)).toEqual([second.id, cleared.id, first.id]);
    const by = ((await coach.get("/api/auth/session")).body as SessionView).person?.name;
    expect(items[0]).toMatchObject({ kind: "set", set: { note: "Low hands." }, by, isVoided: false });
    expect(items[1]).toMatchObject({
      kind: "decision",
      decision: { reason: cleared.reason, isVoided: false },
    });
    expect(items[2]).toMatchObject({ set: { misses: [{ position: 11, fault: "toes" }] } });
    expect(next).toBeNull();
    expect((await page("subject=cross")).items.map(idOf)).toEqual([second.id, cleared.id]);
    expect((await page("subject=cross&kind=set")).items.map(idOf)).toEqual([second.id]);
    expect((await page("kind=decision")).items.map(idOf)).toEqual([cleared.id]);
  });

  it("names nobody who has left no account", async () => {
    const set = setOf(student);
    const other = await server.addPerson(studioId, "coach");
    await other.post("/api/sets", { sets: [set] });
    const person = ((await other.get("/api/auth/session")).body as SessionView).person;
    expect((await page()).items).toMatchObject([{ by: person?.name }]);
    await server.database.query("DELETE FROM person WHERE id = $1", [person?.id]);
    expect((await page()).items).toMatchObject([{ set: { id: set.id }, by: null }]);
  });

  it("keeps what was taken back in sight, and tells it there and not by itself", async () => {
    const set = setOf(student);
    await coach.post("/api/sets", { sets: [set] });
    const { subject, side } = set;
    const back = decisionOf(student, { subject, side, decision: { kind: "void", target: set.id } });
    await coach.post("/api/decisions", { decisions: [back] });
    const { items } = await page();
    expect(items).toMatchObject([{ kind: "set", isVoided: true }]);
  });

  /** A set that clears the basic bounce. */
  const clearing = (minutes: number) =>
    setOf(student, { clean: 40, bestStreak: 40, at: minutesAgo(minutes) });

  it("tells at a set what became by it, and nothing more once it is taken back", async () => {
    const [some, enough] = [setOf(student, { at: minutesAgo(50) }), clearing(40)];
    await coach.post("/api/sets", { sets: [some, enough] });
    const became = [{ subject: "basic-bounce", side: "whole", kind: "cleared" }];
    expect((await page()).items).toMatchObject([
      { set: { id: enough.id }, became },
      { set: { id: some.id }, became: [] },
    ]);
    expect((await page("kind=milestone")).items.map(idOf)).toEqual([enough.id]);
    expect((await page("kind=milestone&subject=basic-bounce")).items.map(idOf)).toEqual([enough.id]);
    expect((await page("kind=milestone&subject=cross")).items).toEqual([]);
    // What comes late stands before it, and clears instead.
    const before = clearing(45);
    await coach.post("/api/sets", { sets: [before] });
    expect((await page("kind=milestone")).items.map(idOf)).toEqual([before.id]);
    const back = decisionOf(student, {
      ...{ subject: "basic-bounce", side: "whole", decision: { kind: "void", target: before.id } },
    });
    await coach.post("/api/decisions", { decisions: [back] });
    expect((await page("kind=milestone")).items.map(idOf)).toEqual([enough.id]);
    expect((await page()).items).toMatchObject([{ became }, { isVoided: true, became: [] }, { became: [] }]);
  });

  /** A lesson that the student was said to have come to, or not. */
  async function addLesson(attendance: string, changes: Parameters<typeof lessonOf>[0]): Promise<string> {
    const group = (await coach.post("/api/groups", { name: uuid(), members: [student] })).body;
    const lesson = lessonOf({ groupId: (group as { readonly id: string }).id, ...changes });
    await coach.post("/api/lessons", { lessons: [lesson] });
    const run = { attendance: { [student]: attendance } };
    expect((await coach.ask("PATCH", `/api/lessons/${lesson.id}/run`, run)).status).toBe(200);
    return lesson.id;
  }
  const jumpAt = (measuredAt: string) => ({
    ...{ id: uuid(), turns: 2, heightMm: 182, contactMs: 250, landings: 11, way: "taps" },
    ...{ measuredAt, removed: false },
  });
  const measure = (jump: object) => coach.ask("PUT", `/api/students/${student}/jumps`, jump);

  it("has lessons, early stops and measured jumps in the same line of time", async () => {
    const [set, jump] = [setOf(student, { at: minutesAgo(20) }), jumpAt(minutesAgo(10))];
    await coach.post("/api/sets", { sets: [set] });
    await measure(jump);
    await measure({ ...jumpAt(minutesAgo(15)), removed: true });
    const late = await addLesson("late", { title: "Low ropes", day: "2026-01-05", startTime: "17:30" });
    const away = await addLesson("absent", { day: "2026-01-05" });
    await addLesson("expected", { day: "2026-01-06" });
    await coach.ask("PUT", `/api/students/${student}/stop`, {});
    const { items } = await page();
    expect(items.map(({ kind }) => kind)).toEqual(["stop", "jump", "set", "lesson", "lesson"]);
    expect(items.slice(3).map(idOf)).toEqual([late, away]);
    expect(items[1]).toMatchObject({ jump: { heightMm: 182 } });
    expect(items[3]).toMatchObject({ lesson: { title: "Low ropes", minutes: 60, attendance: "late" } });
    for (const kind of ["stop", "jump", "lesson"]) {
      const own = items.filter((line) => line.kind === kind);
      expect((await page(`kind=${kind}`)).items).toEqual(own);
    }
    expect((await page("subject=basic-bounce")).items.map(idOf)).toEqual([set.id]);
    await coach.ask("DELETE", `/api/students/${student}/stop`);
    expect((await page("kind=stop")).items).toEqual([]);
  });

  it("is searched for words of notes, reasons and lessons, whatever stands in them", async () => {
    const sets = ["Hands low, 100% of it", "low_hands", "C:\\rope"].map((text) => ({
      text,
      set: setOf(student),
    }));
    await coach.post("/api/sets", { sets: [...sets.map(({ set }) => set), setOf(student)] });
    for (const { text, set } of sets)
      await coach.ask("PUT", `/api/students/${student}/notes`, { setId: set.id, text });
    const decision = decisionOf(student, { reason: "Showed it with LOW hands" });
    await coach.post("/api/decisions", { decisions: [decision] });
    const lesson = await addLesson("present", { title: "Slow and low", day: "2026-01-05" });
    const [low, under, path] = sets.map(({ set }) => set.id);
    const found = async (text: string, more = "") =>
      new Set((await page(`text=${encodeURIComponent(text)}${more}`)).items.map(idOf));
    expect(await found("low")).toEqual(new Set([low, under, decision.id, lesson]));
    expect(await found("low", "&kind=set")).toEqual(new Set([low, under]));
    expect(await found("low", "&subject=cross")).toEqual(new Set([decision.id]));
    expect(await found("100%")).toEqual(new Set([low]));
    expect(await found("w_h")).toEqual(new Set([under]));
    expect(await found(":\\r")).toEqual(new Set([path]));
    expect(await found("nothing of the kind")).toEqual(new Set());
  });

  it.each([1, 2])(
    "is read in pages without a line lost or told twice, whatever falls on one instant (seed %s)",
    async (seed) => {
      const random = randomFrom(seed);
      const sets = Array.from({ length: 130 }, () =>
        setOf(student, { at: minutesAgo(between(random, 60, 70)) }),
      );
      for (let from = 0; from < sets.length; from += 65) {
        await coach.post("/api/sets", { sets: sets.slice(from, from + 65) });
      }
      const decisions = Array.from({ length: 20 }, () =>
        decisionOf(student, {
          side: random() < 0.5 ? "left" : "right",
          at: minutesAgo(between(random, 60, 70)),
        }),
      );
      await coach.post("/api/decisions", { decisions });
      const jumps = Array.from({ length: 12 }, () => jumpAt(minutesAgo(between(random, 60, 70))));
      for (const jump of jumps) await measure(jump);
      const days = Array.from({ length: 8 }, () => `2026-01-0${between(random, 1, 3)}`);
      const lessons: string[] = [];
      for (const day of days) lessons.push(await addLesson("present", { day, startTime: "17:30" }));
      const lines = await whole();
      const ids = lines.map(idOf);
      const told = [...[...sets, ...decisions, ...jumps].map(({ id }) => id), ...lessons];
      expect(new Set(ids)).toEqual(new Set(told));
      expect(ids).toHaveLength(told.length);
      const instants = lines.map(({ at }) => Date.parse(at));
      expect(instants).toEqual([...instants].sort((one, other) => other - one));
      expect((await whole("kind=set")).map(idOf)).toEqual(
        ids.filter((id) => sets.some((set) => set.id === id)),
      );
    },
  );

  it("is of this student and this studio alone, and refuses a place that is none", async () => {
    await coach.post("/api/sets", { sets: [setOf(await server.addStudent("Bo", studioId))] });
    expect((await page()).items).toEqual([]);
    const stranger = await server.addPerson(await server.addStudio("Ropewalk"), "owner");
    expect((await stranger.get(`/api/students/${student}/log`)).status).toBe(404);
    const viewer = await server.addPerson(studioId, "viewer");
    expect((await viewer.get(`/api/students/${student}/log`)).status).toBe(200);
    expect((await coach.get(`/api/students/${student}/log?before=yesterday`)).status).toBe(400);
    expect((await coach.get(`/api/students/${student}/log?kind=mood`)).status).toBe(400);
    expect((await coach.get(`/api/students/${student}/log?text=${"a".repeat(81)}`)).status).toBe(400);
  });
});
