import { mkdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./install.mjs";
import { run } from "./processes.mjs";

/** Runs Jest projects with what else it is told; answers how many tests passed and failed. */
export async function runJest(projects, env = {}, args = []) {
  const outputFile = join(ROOT, ".cache", `jest-${projects[0]}.json`);
  mkdirSync(join(ROOT, ".cache"), { recursive: true });
  const code = await run(
    process.execPath,
    [
      join(ROOT, "node_modules/jest/bin/jest.js"),
      "--selectProjects",
      ...projects,
      ...args,
      "--json",
      `--outputFile=${outputFile}`,
    ],
    { cwd: ROOT, env: { ...process.env, ...env }, stdio: ["ignore", "ignore", "inherit"] },
  );
  const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(
    readFileSync(outputFile, "utf8"),
  );
  const failed = Math.max(numFailedTests, numFailedTestSuites > 0 || code !== 0 ? 1 : 0);
  return { passed: numPassedTests, failed };
}
