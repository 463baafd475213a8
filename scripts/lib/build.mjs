import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./install.mjs";
import { isEnding, runOrStop } from "./processes.mjs";

const SOURCES = ["packages", "apps", "tsconfig.base.json", "tsconfig.json", "package-lock.json"];
const SKIPPED = new Set(["node_modules", "dist", ".cache"]);
const OUTPUTS = ["apps/server/dist/main.js", "apps/web/dist/index.html"];

function* filesUnder(path) {
  const stat = statSync(path);
  if (stat.isFile()) {
    yield { path, stat };
    return;
  }
  for (const name of readdirSync(path).sort()) {
    if (!SKIPPED.has(name) && !name.endsWith(".tsbuildinfo")) yield* filesUnder(join(path, name));
  }
}

/** Changes whenever a source file's name, size or time does. */
function sourceState() {
  const hash = createHash("sha256");
  for (const source of SOURCES) {
    for (const { path, stat } of filesUnder(join(ROOT, source)))
      hash.update(`${path} ${stat.size} ${stat.mtimeMs}\n`);
  }
  return hash.digest("hex");
}

/** Compiles everything that is not a test. */
export async function compile() {
  await runOrStop(
    "The code could not be compiled; the reasons are above.",
    process.execPath,
    [join(ROOT, "node_modules/typescript7/bin/tsc"), "-b", "apps/server", "apps/web"],
    { cwd: ROOT },
  );
}

export async function bundle() {
  await runOrStop(
    "The pages could not be built; the reasons are above.",
    process.execPath,
    [join(ROOT, "node_modules/vite/bin/vite.js"), "build", "--logLevel", "warn"],
    { cwd: join(ROOT, "apps/web") },
  );
}

/** Builds server and web when a source has changed since the last build. */
export async function buildIfStale() {
  const stamp = join(ROOT, ".cache/build");
  const state = sourceState();
  const built = OUTPUTS.every((output) => existsSync(join(ROOT, output)));
  if (built && existsSync(stamp) && readFileSync(stamp, "utf8") === state) return;
  console.log("Building …");
  await compile();
  if (!isEnding()) await bundle();
  mkdirSync(join(ROOT, ".cache"), { recursive: true });
  if (!isEnding()) writeFileSync(stamp, state);
}
