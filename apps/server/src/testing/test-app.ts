import type { DecisionRequest, NewCombo, NewLesson, Role, SetRequest } from "@mirrup/contract";
import { CATALOGUE } from "@mirrup/catalogue";
import { scoreOf } from "@mirrup/core";
import { partsOfScore } from "@mirrup/core/combos";
import type { NestExpressApplication } from "@nestjs/platform-express";
import { randomUUID } from "node:crypto";
import type { AddressInfo } from "node:net";
import pg from "pg";
import { DataSource } from "typeorm";
import { v7 as uuid } from "uuid";
import { AppModule } from "../app.module.js";
import { createApp } from "../app.js";
import { Passwords } from "../auth/passwords.js";
import { PersonEntity } from "../auth/person.entity.js";
import { createSessions } from "../auth/session.js";
import { databaseOptions } from "../database/data-source.js";
import { prepareDatabase } from "../database/prepare.js";
import { createLogger } from "../logger.js";
import type { Smtp } from "../mail/index.js";
import { MembershipEntity } from "../people/index.js";
import { NEW_STUDENT, StudentEntity } from "../students/student.entity.js";
import { NEW_STUDIO, StudioEntity } from "../studios/studio.entity.js";
import { Client, type Answer } from "./client.js";
import { RepliesFit } from "./replies-fit.js";

export const PASSWORD = "a long enough password";

function environment(name: string): string {
  const value = process.env[name];
  if (value === undefined) throw new Error(`${name} is not set; run the server's tests by npm test.`);
  return value;
}

function atDatabase(url: string, name: string): string {
  const changed = new URL(url);
  changed.pathname = `/${name}`;
  return changed.href;
}

/** A server on a database of its own, asked over HTTP as a browser would. */
export interface TestApp {
  readonly app: NestExpressApplication;
  readonly address: string;
  /** The database as the owner of the schema sees it: all of it. */
  readonly database: DataSource;
  /** The database as the server's own role sees it. */
  readonly appUrl: string;
  /** The same database as its owner reaches it. */
  readonly adminUrl: string;
  /** A studio whose owner is signed in as `owner`. */
  readonly studioId: string;
  readonly owner: Client;
  /** Asks as the owner. */
  readonly get: (path: string) => Promise<Answer>;
  readonly post: (path: string, body: unknown) => Promise<Answer>;
  /** A browser that nobody is signed in to. */
  readonly stranger: (studioId?: string | null) => Client;
  readonly addStudio: (name: string) => Promise<string>;
  /** Adds someone to a studio and signs them in. */
  readonly addPerson: (studioId: string, role: Role, email?: string) => Promise<Client>;
  readonly addStudent: (name: string, studioId?: string) => Promise<string>;
  /** Runs SQL as the owner of the schema. */
  readonly sql: <Row = unknown>(text: string, values?: readonly unknown[]) => Promise<readonly Row[]>;
  /** Runs SQL as the owner of the database server, outside this database. */
  readonly maintain: (text: string) => Promise<void>;
  readonly databaseName: string;
  readonly close: () => Promise<void>;
}

interface TestOptions {
  readonly bare?: boolean;
  /** Where its studios are; `noonZone()` for tests of what is of today. */
  readonly timeZone?: string;
  readonly smtp?: Smtp | null;
}

const SECRET = "a secret of the tests";

