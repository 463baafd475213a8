import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { between, randomFrom, type Random } from "@mirrup/cohort";
import type {
  ArchivedStudent,
  DecisionRequest,
  MemberView,
  Role,
  SetRequest,
  StandingItem,
  StudentDetail,
  StudentView,
  StudioView,
} from "@mirrup/contract";
import { DAY_MS } from "@mirrup/core";
import type { Standing } from "@mirrup/core/teaching";
import { v7 as uuid } from "uuid";
import type { Type } from "@nestjs/common";
import { Scopes } from "../database/scope.js";
import { MembersService } from "../groups/index.js";
import { StandingsService } from "../standings/index.js";
import { Glances } from "../students/glances.js";
import { RosterService } from "../students/roster.service.js";
import { StopsService } from "../students/stops.service.js";
import { StudentEntity } from "../students/student.entity.js";
import { StudentsService } from "../students/students.service.js";
import { LessonLoadEntity } from "../standings/lesson-load.entity.js";
import { rebuildAll } from "../standings/rebuild.js";
import { PracticeDayEntity } from "../standings/practice-day.entity.js";
import { StandingEntity } from "../standings/standing.entity.js";
import type { Answer, Client } from "./client.js";
import { decisionOf, setOf, startTestApp, type TestApp } from "./test-app.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

const SCHOOLS = ["foundation-first", "steady-hold", "quick-frontier"] as const;
const ZONES = ["Europe/London", "Pacific/Auckland", "America/Los_Angeles"];
const ROLES: readonly Role[] = ["owner", "coach", "viewer"];
/** Other histories than those of every day, for a long run. */
const FIRST_SEED = Number(process.env.MIRRUP_SEED ?? 0);
const SEEDS = Array.from({ length: 8 }, (_, number) => FIRST_SEED + number + 1);
const ROUNDS = 5;
/** So many things are asked for at once, by people who do not wait for one another. */
const AT_ONCE = 10;
/** What may be answered to anything: done, or a refusal that says why. Never a fault of ours, nor "try again". */
const HONEST = [200, 400, 403, 404, 409, 410, 422];

const pick = <T>(random: Random, values: readonly T[]): T =>
  values[between(random, 0, values.length - 1)] as T;

/** A studio that several people change at once, and what they were told. */
class Studio {
  readonly answers: (Answer & { readonly asked: string })[] = [];
  /** Sets by id, as they were sent. */
  private readonly sent: SetRequest[] = [];
  /** What was said of sets that students counted alone, whether it was taken or not. */
  private readonly accepted: DecisionRequest[] = [];
  readonly deleted = new Set<string>();
  readonly told = new Set<string>();
  private readonly joined: (readonly [string, string])[] = [];

  constructor(
    readonly random: Random,
    readonly id: string,
    readonly people: readonly Client[],
    readonly students: readonly string[],
  ) {}

  get client(): Client {
    return pick(this.random, this.people);
  }

  /** Somebody who has not left. */
  async member(): Promise<Client> {
    for (const one of this.people) if ((await one.get("/api/studio")).status === 200) return one;
    throw new Error("Everybody has left.");
  }

  private get student(): string {
    return pick(this.random, this.students);
  }

  private at(): string {
    return new Date(Date.now() - between(this.random, 0, 40 * 24) * (DAY_MS / 24) - 1000).toISOString();
  }

  private async ask(method: string, path: string, body?: object): Promise<Answer> {
    const answer = await this.client.ask(method, `/api/${path}`, body);
    this.answers.push({ ...answer, asked: `${method} ${path} ${JSON.stringify(body)}` });
    return answer;
  }

  private fresh(): SetRequest {
    const clean = between(this.random, 0, 60);
    const [subject, side] = pick(this.random, [
      ["basic-bounce", "whole"],
      ["cross", "left"],
      ["cross", "right"],
      ["side-swing", "left"],
    ] as const);
    const counts = { clean, bestStreak: between(this.random, 0, clean) };
    const countedBy = this.random() < 0.3 ? "student" : "tapped";
    const set = setOf(this.student, { subject, side, ...counts, countedBy, at: this.at() });
    this.sent.push(set);
    return set;
  }

