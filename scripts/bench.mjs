/** `npm run bench`: how fast, as ratios to a named reference in the same run. Asserts nothing. */
import { randomUUID } from "node:crypto";
import { benchFigure, benchPoses } from "./bench-figure.mjs";
import { benchLoad } from "./bench-load.mjs";
import { benchLog } from "./bench-log.mjs";
import { benchRecord } from "./bench-record.mjs";
import { benchMap } from "./bench-map.mjs";
import { benchOwnCatalogue, benchOwnPreview } from "./bench-own.mjs";
import { benchPlacement } from "./bench-placement.mjs";
import { benchTaps } from "./bench-tap.mjs";
import { buildIfStale } from "./lib/build.mjs";
import { CHROMIUM_ARGS } from "./lib/chromium-args.mjs";
import { ensureChromium, ensureNodeModules } from "./lib/install.mjs";
import { medianTimes, printRatio, residentMegabytes } from "./lib/measure.mjs";
import { endAll, endOnSignals, run } from "./lib/processes.mjs";
import { coachHeaders, throwawayStack } from "./lib/stack.mjs";
import { main, Stop } from "./lib/stop.mjs";

async function ask(url, init) {
  const reply = await fetch(url, init);
  const body = await reply.json();
  if (!reply.ok) throw new Stop(`${url} answered ${reply.status}: ${body.detail}`);
  return body;
}

const post = (url, body, headers) => ask(url, { method: "POST", headers, body: JSON.stringify(body) });

function newSet(studentId) {
  return {
    id: randomUUID(),
    studentId,
    subject: "basic-bounce",
    side: "whole",
    drill: { kind: "streak", count: 20 },
    clean: 18,
    misses: [{ position: 12 }],
    bestStreak: 11,
    countedBy: "tapped",
    at: new Date().toISOString(),
  };
}

async function benchReads(api, studentId, headers) {
  const { standings, one } = await medianTimes(
    {
      one: () => ask(`${api}/bench/select-one`, { headers }),
      standings: () => ask(`${api}/students/${studentId}/standings`, { headers }),
    },
    { rounds: 300 },
  );
  printRatio(
    "standings of one student",
    standings,
    one,
    "SELECT 1 through the same server, scope and transaction",
  );
}

/** One student's hour, planned, against reading where they stand. */
async function benchPlan(api, studentId, headers) {
  const { plan, standings } = await medianTimes(
    {
      standings: () => ask(`${api}/students/${studentId}/standings`, { headers }),
      plan: () => ask(`${api}/students/${studentId}/plan?minutes=60`, { headers }),
    },
    { rounds: 30 },
  );
  printRatio("one student's 60 minutes planned", plan, standings, "reading the standings");
}

/** A class of 500 in one request, against as many single ones. */
async function benchGrid(api, headers) {
  const SIZE = 500;
  const students = Array.from({ length: SIZE }, (_, place) => ({
    name: `Jumper ${place}`,
    groups: ["bench"],
  }));
  await post(`${api}/students/import`, { students }, headers);
  const { items } = await ask(`${api}/groups`, { headers });
  const { id, members } = items.find((group) => group.name === "bench");
  const subjects = ["basic-bounce", "run-step", "side-swing", "cross", "double-under"];
  for (let from = 0; from < SIZE; from += 100) {
    const sets = members.slice(from, from + 100).flatMap((studentId, place) =>
      subjects.slice(0, 1 + (place % subjects.length)).map((subject) => ({
        ...newSet(studentId),
        subject,
        side: subject === "side-swing" || subject === "cross" ? "right" : "whole",
        clean: 30,
        bestStreak: 25,
        misses: [{ position: 31 }],
      })),
    );
    await post(`${api}/sets`, { sets }, headers);
  }
  const singles = async () => {
    for (const member of members) await ask(`${api}/students/${member}/standings`, { headers });
  };
  const grid = () => ask(`${api}/grid?group=${id}`, { headers });
  const { one, many } = await medianTimes({ one: grid, many: singles }, { rounds: 3, warmUp: 1 });
  printRatio("the grid of 500 students", one, many, "500 single requests");
  const { sides, students: rows } = await grid();
  const bytes = (JSON.stringify(rows).length + JSON.stringify(sides).length) / rows.length;
  printRatio("bytes a student in it", bytes, 300, "the limit", "bytes");
  await benchOwnPreview({ ask, post }, api, headers, { id, members });
}

