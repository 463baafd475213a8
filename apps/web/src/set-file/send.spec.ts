import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { ReadSet } from "./set-file.js";
import { sendSets, takeBack } from "./send.js";

const lines = (many: number): ReadSet[] =>
  Array.from({ length: many }, (_, at) => ({
    line: at + 2,
    set: {
      ...{
        id: `${at}`,
        studentId: "ada",
        subject: "cross",
        side: "left",
        drill: { kind: "streak", count: 5 },
      },
      ...{ clean: 5, misses: [], bestStreak: 5, countedBy: "hand", at: "2026-06-01T12:00:00.000Z" },
    },
  }));
interface Body {
  readonly sets: readonly { readonly id: string }[];
}

/** A server that has some sets, refuses others by their id, and keeps what it was sent. */
function server({ known = [], bad = [] }: { known?: readonly string[]; bad?: readonly string[] } = {}) {
  const sent: string[][] = [];
  const answer = (status: number, body: object) => ({
    ...{ ok: status < 400, status, headers: new Headers(), json: () => Promise.resolve(body) },
  });
  Object.assign(globalThis, {
    fetch: jest.fn((_path: unknown, init: { body: string }) => {
      const ids = (JSON.parse(init.body) as Body).sets.map(({ id }) => id);
      sent.push(ids);
      const errors = ids.flatMap((id, item) =>
        bad.includes(id) ? [{ item, id, field: "subject", code: "x", message: `Not ${id}.` }] : [],
      );
      if (errors.length > 0)
        return Promise.resolve(answer(422, { type: "refused", title: "", detail: "", status: 422, errors }));
      return Promise.resolve(
        answer(200, {
          stored: ids.filter((id) => !known.includes(id)),
          alreadyStored: ids.filter((id) => known.includes(id)),
        }),
      );
    }),
  });
  return sent;
}
const going = () => new AbortController().signal;
const fetched = globalThis.fetch;
afterEach(() => {
  Object.assign(globalThis, { fetch: fetched });
});

describe("sets of a file on their way", () => {
  it("go a batch after another, and are told of as they go", async () => {
    const sent = server({ known: ["3"] });
    const told: number[] = [];
    const { sets, known } = await sendSets(lines(1100), (many) => told.push(many), going());
    expect(sent.map((ids) => ids.length)).toEqual([500, 500, 100]);
    expect(told).toEqual([500, 1000, 1100]);
    expect([sets.length, known]).toEqual([1099, 1]);
  });

  it("leave out the lines that are refused, with why, and store the rest", async () => {
    server({ bad: ["1", "501"] });
    const { sets, refused } = await sendSets(lines(502), () => undefined, going());
    expect(sets).toHaveLength(500);
    expect(refused).toEqual([
      { line: 3, message: "Not 1." },
      { line: 503, message: "Not 501." },
    ]);
  });

  it("stop where they are told to, and what was stored by then is known", async () => {
    const ended = new AbortController();
    server();
    const { sets } = await sendSets(lines(1600), () => ended.abort(), ended.signal);
    expect(sets).toHaveLength(500);
  });

  it("are all taken back, a decision a set", async () => {
    const bodies: unknown[] = [];
    Object.assign(globalThis, {
      fetch: (_path: unknown, init: { body: string }) => {
        bodies.push(JSON.parse(init.body));
        return Promise.resolve({
          ok: true,
          status: 200,
          headers: new Headers(),
          json: () => Promise.resolve({}),
        });
      },
    });
    await takeBack(
      lines(501).map(({ set }) => set),
      new Date("2026-06-02T12:00:00Z"),
    );
    const decided = bodies.flatMap((body) => (body as { decisions: { decision: object }[] }).decisions);
    expect(decided).toHaveLength(501);
    expect(decided[7]).toMatchObject({
      ...{ studentId: "ada", subject: "cross", side: "left", reason: "" },
      decision: { kind: "void", target: "7" },
    });
  });
});