  /** Some sets, of any age, and now and then some that were sent before. */
  private async sets(): Promise<void> {
    const again = this.sent.length > 0 && this.random() < 0.4 ? [pick(this.random, this.sent)] : [];
    const sets = [...Array.from({ length: between(this.random, 1, 4) }, () => this.fresh()), ...again];
    const { status, body } = await this.ask("POST", "sets", { sets });
    if (status !== 200) return;
    const { stored, alreadyStored } = body as Record<"stored" | "alreadyStored", readonly string[]>;
    expect([...stored, ...alreadyStored].sort()).toEqual([...new Set(sets.map((set) => set.id))].sort());
    for (const set of sets) this.told.add(set.id);
  }

  /** Clears and reopens, and is about sets that were sent: taken back, accepted, the accepting taken back. */
  private async decisions(): Promise<void> {
    const target = this.sent.length > 0 && this.random() < 0.6 ? pick(this.random, this.sent) : null;
    const undone = this.accepted.length > 0 && this.random() < 0.2 ? pick(this.random, this.accepted) : null;
    const decision =
      undone !== null
        ? decisionOf(undone.studentId, {
            ...undone,
            id: uuid(),
            decision: { kind: "void", target: undone.id },
          })
        : target === null
          ? decisionOf(this.student, {
              at: this.at(),
              decision: pick(this.random, [{ kind: "clear", count: null }, { kind: "reopen" }] as const),
            })
          : decisionOf(target.studentId, {
              ...{ subject: target.subject, side: target.side, at: this.at() },
              decision: {
                kind: target.countedBy === "student" && this.random() < 0.6 ? "accept" : "void",
                target: target.id,
              },
            });
    if (decision.decision.kind === "accept") this.accepted.push(decision);
    await this.ask("POST", "decisions", { decisions: [decision] });
  }

  private async teach(): Promise<void> {
    const { version } = (await this.ask("GET", "studio")).body as StudioView;
    const change = pick(this.random, [
      { school: pick(this.random, SCHOOLS), keepCleared: this.random() < 0.5 },
      { timeZone: pick(this.random, ZONES) },
    ]);
    await this.ask("PATCH", "studio", { version, ...change });
  }

  private async teachOne(): Promise<void> {
    const id = this.student;
    const { status, body } = await this.ask("GET", `students/${id}/detail`);
    if (status !== 200) return;
    const { version } = body as StudentDetail;
    const change = pick(this.random, [
      { school: pick(this.random, [null, ...SCHOOLS]), keepCleared: this.random() < 0.5 },
      { archived: this.random() < 0.5 },
    ]);
    await this.ask("PATCH", `students/${id}`, { version, ...change });
  }

  private async role(): Promise<void> {
    const { status, body } = await this.ask("GET", "people");
    if (status !== 200) return;
    const { id } = pick(this.random, (body as { items: readonly MemberView[] }).items);
    await this.ask("PATCH", `people/${id}`, { role: pick(this.random, ROLES) });
  }

  /** Makes two records one, or takes two apart that are perhaps together. */
  private async joins(): Promise<void> {
    const [kept, second] = [this.student, this.student];
    if (this.random() < 0.3) {
      await this.ask("DELETE", `students/${kept}/second-records/${second}`);
      return;
    }
    const { status } = await this.ask("POST", `students/${kept}/second-records`, { id: second });
    if (status === 200) this.joined.push([kept, second]);
  }

  /** With a record all goes that is in it by then, of whichever record it was said. */
  private async delete(): Promise<void> {
    const id = this.student;
    if ((await this.ask("DELETE", `students/${id}`)).status === 200) this.deleted.add(id);
  }

  /** Whoever was deleted, and whoever's sets may have been in a record that was. */
  private get blurred(): ReadonlySet<string> {
    const all = new Set(this.deleted);
    for (let before = -1; before !== all.size;) {
      before = all.size;
      for (const pair of this.joined) if (pair.some((id) => all.has(id))) pair.forEach((id) => all.add(id));
    }
    return all;
  }

