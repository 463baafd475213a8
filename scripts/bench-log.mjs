/**
 * What a long log and a large studio cost: a set that comes late, many at once, a lesson that arrives a day late,
 * everybody at a glance, bodies that are refused. Beside the same with a short log, few students, a body that fits.
 */
import { randomUUID } from "node:crypto";
import pg from "pg";
import { medianTimes, printRatio } from "./lib/measure.mjs";
import { endAll } from "./lib/processes.mjs";
import { coachHeaders, throwawayStack } from "./lib/stack.mjs";
import { main } from "./lib/stop.mjs";

const SETS = 27_000;
const STUDENTS = 2_000;
const MINUTE = 60_000;

const setOf = (studentId, minutesAgo, changes = {}) => ({
  ...{
    id: randomUUID(),
    studentId,
    subject: "basic-bounce",
    side: "whole",
    drill: { kind: "streak", count: 20 },
  },
  ...{ clean: 18, misses: [{ position: 12 }], bestStreak: 11, countedBy: "tapped" },
  at: new Date(Date.now() - minutesAgo * MINUTE).toISOString(),
  ...changes,
});

/** The longest that a health check waited while something was done, milliseconds. */
async function longestWait(api, work) {
  let isOver = false;
  let longest = 0;
  const asking = (async () => {
    while (!isOver) {
      const before = performance.now();
      await (await fetch(`${api}/health`)).text();
      longest = Math.max(longest, performance.now() - before);
    }
  })();
  await work();
  isOver = true;
  await asking;
  return longest;
}

export async function benchLog({ address, postgres }, headers) {
  const api = `${address}/api`;
  const send = async (method, path, body) => {
    const text = typeof body === "string" || body === undefined ? body : JSON.stringify(body);
    const reply = await fetch(`${api}${path}`, { method, headers, body: text });
    return { status: reply.status, body: await reply.json() };
  };
  const sets = (all) => send("POST", "/sets", { sets: all });
  const add = async (name) => (await send("POST", "/students", { name })).body.id;
  const [short, long] = [await add("Short log"), await add("Long log")];
  const database = new pg.Client({ connectionString: postgres.adminUrl });
  await database.connect();
  const fill = (id, many) =>
    database.query(
      `INSERT INTO practice_set (studio_id, id, student_id, subject, side, drill, clean, misses, best_streak,
         counted_by, device_at, received_at, happened_at, catalogue_version)
       SELECT $1, gen_random_uuid(), $2, 'basic-bounce', 'whole', '{"kind": "streak", "count": 20}', 18, '[]', 18,
         'tapped', at, at, at, 'bench'
       FROM (SELECT now() - interval '1 day' - interval '25 minutes' * n AS at FROM generate_series(1, $3) AS n) AS log`,
      [headers["x-mirrup-studio"], id, many],
    );
  await fill(long, SETS);
  await fill(short, 20);
  await database.query("UPDATE student SET facts_rules = '' WHERE id = ANY ($1)", [[short, long]]);
  for (const id of [short, long]) await sets([setOf(id, 0)]);

  const one = await medianTimes(
    { inOrder: () => sets([setOf(long, 0)]), late: () => sets([setOf(long, 120)]) },
    { rounds: 30, warmUp: 5 },
  );
  printRatio(`a set that comes two hours late after ${SETS}`, one.late, one.inOrder, "one in order");
  const page = (id, before = "") => send("GET", `/students/${id}/log${before}`);
  const middle = encodeURIComponent(
    `${new Date(Date.now() - 300 * 86_400_000).toISOString()}~${randomUUID()}`,
  );
  const pages = await medianTimes(
    { short: () => page(short), first: () => page(long), middle: () => page(long, `?before=${middle}`) },
    { rounds: 30, warmUp: 5 },
  );
  printRatio(`the first page of a log of ${SETS} sets`, pages.first, pages.short, "the page of a log of 20");
  printRatio("a page of it from 300 days ago", pages.middle, pages.first, "its first page");

  const lesson = (id) => Array.from({ length: 120 }, (_, at) => setOf(id, 24 * 60 + at));
  const day = await medianTimes(
    { short: () => sets(lesson(short)), long: () => sets(lesson(long)) },
    { rounds: 7, warmUp: 2 },
  );
  printRatio(`a lesson of 120 sets a day late after ${SETS}`, day.long, day.short, "after 20");
  const answers = await Promise.all(Array.from({ length: 30 }, () => sets([setOf(long, 120)])));
  console.log(
    `  of thirty late sets at once ${answers.filter((answer) => answer.status === 200).length} are stored`,
  );

  const all = () => send("GET", "/students");
  const few = await medianTimes({ all }, { rounds: 20, warmUp: 3 });
  const before = (await all()).body.items.length;
  await database.query(
    `INSERT INTO student SELECT (jsonb_populate_record(one, jsonb_build_object(
       'id', gen_random_uuid(), 'name', 'Jumper ' || n))).* FROM student AS one, generate_series(1, $2) AS n WHERE one.id = $1`,
    [short, STUDENTS],
  );
  const cold = await longestWait(api, all);
  const many = await medianTimes({ all }, { rounds: 20, warmUp: 3 });
  printRatio(`${STUDENTS + before} students at a glance`, many.all, few.all, `${before}`);
  printRatio("  a health check beside the first time", cold, 50, "the limit");
  printRatio("  and beside the next", await longestWait(api, all), 50, "the limit");

  const fits = () => sets([setOf(short, 0)]);
  const refused = {
    "60,000 sets without a thing in them": JSON.stringify({ sets: Array(60_000).fill({}) }),
    "400 sets, each wrong in every field": JSON.stringify({ sets: Array(400).fill({ a: 1 }) }),
    "50,000 lists in one another": `{"sets":${"[".repeat(50_000)}${"]".repeat(50_000)}}`,
    "200,000 keys": JSON.stringify(
      Object.fromEntries(Array.from({ length: 200_000 }, (_, at) => [`k${at}`, 1])),
    ),
  };
  for (const [what, body] of Object.entries(refused)) {
    const { fit, not } = await medianTimes(
      { fit: fits, not: () => send("POST", "/sets", body) },
      { rounds: 7, warmUp: 2 },
    );
    printRatio(`refusing ${what}`, not, fit, "taking one set");
  }
  await database.end();
}

if (process.argv[1] === import.meta.filename)
  await main(async () => {
    try {
      const stack = await throwawayStack();
      await benchLog(stack, await coachHeaders(stack.address));
    } finally {
      await endAll();
    }
  });
