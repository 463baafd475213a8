import { afterEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type { Overlay } from "@mirrup/core";
import { catalogue, ofCatalogue, ownCatalogue, teach } from "./catalogue.js";
import { syllabus } from "./syllabus.js";
import { skillName } from "./words.js";

const named = (name: string): Overlay => ({ edition: 1, entries: { skier: { kind: "changed", name } } });

afterEach(() => teach(null));

describe("what is taught in this tab's studio", () => {
  it("is what ships until the studio's own is known, and again in the next", () => {
    expect(catalogue()).toBe(CATALOGUE);
    teach(named("slalom"));
    expect(skillName("skier")).toBe("slalom");
    expect(ownCatalogue()?.edition).toBe(1);
    teach(null);
    expect(catalogue()).toBe(CATALOGUE);
    expect(skillName("skier")).toBe("skier");
  });

  it("is worked out once for each of them, whoever asks", () => {
    const asked: string[] = [];
    const nameOf = ofCatalogue(({ skills }) => {
      const name = skills.get("skier")?.name ?? "";
      asked.push(name);
      return name;
    });
    expect([nameOf(), nameOf()]).toEqual(["skier", "skier"]);
    const own = named("slalom");
    teach(own);
    expect([nameOf(), nameOf()]).toEqual(["slalom", "slalom"]);
    const before = catalogue();
    teach(own);
    expect(catalogue()).toBe(before);
    teach(null);
    expect(nameOf()).toBe("skier");
    expect(asked).toEqual(["skier", "slalom"]);
  });

  it("has the studio's gates", () => {
    const gate = { kind: "streak", count: 3 } as const;
    teach({ edition: 2, entries: { skier: { kind: "changed", gate } } });
    expect(syllabus().find("skier", "whole")?.gate).toEqual(gate);
    teach(null);
    expect(syllabus().find("skier", "whole")?.gate).not.toEqual(gate);
  });

  it("teaches on by what fits where something of the studio's does not", () => {
    teach({
      edition: 3,
      entries: { skier: { kind: "changed", name: "bell" }, cross: { kind: "changed", name: "pretzel" } },
    });
    expect(skillName("skier")).toBe("skier");
    expect(skillName("cross")).toBe("pretzel");
  });

  it("is called something where nobody knows its name", () => {
    expect(skillName("own:0199c1b2-0000-7000-8000-000000000001")).toBe("a skill of the studio’s own");
  });
});
