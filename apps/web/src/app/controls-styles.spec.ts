import { describe, expect, it } from "@jest/globals";
import { readdirSync, readFileSync } from "node:fs";
import { basename, dirname, join, resolve } from "node:path";

const PACKAGE = dirname(require.resolve("@mantine/core/styles.css"));
const SOURCES = resolve(__dirname, "..");

const filesUnder = (folder: string): readonly string[] =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((name) => /\.tsx?$/.test(name) && !name.includes(".spec."))
    .map((name) => join(folder, name));

const COMPONENTS = join(PACKAGE, "esm/components");
/** The module of each component. */
const MODULES: ReadonlyMap<string, string> = new Map(
  readdirSync(COMPONENTS, { recursive: true, encoding: "utf8" })
    .filter((path) => path.endsWith(".mjs") && !path.endsWith(".module.mjs"))
    .map((path) => [basename(path, ".mjs"), join(COMPONENTS, path)]),
);

/** The modules of the components that the pages name, and of those that notices are made of. */
function modulesUsed(): readonly string[] {
  const imports = filesUnder(SOURCES).flatMap((file) => [
    ...readFileSync(file, "utf8").matchAll(/import \{([^}]*)\} from "@mantine\/core"/g),
  ]);
  const names = imports.flatMap(([, list = ""]) => list.split(",").map((name) => name.trim()));
  return [...new Set([...names, "Notification"])].flatMap((name) => MODULES.get(name) ?? []);
}

/** Every style sheet that a module or one that it imports takes class names of. */
function sheetsOf(modules: readonly string[]): ReadonlySet<string> {
  const seen = new Set<string>();
  const sheets = new Set<string>();
  const waiting = [...modules];
  for (let module = waiting.pop(); module !== undefined; module = waiting.pop()) {
    if (seen.has(module)) continue;
    seen.add(module);
    if (module.endsWith(".module.mjs")) sheets.add(basename(module, ".module.mjs"));
    else
      for (const [, path = ""] of readFileSync(module, "utf8").matchAll(/from "(\.[^"]+)"/g))
        waiting.push(resolve(dirname(module), path));
  }
  return sheets;
}

/** Where a component's style sheet stands in the sheet of all of them: later rules win. */
function placeOf(name: string): number {
  const own = readFileSync(join(PACKAGE, "styles", `${name}.css`), "utf8");
  const [first = ""] = /\.m_[\da-f]+/.exec(own) ?? [];
  return readFileSync(join(PACKAGE, "styles.css"), "utf8").indexOf(first);
}

describe("the controls' styles", () => {
  it("are those of the components that the pages use, in the order in which they win, and no other", () => {
    const used = modulesUsed();
    expect(used.length).toBeGreaterThan(20);
    const expected = [...sheetsOf(used)].sort((one, other) => placeOf(one) - placeOf(other));
    const written = readFileSync(join(__dirname, "controls-styles.ts"), "utf8");
    const taken = [...written.matchAll(/"@mantine\/core\/styles\/(.+)\.css"/g)].map(([, name]) => name);
    expect(taken).toEqual(["baseline", "default-css-variables", "global", ...expected]);
  });
});
