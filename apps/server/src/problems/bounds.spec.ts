import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { between, randomFrom } from "@mirrup/cohort";
import {
  MAX_IMPORT,
  STUDIO_HEADER,
  type Problem,
  type ProblemError,
  type SetRequest,
} from "@mirrup/contract";
import { DataSource, QueryFailedError } from "typeorm";
import { v7 as uuid } from "uuid";
import { loggedUrl } from "../app.js";
import { decisionOf, lessonOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";
import { faultOf } from "./problem.filter.js";

let server: TestApp;
let student: string;
beforeAll(async () => {
  server = await startTestApp();
  student = await server.addStudent("Bounds Case");
});
afterAll(() => server.close());

const NOUGHT = "a\0b";
const HALF = "half \ud83d of a character";

describe("what cannot be stored", () => {
  const bad: readonly (readonly [string, Partial<SetRequest>])[] = [
    ["a nought in a subject", { subject: NOUGHT }],
    ["half a character in a drill", { drill: { kind: "streak", about: HALF } }],
    ["a nought in a fault", { misses: [{ fault: NOUGHT as "baulk" }] }],
    ["an id in brackets", { id: `[${uuid()}]` }],
    ["an id with letters behind", { id: `${uuid()}f` }],
    ["the year nought", { at: "0000-01-01T00:00:00.000Z" }],
    ["a year long gone", { at: "1066-10-14T09:00:00.000Z" }],
    ["a year far away", { at: "9999-12-31T23:59:59.000Z" }],
    ["no instant at all", { at: "2026-13-41T00:00:00.000Z" }],
    ["misses without end", { clean: 0, bestStreak: 0, misses: Array(400).fill({ count: 100_000 }) }],
  ];
  it.each(bad)("is refused with its field: %s", async (_what, changes) => {
    const good = setOf(student);
    const { status, body } = await server.post("/api/sets", { sets: [good, setOf(student, changes)] });
    const { type, errors } = body as Problem;
    expect([status, type]).toEqual([400, "invalid-request"]);
    expect(new Set(errors?.map((error) => error.item))).toEqual(new Set([1]));
    // Without it the rest goes through: the device sets aside what is named, and nothing else.
    expect((await server.post("/api/sets", { sets: [good] })).status).toBe(200);
  });

  it("is refused wherever text goes in", async () => {
    const answers = await Promise.all([
      server.post("/api/students", { name: NOUGHT }),
      server.post("/api/groups", { name: HALF }),
      server.post("/api/lessons", { lessons: [lessonOf({ title: NOUGHT })] }),
      server.post("/api/lessons", { lessons: [lessonOf({ day: "0000-01-01" })] }),
      server.post("/api/decisions", { decisions: [decisionOf(student, { reason: NOUGHT })] }),
      server.get(`/api/students/${student}/sets?subject=cro%00ss&side=left`),
      server.get("/api/students/%5Bnobody%5D"),
      server.stranger().signIn("a\0@hall.example", "whatever it is"),
    ]);
    for (const { status } of answers) expect([400, 404]).toContain(status);
  });

  it("is named fifty times at most", async () => {
    const sets = Array.from({ length: 300 }, () => ({ ...setOf(student), clean: -1 }));
    const { status, body } = await server.post("/api/sets", { sets });
    expect([status, (body as { errors: unknown[] }).errors.length]).toEqual([400, 50]);
  });
});

describe("a batch with faults here and there", () => {
  it.each([1, 2, 3, 4])(
    "has the first of them named by their places, as one by one (seed %i)",
    async (seed) => {
      const random = randomFrom(seed);
      const share = [0.02, 0.1, 0.5, 1][seed - 1] ?? 1;
      const faulty: readonly Partial<SetRequest>[] = [
        { clean: -1 },
        { bestStreak: 11 },
        { id: "nobody" },
        { misses: [{ position: 0 }, { position: -1 }] },
      ];
      const sets = Array.from({ length: between(random, 26, 90) }, () => {
        const wrong = random() < share ? faulty[between(random, 0, faulty.length - 1)] : {};
        return setOf(student, wrong);
      });
      const { status, body } = await server.post("/api/sets", { sets });
      const alone: ProblemError[][] = [];
      // One after the other: a server that has too much to do at once says so, and judges nothing.
      for (const [item, set] of sets.entries()) {
        const { errors = [] } = (await server.post("/api/sets", { sets: [set] })).body as Problem;
        alone.push(errors.map((error) => ({ ...error, item })));
      }
      // What only the log's rules find wrong is said once the shapes fit.
      const shapes = alone
        .flat()
        .filter((error) => error.code === "does-not-fit")
        .slice(0, 50);
      if (shapes.length > 0) expect([status, (body as Problem).errors]).toEqual([400, shapes]);
    },
  );

  it("says of the rest of its body once, and of the whole where only that does not fit", async () => {
    const sets = Array.from({ length: 60 }, () => setOf(student));
    const { errors } = (await server.post("/api/sets", { sets, more: 1 })).body as Problem;
    expect(errors?.map(({ field, item }) => [field, item])).toEqual([["more", undefined]]);
    const many = Array.from({ length: 501 }, () => setOf(student));
    const whole = (await server.post("/api/sets", { sets: many })).body as Problem;
    expect(whole.errors).toEqual([expect.objectContaining({ field: "sets" })]);
  });
});

describe("what is too much", () => {
  const nested = (depth: number) => `{"sets":${"[".repeat(depth)}${"]".repeat(depth)}}`;
  it.each([
    ["nests without end", nested(50_000), 413],
    ["nests deeper than anything does", nested(50), 413],
    ["has a value too many", JSON.stringify({ sets: Array.from({ length: 120_001 }, () => 0) }), 413],
    [
      "has as many keys as there is room for",
      JSON.stringify(Object.fromEntries(Array.from({ length: 2e5 }, (_, at) => [`k${at}`, 1]))),
      413,
    ],
    ["is larger than anything is", `{"sets":"${"x".repeat(5e6)}"}`, 413],
    ["is no JSON", `{"sets":`, 400],
  ])("is refused, and is no fault of ours: what %s", async (_what, text, wanted) => {
    const response = await fetch(`${server.address}/api/sets`, {
      method: "POST",
      headers: {
        "content-type": "application/json",
        ...{ cookie: server.owner.sessionCookie(), [STUDIO_HEADER]: server.studioId },
      },
      body: text,
    });
    expect(response.status).toBe(wanted);
    expect(response.headers.get("content-type")).toContain("application/problem+json");
  });

  it("is not the largest file of students that may be brought in, with all that a roster says of each", async () => {
    const row = {
      birthYear: 2012,
      yearsJumping: 3.5,
      heightMm: 1480,
      dominantHand: "left",
      strongerSide: "right",
    };
    const rest = {
      ropeKind: "beaded",
      ropeLengthMm: 2400,
      notes: "n".repeat(300),
      groups: ["Mondays", "Show"],
    };
    const students = Array.from({ length: MAX_IMPORT }, (_, at) => ({
      id: uuid(),
      name: `Large ${at}`,
      ...row,
      ...rest,
    }));
    const { status, body } = await server.post("/api/students/import", { students });
    expect([status, body]).toEqual([200, { students: MAX_IMPORT, groups: 2 }]);
  }, 60_000);

  it("is less from somebody who is not signed in", async () => {
    const { status } = await server.stranger().signIn("wren@hall.example", "x".repeat(20_000));
    expect(status).toBe(413);
  });
});

describe("the log", () => {
  it("says of a failed query what failed and nothing of whom", async () => {
    const source = new DataSource({ type: "postgres", url: server.appUrl });
    await source.initialize();
    const name = "Wren Confidential";
    const failed: unknown = await source
      .query("INSERT INTO student (name, birth_year) VALUES ($1, $2)", [name, "born in 2014"])
      .catch((error: unknown) => error);
    await source.destroy();
    expect(failed).toBeInstanceOf(QueryFailedError);
    const fault = faultOf(failed);
    expect(fault).toMatchObject({ type: "QueryFailedError", code: "22P02" });
    expect(fault.query).toContain("INSERT INTO student");
    expect(fault.stack).toMatch(/^\s+at /);
    expect(JSON.stringify(fault)).not.toMatch(/Wren|2014/);
  });

  it("says what a fault of the program's own is", () => {
    expect(faultOf(new RangeError("place 4 of 4"))).toMatchObject({
      type: "RangeError",
      message: "place 4 of 4",
    });
    expect(faultOf(undefined)).toEqual({});
  });

  it.each([
    ["/api/students/0190?x=1", "/api/students/0190"],
    ["/api/shared-combos/very-secret", "/api/shared-combos/…"],
    ["/api/shared-combos/very-secret/more?y", "/api/shared-combos/…"],
    ["/api/home/very-secret/sets", "/api/home/…"],
    ["/home/very-secret", "/home/…"],
  ])("has %s as %s", (url, logged) => {
    expect(loggedUrl(url)).toBe(logged);
  });
});
