/**
 * What a long record costs to look at: a year's charts and a side's course of 30,000 sets beside those of 300, adding a
 * set to it, a studio saved as one file; and how much memory the server takes for that.
 */
import { randomUUID } from "node:crypto";
import { setTimeout as sleep } from "node:timers/promises";
import pg from "pg";
import { medianTimes, printRatio, residentMegabytes } from "./lib/measure.mjs";
import { endAll } from "./lib/processes.mjs";
import { coachHeaders, throwawayStack } from "./lib/stack.mjs";
import { main } from "./lib/stop.mjs";

const LONG = 30_000;
const SHORT = 300;
const ARCHIVED = Number(process.env.BENCH_ARCHIVE_SETS ?? 200_000);
const MIB = 1_048_576;

/** The most memory that a process took while something was done, MiB. */
async function mostMemory(pid, work) {
  let most = residentMegabytes(pid);
  let isOver = false;
  const looking = (async () => {
    while (!isOver) {
      await sleep(50);
      most = Math.max(most, residentMegabytes(pid));
    }
  })();
  await work().finally(() => (isOver = true));
  await looking;
  return most;
}

export async function benchRecord({ address, postgres, server }, headers) {
  const api = `${address}/api`;
  const ask = async (method, path, body) => {
    const reply = await fetch(`${api}${path}`, { method, headers, body: body && JSON.stringify(body) });
    return { status: reply.status, body: await reply.json() };
  };
  const add = async (name) => (await ask("POST", "/students", { name })).body.id;
  const [short, long] = [await add("Short record"), await add("Long record")];
  const database = new pg.Client({ connectionString: postgres.adminUrl });
  await database.connect();
  // As many a lesson for both, over as much longer a time; twelve sides by turns.
  const fill = (id, many) =>
    database.query(
      `INSERT INTO practice_set (studio_id, id, student_id, subject, side, drill, clean, misses, best_streak,
         counted_by, said, device_at, received_at, happened_at, catalogue_version)
       SELECT $1, gen_random_uuid(), $2,
         (ARRAY['basic-bounce', 'cross', 'side-swing', 'double-under', 'skier', 'bell'])[1 + n % 6],
         CASE WHEN n % 6 IN (1, 2) THEN (ARRAY['left', 'right'])[1 + n % 2] ELSE 'whole' END,
         '{"kind": "streak", "count": 20}', 18, '[{"position": 3, "fault": "toes"}]', 15,
         'tapped', 0.7, at, at, at, 'bench'
       FROM (SELECT n, now() - interval '1 hour' - interval '2.5 days' * (n / 30) - interval '2 minutes' * (n % 30) AS at
         FROM generate_series(1, $3) AS n) AS log`,
      [headers["x-mirrup-studio"], id, many],
    );
  await fill(long, LONG);
  await fill(short, SHORT);
  await database.query("UPDATE student SET facts_rules = '' WHERE id = ANY ($1)", [[short, long]]);
  for (const id of [short, long]) await ask("GET", `/students/${id}/standings`);

  const to = new Date().toISOString().slice(0, 10);
  const year = new Date(Date.now() - 364 * 86_400_000).toISOString().slice(0, 10);
  const charts = await medianTimes(
    {
      short: () => ask("GET", `/students/${short}/progress`),
      long: () => ask("GET", `/students/${long}/progress`),
      year: () => ask("GET", `/students/${long}/progress?from=${year}&to=${to}`),
    },
    { rounds: 40, warmUp: 5 },
  );
  printRatio(`twelve weeks of a record of ${LONG} sets`, charts.long, charts.short, `those of ${SHORT}`);
  printRatio("  a whole year of it", charts.year, charts.short, `twelve weeks of ${SHORT}`);
  const course = await medianTimes(
    {
      short: () => ask("GET", `/students/${short}/progress/side?subject=cross&side=left`),
      long: () => ask("GET", `/students/${long}/progress/side?subject=cross&side=left`),
    },
    { rounds: 40, warmUp: 5 },
  );
  printRatio("  the course of one side of it", course.long, course.short, `that of ${SHORT}`);
  // The last page but one of a record that reaches as far back, and what asks for few of its lines.
  const before = (days) =>
    `before=${encodeURIComponent(`${new Date(Date.now() - days * 86_400_000).toISOString()}~${randomUUID()}`)}`;
  const log = await medianTimes(
    {
      short: () => ask("GET", `/students/${short}/log`),
      long: () => ask("GET", `/students/${long}/log`),
      late: () => ask("GET", `/students/${long}/log?${before(2400)}`),
      milestones: () => ask("GET", `/students/${long}/log?kind=milestone`),
      words: () => ask("GET", `/students/${long}/log?text=wrists`),
    },
    { rounds: 40, warmUp: 5 },
  );
  printRatio("  a page of its log", log.long, log.short, `that of ${SHORT}`);
  printRatio("  a page of years ago", log.late, log.short, `the first of ${SHORT}`);
  printRatio("  its clearings and reviews", log.milestones, log.short, `a page of ${SHORT}`);
  printRatio(
    "  words that nobody wrote, looked for in all of it",
    log.words,
    log.short,
    `a page of ${SHORT}`,
  );
  const setOf = (studentId) => ({
    ...{ id: randomUUID(), studentId, subject: "cross", side: "left", drill: { kind: "streak", count: 20 } },
    ...{ clean: 9, misses: [], bestStreak: 9, countedBy: "tapped", at: new Date().toISOString() },
  });
  const sets = await medianTimes(
    {
      short: () => ask("POST", "/sets", { sets: [setOf(short)] }),
      long: () => ask("POST", "/sets", { sets: [setOf(long)] }),
    },
    { rounds: 40, warmUp: 5 },
  );
  printRatio("  one more set of it, with its day's sums", sets.long, sets.short, `of ${SHORT}`);
  const class_ = await medianTimes(
    {
      students: () => ask("GET", "/students"),
      year: () => ask("GET", `/progress?from=${year}&to=${to}`),
    },
    { rounds: 15, warmUp: 3 },
  );
  printRatio("a year of everybody's record", class_.year, class_.students, "everybody at a glance");

  await database.query("UPDATE membership SET role = 'owner' WHERE studio_id = $1", [
    headers["x-mirrup-studio"],
  ]);
  const save = async () => {
    const reply = await fetch(`${api}/studio/archive`, { headers });
    let bytes = 0;
    for await (const chunk of reply.body) bytes += chunk.length;
    return bytes;
  };
  const timed = async () => {
    const before = performance.now();
    const bytes = await save();
    return { bytes, milliseconds: performance.now() - before };
  };
  await save();
  const few = await timed();
  await fill(short, ARCHIVED);
  const [{ sets: all }] = (
    await database.query("SELECT count(*)::int AS sets FROM practice_set WHERE studio_id = $1", [
      headers["x-mirrup-studio"],
    ])
  ).rows;
  const { pid } = server().child;
  const rest = residentMegabytes(pid);
  let many;
  const most = await mostMemory(pid, async () => (many = await timed()));
  printRatio(
    `a studio of ${all} sets as one file (${(many.bytes / MIB).toFixed(0)} MiB)`,
    many.milliseconds,
    few.milliseconds,
    `one of ${all - ARCHIVED}`,
  );
  if (most > 0)
    console.log(`  the server takes ${(most - rest).toFixed(0)} MiB more for it, ${most.toFixed(0)} in all`);
  await database.end();
}

if (process.argv[1] === import.meta.filename)
  await main(async () => {
    try {
      const stack = await throwawayStack();
      await benchRecord(stack, await coachHeaders(stack.address));
    } finally {
      await endAll();
    }
  });
