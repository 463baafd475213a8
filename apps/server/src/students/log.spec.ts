import { afterAll, beforeAll, beforeEach, describe, expect, it } from "@jest/globals";
import { LOG_PAGE_SIZE, type LogLine, type LogPage } from "@mirrup/contract";
import { between, randomFrom } from "@mirrup/cohort";
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

const idOf = (line: LogLine) => (line.kind === "set" ? line.set.id : line.decision.id);
const page = async (query = "") => (await coach.get(`/api/students/${student}/log?${query}`)).body as LogPage;

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
    expect(items[0]).toMatchObject({ kind: "set", set: { note: "Low hands." }, isVoided: false });
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

  it("keeps what was taken back in sight, and tells it there and not by itself", async () => {
    const set = setOf(student);
    await coach.post("/api/sets", { sets: [set] });
    const { subject, side } = set;
    const back = decisionOf(student, { subject, side, decision: { kind: "void", target: set.id } });
    await coach.post("/api/decisions", { decisions: [back] });
    const { items } = await page();
    expect(items).toMatchObject([{ kind: "set", isVoided: true }]);
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
      const lines = await whole();
      const ids = lines.map(idOf);
      expect(new Set(ids)).toEqual(new Set([...sets, ...decisions].map(({ id }) => id)));
      expect(ids).toHaveLength(sets.length + decisions.length);
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
    expect((await coach.get(`/api/students/${student}/log?kind=stop`)).status).toBe(400);
  });
});
