/**
 * Everything: `npm test`. For a part alone: `npm test -- lint unit server e2e`, in any choice.
 * Each stage that fails is told, and the rest still runs.
 */
import { readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { buildIfStale } from "./lib/build.mjs";
import { ensureChromium, ensureNodeModules, ROOT } from "./lib/install.mjs";
import { runJest } from "./lib/jest.mjs";
import { endAll, endOnSignals, run } from "./lib/processes.mjs";
import { throwawayPostgres } from "./lib/stack.mjs";
import { main, Stop } from "./lib/stop.mjs";

const bin = (path) => [process.execPath, join(ROOT, "node_modules", path)];

/** Runs a checking command; it counts as one test. */
async function check(name, [command, ...args]) {
  const failed = (await run(command, args, { cwd: ROOT })) === 0 ? 0 : 1;
  console.log(`${failed === 0 ? "ok" : "FAILED"}: ${name}`);
  return { passed: 1 - failed, failed };
}

function sum(results) {
  return results.reduce(
    (total, { passed, failed }) => ({ passed: total.passed + passed, failed: total.failed + failed }),
    { passed: 0, failed: 0 },
  );
}

async function lint() {
  return sum([
    await check("types", [...bin("typescript7/bin/tsc"), "-b"]),
    await check("lint", [...bin("eslint/bin/eslint.js"), "--concurrency", "auto", "."]),
    await check("format", [...bin("prettier/bin/prettier.cjs"), "--check", "--log-level", "warn", "."]),
    await check("imports", [
      ...bin("dependency-cruiser/bin/dependency-cruise.mjs"),
      ...["--config", ".dependency-cruiser.cjs", "packages", "apps", "e2e"],
    ]),
  ]);
}

/** On all cores: Jest would leave one to whoever sits before the machine. */
const unit = () =>
  runJest(["core", "catalogue", "cohort", "contract", "web", "pages"], {}, ["--maxWorkers=100%"]);

async function server() {
  const { url, adminUrl, bin } = await throwawayPostgres();
  return runJest(["server"], {
    TEST_DATABASE_URL: url,
    TEST_DATABASE_ADMIN_URL: adminUrl,
    MIRRUP_PG_BIN: bin,
  });
}

async function e2e() {
  const chromium = await ensureChromium();
  await buildIfStale();
  const report = join(ROOT, ".cache/e2e.json");
  rmSync(report, { force: true });
  await run(
    ...[bin("@playwright/test/cli.js")].flatMap(([command, ...args]) => [command, [...args, "test"]]),
    {
      cwd: join(ROOT, "e2e"),
      env: { ...process.env, MIRRUP_CHROMIUM: chromium, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
    },
  );
  const { stats, errors } = JSON.parse(readFileSync(report, "utf8"));
  if (stats.flaky > 0)
    console.log(`${stats.flaky} of them only at the second try: they are named above, and are to be mended.`);
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected + errors.length };
}

const STAGES = { lint, unit, server, e2e };

await main(async () => {
  const asked = process.argv.slice(2);
  const unknown = asked.find((name) => !(name in STAGES));
  if (unknown !== undefined)
    throw new Stop(`"${unknown}" is not a stage. They are: ${Object.keys(STAGES).join(", ")}.`);
  endOnSignals(1);
  await ensureNodeModules();
  const results = [];
  try {
    for (const name of asked.length === 0 ? Object.keys(STAGES) : asked) {
      const started = performance.now();
      console.log(`\n== ${name}`);
      const result = await STAGES[name]();
      results.push(result);
      console.log(
        `${name}: ${result.passed} passed, ${result.failed} failed in ${Math.round((performance.now() - started) / 1000)} s`,
      );
    }
  } finally {
    await endAll();
  }
  const { passed, failed } = sum(results);
  console.log(`\n${passed} passed, ${failed} failed`);
  if (failed > 0) process.exitCode = 1;
});
