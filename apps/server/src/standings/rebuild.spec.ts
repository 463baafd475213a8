import type { DecisionRequest, SetRequest } from "@mirrup/contract";
import { CATALOGUE } from "@mirrup/catalogue";
import { compareLines, DAY_MS, grouped, isSameSide, type DrillKind, type SideName } from "@mirrup/core";
import { FIRST_ID, foldLines, NO_FACTS, type LogPlace } from "@mirrup/core/teaching";
import { between, randomFrom, type Random } from "@mirrup/cohort";
import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { v7 as uuid } from "uuid";
import { decisionOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";
import { Scopes } from "../database/scope.js";
import { StudentEntity } from "../students/student.entity.js";
import { readerFor } from "./learner.js";
import { linesFrom } from "./log-lines.js";
import { rebuildAll } from "./rebuild.js";
import { StandingMarkEntity } from "./standing-mark.entity.js";
import { RememberedFacts } from "./remembered.js";
import { StandingsService } from "./standings.service.js";
import { LessonLoadEntity } from "./lesson-load.entity.js";
import { StandingEntity } from "./standing.entity.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

const SUBJECTS: readonly (readonly [string, SideName])[] = [
  ["basic-bounce", "whole"],
  ["side-swing", "left"],
  ["side-swing", "right"],
  ["cross", "left"],
  ["cross", "right"],
  ["held-cross", "left"],
  ["side-swing-cross", "right"],
  ...(CATALOGUE.roles.baseTest?.parts ?? []).map(({ subject, side }) => [subject, side] as const),
];
const KINDS: readonly (DrillKind | "of-a-later-build")[] = [
  "streak",
  "climb",
  "hold",
  "one-out",
  "spaced",
  "shadow",
  "rounds",
  "toe-catch",
  "of-a-later-build",
];
/** Scores that some drills are logged with: of the whole, of parts of it, of neither, and of no use at all. */
const SCORES = [undefined, undefined, "xr o", "o xr o xl o", "sr o", "(o o) o", "o", "o ???"] as const;

function pick<T>(random: Random, values: readonly T[]): T {
  return values[between(random, 0, values.length - 1)] as T;
}

function drillOf(kind: string, score: string | undefined): SetRequest["drill"] {
  return { kind, count: 20, ...(score === undefined ? {} : { score }) };
}

function anySet(random: Random, studentId: string, at: Date): SetRequest {
  const [subject, side] = pick(random, SUBJECTS);
  const clean = between(random, 0, 110);
  const missed = between(random, 0, 4);
  return setOf(studentId, {
    subject,
    side,
    drill: drillOf(pick(random, KINDS), pick(random, SCORES)),
    clean,
    misses: missed === 0 ? [] : [{ count: missed }],
    bestStreak: between(random, 0, clean),
    seconds: between(random, 5, 90),
    at: at.toISOString(),
  });
}

function anyDecision(random: Random, studentId: string, at: Date): DecisionRequest {
  const [subject, side] = pick(random, SUBJECTS);
  const base = { subject, side, at: at.toISOString() };
  const decisions: readonly DecisionRequest["decision"][] = [
    { kind: "clear", count: pick(random, [null, 5, 12]) },
    { kind: "reopen" },
    { kind: "place", answer: pick(random, ["clean", "nearly", "no"] as const), seen: random() < 0.5 },
  ];
  return decisionOf(studentId, { ...base, decision: pick(random, decisions) });
}

/** Facts by side, with sums apart from what must agree exactly. */
async function facts(studentId: string) {
  const rows = await server.database.manager.find(StandingEntity, {
    where: { studentId },
    order: { subject: "ASC", side: "ASC" },
  });
  return rows.map(({ clean, missed, foldedAt: _at, foldedId: _id, lessons, ...exact }) => ({
    exact,
    sums: [clean, missed, ...lessons.map((lesson) => lesson.chanceBefore)],
    lessons: lessons.map(({ chanceBefore: _chance, ...lesson }) => lesson),
  }));
}

/** Landings are halves and quarters: their sums agree to the last digit. A day of which all was taken back is empty. */
async function loads(studentId: string) {
  const rows = await server.database.manager.find(LessonLoadEntity, {
    where: { studentId },
    order: { day: "ASC" },
  });
  return rows.filter((row) => row.landings + row.estimated + row.multiples !== 0);
}

/** A student's marks, and what the log up to each comes to for its side. */
async function marks(studentId: string) {
  const kept = await server.database.manager.findBy(StandingMarkEntity, { studentId });
  const standings = new StandingsService(new RememberedFacts());
  return new Scopes(server.database).run({ studioId: server.studioId }, async (scope) => {
    const student = await scope.manager.findOneByOrFail(StudentEntity, { id: studentId });
    const reader = readerFor(scope, student);
    const { sets, decisions } = linesFrom(await standings.linesOf(scope, studentId), scope.studio.timeZone);
    return kept.map((mark) => {
      const place = { at: mark.foldedAt.getTime(), id: mark.foldedId };
      const until = <T extends LogPlace>(lines: readonly T[]) =>
        lines.filter((line) => compareLines(line, place) <= 0);
      const folded = foldLines({ sets: until(sets), decisions: until(decisions) }, reader);
      const own = folded.find(({ owner }) => isSameSide(owner, mark));
      return { mark, side: `${mark.subject} ${mark.side}`, wanted: own?.facts ?? NO_FACTS };
    });
  });
}

/** Every mark holds what it says, where a side began is known, and no side has more than its last lessons. */
async function expectMarks(studentId: string): Promise<number> {
  const kept = await marks(studentId);
  for (const { mark, side, wanted } of kept) expect([side, mark.facts]).toEqual([side, wanted]);
  const sides = grouped(kept, (one) => one.side);
  for (const own of sides.values()) {
    expect(own.filter(({ mark }) => mark.foldedId === FIRST_ID)).toHaveLength(1);
    expect(own.length).toBeLessThanOrEqual(9);
  }
  return kept.length;
}

describe("whatever comes in whatever order", () => {
  it.each([1, 2, 3, 4, 5, 6])("the kept facts equal a rebuild's (seed %i)", async (seed) => {
    const random = randomFrom(seed);
    const school = pick(random, ["foundation-first", "steady-hold", "quick-frontier"]);
    await server.sql("UPDATE studio SET school = $1", [school]);
    const student = await server.addStudent(`Seed ${seed}`);
    const logged: { id: string; subject: string; side: SideName }[] = [];
    const now = Date.now();
    for (let batch = 0; batch < 6; batch += 1) {
      // Half of what comes happened long before what is there already.
      const at = () => new Date(now - between(random, 0, 60 * 24) * (DAY_MS / 24) - 1000);
      const sets = Array.from({ length: between(random, 1, 6) }, () => anySet(random, student, at()));
      expect((await server.post("/api/sets", { sets })).status).toBe(200);
      const decisions = Array.from({ length: between(random, 1, 3) }, () =>
        anyDecision(random, student, at()),
      );
      expect((await server.post("/api/decisions", { decisions })).status).toBe(200);
      logged.push(...sets, ...decisions);
      const [line] = logged.splice(between(random, 0, logged.length - 1), 1);
      if (line === undefined) continue;
      const { id, subject, side } = line;
      const undo = decisionOf(student, {
        id: uuid(),
        subject,
        side,
        decision: { kind: "void", target: id },
        reason: "",
      });
      expect((await server.post("/api/decisions", { decisions: [undo] })).status).toBe(200);
    }
    expect(await expectMarks(student)).toBeGreaterThan(0);
    const kept = await facts(student);
    const keptLoads = await loads(student);
    expect(keptLoads.length).toBeGreaterThan(0);
    await rebuildAll(server.database);
    const rebuilt = await facts(student);
    expect(await loads(student)).toEqual(keptLoads);
    await expectMarks(student);
    const plain = (all: typeof kept) => all.map(({ exact, lessons }) => ({ exact, lessons }));
    // A side of which everything was taken back has no row after a rebuild; before it may have an empty one.
    expect(plain(rebuilt)).toEqual(plain(kept));
    kept.forEach(({ sums }, place) => {
      sums.forEach((sum, index) => {
        const again = rebuilt[place]?.sums[index] ?? NaN;
        expect(Math.abs(again - sum)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(sum)));
      });
    });
  });

  it.each([18, 19, 21, 22, 24, 30])(
    "and those of a few sets that come one by one, the oldest last (seed %i)",
    async (seed) => {
      const random = randomFrom(seed);
      await server.sql("UPDATE studio SET school = 'quick-frontier'");
      const student = await server.addStudent(`One by one ${seed}`);
      const now = Date.now();
      // Over months, so that reviews fall due between them: a set of what needs a side counts as its review.
      for (let back = 1; back <= 8; back += 1) {
        const at = new Date(now - back * between(random, 1, 9) * DAY_MS);
        const set = { ...anySet(random, student, at), drill: drillOf("streak", undefined), misses: [] };
        expect((await server.post("/api/sets", { sets: [set] })).status).toBe(200);
      }
      await expectMarks(student);
      const kept = await facts(student);
      await rebuildAll(server.database);
      const rebuilt = await facts(student);
      const plain = (all: typeof kept) => all.map(({ exact, lessons }) => ({ exact, lessons }));
      expect(plain(rebuilt)).toEqual(plain(kept));
    },
  );

  it.each([1, 2, 3])("and those of sets that come while the school changes (seed %i)", async (seed) => {
    const random = randomFrom(seed);
    const students = await Promise.all(
      ["a", "b", "c", "d"].map((name) => server.addStudent(`${name} of ${seed}`)),
    );
    const now = Date.now();
    const at = () => new Date(now - between(random, 1, 60) * DAY_MS);
    for (let round = 0; round < 5; round += 1) {
      const { version } = (await server.get("/api/studio")).body as { version: number };
      const school = pick(random, ["foundation-first", "steady-hold", "quick-frontier"]);
      const batches = Array.from({ length: 4 }, () => {
        const some = students.filter(() => random() < 0.7);
        return [...some, students[0] ?? ""].map((student) => anySet(random, student, at()));
      });
      const answers = await Promise.all([
        ...batches.slice(0, 2).map((sets) => server.post("/api/sets", { sets })),
        server.owner.ask("PATCH", "/api/studio", { version, school }),
        ...batches.slice(2).map((sets) => server.post("/api/sets", { sets })),
        // A tablet that did not hear the answer sends the same again, at the same time.
        server.post("/api/sets", { sets: batches[0] ?? [] }),
      ]);
      expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 200));
    }
    // Whoever is read is read by the school in force, whether they were followed by then or not.
    const read = await Promise.all(
      students.map((student) => server.get(`/api/students/${student}/standings`)),
    );
    expect(read.map(({ status }) => status)).toEqual(read.map(() => 200));
    const kept = await Promise.all(students.map(facts));
    await rebuildAll(server.database);
    const rebuilt = await Promise.all(students.map(facts));
    const plain = (all: typeof kept) =>
      all.map((one) => one.map(({ exact, lessons }) => ({ exact, lessons })));
    expect(plain(rebuilt)).toEqual(plain(kept));
  });
});
