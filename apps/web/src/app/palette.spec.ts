import { describe, expect, it } from "@jest/globals";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

const read = (name: string) => readFileSync(join(__dirname, name), "utf8");
const CSS = read("palette.css");

/** The colours that a block of the palette names. */
function coloursAfter(start: string): ReadonlyMap<string, string> {
  const from = CSS.indexOf(start);
  const block = CSS.slice(from, CSS.indexOf("}", from));
  return new Map(
    [...block.matchAll(/--([a-z-]+): (#[0-9a-f]{6});/g)].map(([, name = "", hex = ""]) => [name, hex]),
  );
}

const CHALK = coloursAfter(":root {");
const NIGHT = coloursAfter(".night {");

/** WCAG 2.2: relative luminance, and the contrast of two colours. */
function luminance(hex: string): number {
  const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => {
    const share = parseInt(hex.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}
function contrast(one: string, other: string): number {
  const [light = 0, dark = 0] = [luminance(one), luminance(other)].sort((a, b) => b - a);
  return (light + 0.05) / (dark + 0.05);
}

const TEXTS = [
  ...["ink", "ink-soft", "ink-faint", "fault", "caution", "warn"],
  ...["family-footwork", "family-side-swings", "family-crosses", "family-multiples"],
];

describe("the palette", () => {
  it.each([
    ["chalk", CHALK],
    ["night", NIGHT],
  ] as const)("can be read on %s: 4.5:1 or better wherever text stands", (_, colours) => {
    for (const text of TEXTS)
      for (const ground of ["chalk", "paper"]) {
        const found = contrast(colours.get(text) ?? "", colours.get(ground) ?? "");
        expect([text, ground, found >= 4.5]).toEqual([text, ground, true]);
      }
    expect(contrast(colours.get("ink") ?? "", colours.get("notice") ?? "")).toBeGreaterThanOrEqual(4.5);
  });

  it("can be read on what is to be done now, and on the rail", () => {
    expect(contrast(CHALK.get("on-signal") ?? "", CHALK.get("signal") ?? "")).toBeGreaterThanOrEqual(4.5);
    expect(contrast(CHALK.get("on-rail") ?? "", CHALK.get("rail") ?? "")).toBeGreaterThanOrEqual(4.5);
  });

  it("names the same colours on both grounds", () => {
    for (const name of NIGHT.keys()) expect([name, CHALK.has(name)]).toEqual([name, true]);
    for (const name of [...TEXTS, "chalk", "paper", "raised", "rule", "edge", "notice"])
      expect([name, NIGHT.has(name)]).toEqual([name, true]);
  });

  it("is the controls' too: their dark greys are those of night", () => {
    const [, greys = ""] = /const NIGHT = \[([^\]]*)\]/.exec(read("theme.ts")) ?? [];
    const found = [...greys.matchAll(/#[0-9a-f]{6}/g)].map(([hex]) => hex);
    const at = ["ink", null, "ink-soft", "ink-faint", "rule", "raised", "paper", "chalk"] as const;
    at.forEach((name, place) => {
      if (name !== null) expect([name, found[place]]).toEqual([name, NIGHT.get(name)]);
    });
  });

  it("is the only place where a colour is spelt: the pages name it by what it is for", () => {
    const sources = join(__dirname, "..");
    const sheets = readdirSync(sources, { recursive: true, encoding: "utf8" }).filter(
      (name) => name.endsWith(".css") && !/app\/(app|palette)\.css$/.test(name),
    );
    expect(sheets.length).toBeGreaterThan(40);
    for (const name of sheets) {
      const spelt = readFileSync(join(sources, name), "utf8").match(/#[0-9a-f]{3,8}\b/g);
      expect([name, spelt]).toEqual([name, null]);
    }
  });
});
