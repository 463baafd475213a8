import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type { PlanBlock } from "@mirrup/core/planning";
import { homeBlocks } from "./home-blocks.js";

const block = (phase: PlanBlock["phase"], subject: string): PlanBlock => ({
  ...{
    phase,
    subject,
    side: "whole",
    drill: { kind: "streak", count: 5 },
    chance: null,
    after: null,
    cautions: [],
  },
  ...{ sets: 1, minutes: 5, rest: 0, landings: 10, multiples: 0, effort: "mixed" },
  ...{ reason: { code: "warm-up" }, leaving: null, beyond: [] },
});

describe("practice at home", () => {
  it("leaves out what asks for somebody to stand by, or for a hall’s floor", () => {
    const home = homeBlocks(CATALOGUE, [
      block("warm-up", "basic-bounce"),
      block("main", "boxer-step"),
      block("main", "triple-under"),
      block("main", "backward-double"),
      block("main", "open-cross-double"),
      block("combo", "cross"),
      block("review", "double-under"),
    ]);
    expect(home.map((one) => one.subject)).toEqual(["basic-bounce", "boxer-step", "double-under"]);
  });
});
