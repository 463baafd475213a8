import { CATALOGUE } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import { parseScore, sidesOf } from "@mirrup/core";
import { runOf } from "@mirrup/core/teaching";
import { drillFrom } from "../app/drill-address.js";
import { drillOptions } from "./drill-options.js";

const GATE = { kind: "streak", count: 15 } as const;

describe("the drills to choose from", () => {
  it("are there for every skill and side, each once, each able to run and to come back from its address", () => {
    for (const skill of CATALOGUE.skills.values()) {
      for (const side of sidesOf(skill)) {
        const options = drillOptions(skill.id, side, GATE);
        expect(options.length).toBeGreaterThan(4);
        expect(new Set(options.map((one) => one.id)).size).toBe(options.length);
        for (const { id, drill, name } of options) {
          expect(name).not.toBe("");
          expect(drillFrom(new URLSearchParams(id), { kind: "streak", count: 1 })).toEqual(drill);
          expect(runOf(drill, []).end).toBe("running");
          if ("score" in drill && drill.score !== undefined) expect(parseScore(drill.score).ok).toBe(true);
        }
      }
    }
  });

  it("take their seconds from a gate that is held, and offer a climb that grows", () => {
    const options = drillOptions("cross", "left", { kind: "hold", seconds: 45 });
    expect(options.find((one) => one.drill.kind === "hold")?.drill).toEqual({ kind: "hold", seconds: 45 });
    expect(options.some((one) => one.drill.kind === "growing-climb")).toBe(true);
  });
});
