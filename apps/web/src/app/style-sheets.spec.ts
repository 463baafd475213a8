import { describe, expect, it } from "@jest/globals";
import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, normalize, relative } from "node:path";

const SOURCE = join(__dirname, "..");

const files = readdirSync(SOURCE, { recursive: true, encoding: "utf8" }).map((name) => join(SOURCE, name));
const read = (file: string) => readFileSync(file, "utf8");

/** The classes that a style sheet has rules for. */
function classesOf(sheet: string): ReadonlySet<string> {
  const selectors = read(sheet)
    .replace(/\/\*[^]*?\*\//g, "")
    .replace(/:global\([^)]*\)|"[^"]*"/g, "")
    .replace(/\{[^{}]*\}/g, "{}");
  return new Set([...selectors.matchAll(/\.([a-z]\w*)/gi)].map(([, name = ""]) => name));
}

/** A style sheet as a module has it: under which name, and the classes that it asks for by name. */
interface Use {
  readonly sheet: string;
  readonly module: string;
  readonly names: readonly string[];
  /** Whether some are asked for by a value, so that any of them can be. */
  readonly hasAny: boolean;
}

const sheets = files.filter((file) => file.endsWith(".module.css"));
const modules = files.filter((file) => /(?<!\.spec)\.tsx?$/.test(file));
const told = (file: string) => relative(SOURCE, file);

function useOf(module: string, sheet: string, name: string): Use {
  const text = read(module);
  const names = [...text.matchAll(new RegExp(`\\b${name}\\.(?!module\\b)(\\w+)`, "g"))];
  return { sheet, module, names: names.map(([, own = ""]) => own), hasAny: text.includes(`${name}[`) };
}

/** The style sheets that a module names, by `import` or by `export { default as`. */
function namedIn(module: string, how: RegExp): readonly (readonly [sheet: string, name: string])[] {
  return [...read(module).matchAll(how)].map(([, name = "", path = ""]) => [
    normalize(join(dirname(module), path)),
    name,
  ]);
}
const IMPORTED = /import (\w+) from "([^"]+\.module\.css)"/g;
const PASSED_ON = /export \{ default as (\w+) \} from "([^"]+\.module\.css)"/g;

/** What a feature passes on has a name of its own wherever it is used. */
const passedOn = modules.flatMap((module) => namedIn(module, PASSED_ON));
const uses = modules.flatMap((module) =>
  [...namedIn(module, IMPORTED), ...passedOn].map(([sheet, name]) => useOf(module, sheet, name)),
);

describe("a style sheet", () => {
  it("has every class that is asked of it", () => {
    const missing = uses.flatMap(({ sheet, module, names }) => {
      const own = classesOf(sheet);
      return names.filter((name) => !own.has(name)).map((name) => `${told(module)}: ${name}`);
    });
    expect(passedOn.length).toBeGreaterThan(0);
    expect(missing).toEqual([]);
  });

  it("has no class that nothing asks for", () => {
    const composed = sheets.map(read).join("");
    const idle = sheets.flatMap((sheet) => {
      const own = uses.filter((use) => use.sheet === sheet);
      if (own.some((use) => use.hasAny)) return [];
      const asked = new Set(own.flatMap((use) => use.names));
      return [...classesOf(sheet)]
        .filter((name) => !asked.has(name) && !composed.includes(`composes: ${name}`))
        .map((name) => `${told(sheet)}: ${name}`);
    });
    expect(idle).toEqual([]);
  });
});