/** Starts a server; `bare` for one that nobody has set up. */
export async function startTestApp({
  bare = false,
  smtp = null,
  timeZone = "Europe/London",
}: TestOptions = {}): Promise<TestApp> {
  const databaseName = `test_${randomUUID().replaceAll("-", "")}`;
  const adminServer = environment("TEST_DATABASE_ADMIN_URL");
  const appUrl = atDatabase(environment("TEST_DATABASE_URL"), databaseName);
  const maintain = async (text: string) => {
    const client = new pg.Client({ connectionString: atDatabase(adminServer, "postgres") });
    await client.connect();
    await client.query(text).finally(() => client.end());
  };
  const databaseAdminUrl = atDatabase(adminServer, databaseName);
  await prepareDatabase({ databaseUrl: appUrl, databaseAdminUrl });
  const database = await new DataSource(databaseOptions(databaseAdminUrl)).initialize();
  const sessions = createSessions(appUrl, SECRET, false);
  const app = await createApp({
    module: AppModule.at({ databaseUrl: appUrl, version: "0.0.0-test", smtp, sessionSecret: SECRET }),
    logger: createLogger("silent"),
    sessions,
  });
  app.useGlobalInterceptors(new RepliesFit());
  await app.listen(0, "127.0.0.1");
  const { port } = app.getHttpServer().address() as AddressInfo;
  const address = `http://127.0.0.1:${port}`;
  const passwordHash = await new Passwords().hash(PASSWORD);

  const addStudio = async (name: string) => {
    const id = uuid();
    const rest = {
      ...NEW_STUDIO,
      timeZone,
      school: "quick-frontier" as const,
      isDemo: false,
      createdAt: new Date(),
    };
    await database.manager.insert(StudioEntity, { id, name, ...rest });
    return id;
  };
  const addPerson = async (studioId: string, role: Role, email = `${randomUUID()}@hall.example`) => {
    const id = uuid();
    await database.manager.insert(PersonEntity, {
      id,
      email,
      name: email,
      passwordHash,
      createdAt: new Date(),
    });
    await database.manager.insert(MembershipEntity, { studioId, personId: id, role });
    const client = new Client(address, studioId);
    await client.signIn(email, PASSWORD);
    return client;
  };
  const studioId = bare ? "" : await addStudio("Test Hall");
  const owner = bare ? new Client(address, null) : await addPerson(studioId, "owner", "owner@hall.example");
  return {
    app,
    address,
    database,
    appUrl,
    adminUrl: databaseAdminUrl,
    studioId,
    owner,
    get: (path) => owner.get(path),
    post: (path, body) => owner.post(path, body),
    stranger: (studio = studioId) => new Client(address, studio),
    addStudio,
    addPerson,
    addStudent: async (name, studio = studioId) => {
      const id = uuid();
      const rest = { ...NEW_STUDENT, createdAt: new Date() };
      await database.manager.insert(StudentEntity, { ...rest, studioId: studio, id, name });
      return id;
    },
    sql: (text, values = []) => database.query(text, [...values]),
    maintain,
    databaseName,
    close: async () => {
      await app.close();
      await sessions.close();
      await database.destroy();
      await maintain(`DROP DATABASE ${databaseName} WITH (FORCE)`);
    },
  };
}

/** A streak of the basic bounce an hour ago, ten clean and all in a row, but for what is given. */
export function setOf(studentId: string, changes: Partial<SetRequest> = {}): SetRequest {
  return {
    id: uuid(),
    studentId,
    subject: "basic-bounce",
    side: "whole",
    drill: { kind: "streak", count: 20 },
    clean: 10,
    misses: [],
    bestStreak: 10,
    countedBy: "tapped",
    at: new Date(Date.now() - 3_600_000).toISOString(),
    ...changes,
  };
}

/** A clearing by hand of the left cross an hour ago, but for what is given. */
export function decisionOf(studentId: string, changes: Partial<DecisionRequest> = {}): DecisionRequest {
  return {
    id: uuid(),
    studentId,
    subject: "cross",
    side: "left",
    decision: { kind: "clear", count: null },
    reason: "Shown at another hall.",
    at: new Date(Date.now() - 3_600_000).toISOString(),
    ...changes,
  };
}

/** A lesson of an hour on a day of June, of no group, but for what is given. */
export function lessonOf(changes: Partial<NewLesson> = {}): NewLesson {
  return { id: uuid(), title: "Monday class", day: "2026-06-01", minutes: 60, ...changes };
}

/** Two side swings, a double and a cross between bounces, but for what is given. */
export function comboOf(changes: Partial<NewCombo> = {}): NewCombo {
  const parts = partsOfScore(CATALOGUE, scoreOf("o sr sl (o o) xr o"));
  return { id: uuid(), name: "Swings, double, cross", parts, ...changes };
}