async function benchPaths() {
  const { goalPath, HANDBOOK_MODEL, readingOf, syllabusOf } = await import("./lib/core.mjs");
  const { CATALOGUE, SCHOOLS } = await import("../packages/catalogue/dist/index.js");
  const syllabus = syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
  const read = () =>
    readingOf({
      ...{ syllabus, model: HANDBOOK_MODEL, now: Date.UTC(2026, 5, 1), today: "2026-06-01" },
      factsOf: () => undefined,
    });
  const reading = read();
  const topological = () => {
    const done = new Set();
    const order = [];
    const visit = (id) => {
      if (done.has(id)) return;
      done.add(id);
      for (const need of CATALOGUE.skills.get(id).needs) for (const { skill } of need.anyOf) visit(skill);
      order.push(id);
    };
    for (const id of CATALOGUE.skills.keys()) visit(id);
    return order;
  };
  const pass = microseconds(topological);
  const hardest = [{ subject: "side-cross-back-quad", side: "both" }];
  const all = CATALOGUE.order.map((subject) => ({ subject, side: "both" }));
  const path = (goals) => microseconds(() => goalPath(reading, goals));
  const reference = "one topological pass over the catalogue";
  printRatio("the path to the furthest skill, from nothing", path(hardest), pass, reference, "µs");
  printRatio("the path to every skill at once, from nothing", path(all), pass, reference, "µs");
  printRatio("standings of every side", microseconds(read), pass, reference, "µs");
}

async function benchWrites(api, studentId, headers) {
  const sets = () => Array.from({ length: 100 }, () => newSet(studentId));
  const singles = async () => {
    for (const set of sets()) await post(`${api}/sets`, { sets: [set] }, headers);
  };
  const { batch, single } = await medianTimes(
    { batch: () => post(`${api}/sets`, { sets: sets() }, headers), single: singles },
    { rounds: 9, warmUp: 2 },
  );
  printRatio("a batch of 100 sets", batch, single, "100 single requests");
  const many = () => Array.from({ length: 500 }, () => newSet(studentId));
  const { full, one } = await medianTimes(
    {
      one: () => post(`${api}/sets`, { sets: [newSet(studentId)] }, headers),
      full: () => post(`${api}/sets`, { sets: many() }, headers),
    },
    { rounds: 9, warmUp: 2 },
  );
  printRatio("a batch of 500 sets", full, one, "a batch of one");
}

/** One read through the wall between studios, and the same as the owner, whom no wall stops; both in a transaction. */
async function benchWall({ url, adminUrl }, studioId, studentId) {
  const { default: pg } = await import("pg");
  const [app, owner] = [url, adminUrl].map((connectionString) => new pg.Client({ connectionString }));
  await Promise.all([app.connect(), owner.connect()]);
  const read = "SELECT * FROM standing WHERE studio_id = $1 AND student_id = $2";
  const inTransaction = async (client, setting) => {
    await client.query("BEGIN");
    await client.query("SELECT set_config($1, $2, true)", [setting, studioId]);
    await client.query(read, [studioId, studentId]);
    await client.query("COMMIT");
  };
  const { walled, open } = await medianTimes(
    { open: () => inTransaction(owner, "mirrup.none"), walled: () => inTransaction(app, "mirrup.studio") },
    { rounds: 600 },
  );
  await Promise.all([app.end(), owner.end()]);
  printRatio("a read with scope and row-level security", walled, open, "the same read without");
}

/** The slowest health check of a hundred while twenty people sign in at once, and while nobody does. */
async function benchSignIns(api) {
  const p99 = async (isOver) => {
    const times = [];
    while (times.length < 100 || !isOver()) {
      const started = performance.now();
      await ask(`${api}/health`);
      times.push(performance.now() - started);
    }
    return times.sort((one, other) => one - other)[Math.floor(times.length * 0.99)];
  };
  const idle = await p99(() => true);
  let waiting = 20;
  const signIns = Array.from({ length: waiting }, async () => {
    const body = { email: "coach@quillhaven.example", password: "quillhaven demo" };
    await post(`${api}/auth/sign-in`, body, { "content-type": "application/json" });
    waiting -= 1;
  });
  const busy = await p99(() => waiting === 0);
  await Promise.all(signIns);
  printRatio("health check, 99th percentile, during 20 sign-ins", busy, idle, "idle");
}

/** What the first page brings over the wire, and how long Chromium takes to show it. */
async function benchFirstPage(address, executablePath) {
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch({ executablePath, args: CHROMIUM_ARGS });
  const page = await browser.newPage();
  await page.request.post(`${address}/api/auth/demo`);
  await page.goto(address);
  await page.getByRole("link", { name: /Hana/ }).waitFor();
  const bytes = await page.evaluate(() =>
    performance
      .getEntriesByType("resource")
      .filter((entry) => entry.name.endsWith(".js"))
      .reduce((sum, entry) => sum + entry.encodedBodySize, 0),
  );
  await browser.close();
  printRatio("first-load JavaScript, compressed", bytes / 1000, 300, "the limit", "kB");
}

