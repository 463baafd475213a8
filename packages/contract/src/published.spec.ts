import { describe, expect, it } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { skillsFile } from "./own-skill-schemas.js";
import { publishedSchemas } from "./published.js";

const OWN = "own:0199c1b2-0000-7000-8000-000000000001";
const PROGRAMME = "programme:0199c1b2-0000-7000-8000-000000000002";
const ENTRIES = {
  cross: {
    kind: "changed",
    name: "pretzel",
    gates: { "steady-hold": { kind: "hold", seconds: 20 } },
    isHidden: true,
  },
  "school:quick-frontier": { kind: "school", classes: { cross: { kind: "streak", count: 3 } } },
  [OWN]: {
    ...{ kind: "own", strand: "crosses", name: "twist", sides: "two", score: "sr xr o", needs: "cross" },
    ...{ class: "fusion", cues: ["one", "two"], faults: ["narrow"], look: "", after: "cross", note: "Slow." },
  },
  [PROGRAMME]: {
    ...{ kind: "programme", name: "Wagtail", order: "free", before: null, allBut: 0 },
    headings: [{ title: "", items: [{ skill: OWN, side: "both", ask: { kind: "gate" } }] }],
  },
};
const file = (entries: object, more: object = {}) => ({
  format: "mirrup-skills",
  version: 1,
  entries,
  ...more,
});

describe("the published schemas", () => {
  it("are what the contract says; `npm run schemas` writes them anew", () => {
    for (const [name, schema] of Object.entries(publishedSchemas())) {
      const kept: unknown = JSON.parse(readFileSync(join(__dirname, "../../../docs", name), "utf8"));
      expect(kept).toEqual(JSON.parse(JSON.stringify(schema)));
    }
  });

  it("name every kind of entry", () => {
    const text = JSON.stringify(publishedSchemas()["skills.schema.json"]);
    for (const kind of ["own", "changed", "programme", "school"])
      expect(text).toContain(`"enum":["${kind}"]`);
  });
});

describe("a file of skills", () => {
  it("takes each kind of entry, and tells what is wrong by its kind", () => {
    expect(skillsFile.validate(file(ENTRIES)).error).toBeUndefined();
    const wrong = (entries: object, more: object = {}) =>
      skillsFile.validate(file(entries, more)).error?.message;
    expect(wrong({ cross: { kind: "changed", cues: ["one"] } })).toMatch(/cues.* at least 2/);
    expect(wrong({ [PROGRAMME]: { ...ENTRIES[PROGRAMME], order: "any" } })).toMatch(/order/);
    expect(wrong({ "school:quick-frontier": { kind: "school", classes: { crosses: 3 } } })).toMatch(
      /crosses/,
    );
    expect(wrong({ cross: { kind: "none" } })).toMatch(/kind/);
    expect(wrong({}, { version: 2 })).toMatch(/version/);
  });
});