  anything(): Promise<unknown> {
    const chance = this.random();
    if (chance < 0.4) return this.sets();
    if (chance < 0.55) return this.decisions();
    if (chance < 0.72) return this.teach();
    if (chance < 0.8) return this.teachOne();
    if (chance < 0.87) return this.role();
    if (chance < 0.88) return this.delete();
    if (chance < 0.91) return this.joins();
    if (chance < 0.92) return this.ask("DELETE", "people/me");
    if (chance < 0.95) return this.ask(pick(this.random, ["PUT", "DELETE"]), `students/${this.student}/stop`);
    return this.ask("GET", "students");
  }

  /** Sets that somebody was told are stored, of students who are still there. */
  kept(): readonly string[] {
    const gone = this.blurred;
    const all = this.sent.filter((set) => this.told.has(set.id) && !gone.has(set.studentId));
    return [...new Set(all.map((set) => set.id))].sort();
  }
}

/** The students at a glance as a server tells them that has nothing kept. */
function freshGlances(studioId: string): Promise<readonly StudentView[]> {
  const of = <T>(type: Type<T>): T => server.app.get(type, { strict: false });
  const roster = new RosterService(
    of(StudentsService),
    of(StandingsService),
    of(MembersService),
    of(StopsService),
    new Glances(),
  );
  return of(Scopes).run({ studioId }, (scope) => roster.list(scope));
}

/** Chances fade while one is asked after the other. */
const told = (views: readonly StudentView[]) =>
  views.map(({ next, ...view }) => [view, next?.subject, next?.side, next?.drill]);

const rounded = (value: number) => Number(value.toPrecision(9));

/** Facts and landings of a studio, sums to nine digits. */
async function derived(studioId: string) {
  const { manager } = server.database;
  const order = { studentId: "ASC", subject: "ASC", side: "ASC" } as const;
  const facts = await manager.find(StandingEntity, { where: { studioId }, order });
  const loads = await manager.find(LessonLoadEntity, {
    where: { studioId },
    order: { studentId: "ASC", day: "ASC" },
  });
  const days = await manager.find(PracticeDayEntity, {
    where: { studioId },
    order: { studentId: "ASC", day: "ASC", subject: "ASC", side: "ASC" },
  });
  return {
    // As PostgreSQL keeps them, the keys stand in no order; what was said is a sum.
    days: days.map(({ sums: { odds, ...sums }, ...day }) => ({
      ...day,
      sums,
      odds: Object.entries(odds)
        .map(([kind, { said, ...one }]) => [kind, rounded(said), one] as const)
        .sort(([one], [other]) => (one < other ? -1 : 1)),
    })),
    facts: facts.map(({ clean, missed, foldedAt: _at, foldedId: _id, lessons, rungs, ...exact }) => ({
      ...exact,
      ...{ clean: rounded(clean), missed: rounded(missed) },
      lessons: lessons.map((one) => ({ ...one, chanceBefore: rounded(one.chanceBefore) })),
      rungs: Object.entries(rungs)
        .map(([id, one]) => [id, { ...one, clean: rounded(one.clean), missed: rounded(one.missed) }] as const)
        .sort(([one], [other]) => (one < other ? -1 : 1)),
    })),
    loads: loads.filter((row) => row.landings + row.estimated + row.multiples !== 0),
  };
}

/** Where students stand by what is in the database now, whatever is remembered of what was read. */
function freshStandings(studioId: string): Promise<ReadonlyMap<string, readonly string[]>> {
  return server.app.get(Scopes).run({ studioId }, async (scope) => {
    const students = await scope.manager.findBy(StudentEntity, { studioId });
    const readings = await server.app.get(StandingsService, { strict: false }).readings(scope, students);
    return new Map(
      [...readings].map(([id, { reading }]) => [id, reading.standings.map((one) => standingWords(one))]),
    );
  });
}

/** A standing without its chances, which fade while one is asked after the other. */
const standingWords = ({ of, status, facts }: Standing) =>
  `${of.subject} ${of.side} ${status} ${facts.bestStreak}`;

/** The numbers of what was changed in a studio, as others heard of it. */
async function changesOf(studioId: string): Promise<readonly number[]> {
  const rows = await server.database.query<readonly { number: string }[]>(
    "SELECT number FROM change WHERE studio_id = $1 ORDER BY number",
    [studioId],
  );
  return rows.map((row) => Number(row.number));
}