/** The mean time of one call in microseconds, over at least a fifth of a second after warming up. */
function microseconds(call) {
  for (let time = 0; time < 3000; time += 1) call();
  let calls = 0;
  const started = performance.now();
  while (performance.now() - started < 200) {
    for (let time = 0; time < 100; time += 1) call();
    calls += 100;
  }
  return ((performance.now() - started) * 1000) / calls;
}

const SIXTEEN_BEATS = "sr xr o (o xr) o sr/r xr/r o ur (o o) o/r+tapl o/l+tapr br o sl xl";

async function benchScores() {
  const { checkScore, measureScore, parseScore } = await import("./lib/core.mjs");
  const read = (text) => {
    const { score } = parseScore(text);
    return [checkScore(score), measureScore(score)];
  };
  const json = JSON.stringify(parseScore(SIXTEEN_BEATS).score, (key, value) =>
    key === "from" || key === "to" ? undefined : value,
  );
  const reading = microseconds(() => read(SIXTEEN_BEATS));
  const reference = microseconds(() => JSON.parse(json));
  printRatio(
    "parse, check and measure 16 beats",
    reading,
    reference,
    `JSON.parse of its ${json.length} bytes`,
    "µs",
  );
  console.log(`  that is ${Math.round(1e6 / reading)} scores a second`);

  const long = "[o xr sl o]*999 o xr*99";
  printRatio(
    "parse, check and measure 4,095 beats",
    microseconds(() => read(long)) / 1000,
    20,
    "the limit",
    "ms",
  );
  const hostile = ["[", "(o ", "[o]*999 ", "# "].map((part) => part.repeat(100_000).slice(0, 100_000));
  const half = hostile.map((text) => text.slice(0, 50_000));
  const all = (texts) => microseconds(() => texts.forEach((text) => parseScore(text))) / 1000;
  printRatio("100,000 characters of hostile text", all(hostile), all(half), "half as many", "ms");
}

async function benchStart() {
  const { bare, prepared } = await medianTimes(
    {
      bare: () => run(process.execPath, ["-e", "0"]),
      prepared: () =>
        run(process.execPath, ["scripts/bench-start.mjs"], { stdio: ["ignore", "ignore", "inherit"] }),
    },
    { rounds: 3, warmUp: 1 },
  );
  printRatio("npm start, all built, to the first page and its end", prepared, bare, "a bare node process");
}

await main(async () => {
  endOnSignals(1);
  await ensureNodeModules();
  const chromium = await ensureChromium();
  await buildIfStale();
  await benchScores();
  await benchPoses();
  await benchPaths();
  await benchPlacement();
  // They read the packages as they were built.
  (await import("./bench-plan.mjs")).benchPlan();
  await (await import("./bench-class.mjs")).benchClass();
  await (await import("./bench-classes.mjs")).benchClasses();
  await (await import("./bench-next.mjs")).benchNext();
  await (await import("./bench-frontier.mjs")).benchFrontier();
  await benchOwnCatalogue();
  (await import("./bench-combos.mjs")).benchCombos();
  await (await import("./bench-coaching.mjs")).benchCoaching();
  try {
    const stack = await throwawayStack({ program: "commands/bench-server.js" });
    const api = `${stack.address}/api`;
    const headers = await coachHeaders(stack.address);
    const { items } = await ask(`${api}/students`, { headers });
    const { id } = items.find((student) => student.name === "Hana Petrivale");
    await benchReads(api, id, headers);
    await benchWrites(api, id, headers);
    await benchReads(api, id, headers);
    await benchPlan(api, id, headers);
    await benchGrid(api, headers);
    await benchWall(stack.postgres, headers["x-mirrup-studio"], id);
    await benchSignIns(api);
    await benchMap(stack.address, `/${headers["x-mirrup-studio"]}`, id, chromium);
    await benchFigure(stack.address, `/${headers["x-mirrup-studio"]}`, chromium);
    await benchFirstPage(stack.address, chromium);
    const floor = `/${headers["x-mirrup-studio"]}/students/${id}/floor/skier/whole?kind=streak&aim=900`;
    await benchTaps(stack.address, floor, chromium, headers);
    printRatio(
      "server's resident memory after all this",
      residentMegabytes(stack.server().child.pid),
      250,
      "the limit",
      "MB",
    );
    await benchLoad(stack, headers);
    await benchLog(stack, headers);
    await benchRecord(stack, headers);
    await benchStart();
  } finally {
    await endAll();
  }
});