async function logOf(studioId: string): Promise<readonly string[]> {
  const rows = await server.database.query<readonly { id: string }[]>(
    "SELECT id FROM practice_set WHERE studio_id = $1 ORDER BY id",
    [studioId],
  );
  return rows.map((row) => row.id);
}

/**
 * Lines that stand with a record that is part of another, what is about a line of another student, and records that are
 * part of one that is a part itself.
 */
async function strayOf(studioId: string): Promise<readonly object[]> {
  return server.database.query(
    `SELECT 'set' AS what, line.id FROM practice_set line JOIN student ON student.id = line.student_id
       WHERE line.studio_id = $1 AND student.same_as IS NOT NULL
     UNION ALL SELECT 'decision', line.id FROM decision line JOIN student ON student.id = line.student_id
       WHERE line.studio_id = $1 AND student.same_as IS NOT NULL
     UNION ALL SELECT 'about another', line.id FROM decision line
       JOIN (SELECT id, student_id FROM practice_set UNION ALL SELECT id, student_id FROM decision) target
         ON target.id::text = line.decision ->> 'target'
       WHERE line.studio_id = $1 AND target.student_id <> line.student_id
     UNION ALL SELECT 'record', second.id FROM student second JOIN student kept ON kept.id = second.same_as
       WHERE second.studio_id = $1 AND (kept.same_as IS NOT NULL OR second.archived_at IS NULL)`,
    [studioId],
  );
}

async function ownersOf(studioId: string): Promise<number> {
  const [row] = await server.database.query<readonly { many: number }[]>(
    "SELECT count(*)::int AS many FROM membership WHERE studio_id = $1 AND role = 'owner'",
    [studioId],
  );
  return row?.many ?? 0;
}

describe("a studio that several people change at once, in any order and twice", () => {
  it.each(SEEDS)(
    "loses nothing, keeps an owner, and has the facts of its log (seed %i)",
    async (seed) => {
      const random = randomFrom(seed);
      const id = await server.addStudio(`Law ${seed}`);
      const people = await Promise.all(
        (["owner", "owner", "coach"] as const).map((role) => server.addPerson(id, role)),
      );
      const students = await Promise.all(["a", "b", "c", "d"].map((name) => server.addStudent(name, id)));
      const elsewhere = await derived(server.studioId);
      const studio = new Studio(random, id, people, students);
      for (let round = 0; round < ROUNDS; round += 1) {
        await Promise.all(Array.from({ length: AT_ONCE }, () => studio.anything()));
        expect(studio.answers.filter(({ status }) => !HONEST.includes(status))).toEqual([]);
        expect(await ownersOf(id)).toBeGreaterThan(0);
        expect(await strayOf(id)).toEqual([]);
        const member = await studio.member();
        const { body } = await member.get("/api/students");
        const { items } = body as { readonly items: readonly StudentView[] };
        expect(told(items)).toEqual(told(await freshGlances(id)));
        const fresh = await freshStandings(id);
        const put = await member.get("/api/students/archived");
        const { items: archived } = put.body as { readonly items: readonly ArchivedStudent[] };
        // Whoever was not deleted is in one of the two lists.
        expect([...items, ...archived].map(({ id: student }) => student).sort()).toEqual(
          [...fresh.keys()].sort(),
        );
        for (const student of fresh.keys()) {
          const read = await member.get(`/api/students/${student}/standings`);
          const known = (read.body as { readonly items: readonly StandingItem[] }).items;
          const words = known.map(
            ({ subject, side, status, bestStreak }) => `${subject} ${side} ${status} ${bestStreak}`,
          );
          expect(words).toEqual(fresh.get(student));
        }
      }
      const changes = await changesOf(id);
      expect(changes).toEqual(changes.map((_, place) => place + 1));
      const done = studio.answers.filter(({ status, asked }) => status === 200 && !asked.startsWith("GET"));
      expect(changes).toHaveLength(done.length);
      const log = await logOf(id);
      expect(studio.kept().filter((one) => !log.includes(one))).toEqual([]);
      const kept = await derived(id);
      await rebuildAll(server.database);
      expect(await derived(id)).toEqual(kept);
      expect(await derived(server.studioId)).toEqual(elsewhere);
    },
    30_000,
  );
});
