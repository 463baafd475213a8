import { describe, expect, it } from "@jest/globals";
import type { PlanBlock } from "@mirrup/core/planning";
import {
  addressOfAsked,
  askedFrom,
  banned,
  blockKey,
  lengthened,
  moved,
  orderedBlocks,
  pinned,
  questionOf,
  repeatedEfforts,
  startsOf,
  type PlanAsked,
} from "./plan-asked.js";

const ASKED: PlanAsked = {
  minutes: 30,
  energy: "tired",
  ban: ["cross:left"],
  pin: ["double-under:whole"],
  more: new Map([["double-under:whole", 2]]),
  missing: ["shoes"],
  order: ["main double-under:whole"],
};

type Block = Pick<PlanBlock, "phase" | "subject" | "side" | "effort">;
const block = (phase: PlanBlock["phase"], subject: string, effort: PlanBlock["effort"] = "mixed"): Block => ({
  phase,
  subject,
  side: "whole",
  effort,
});
const BLOCKS = [
  block("warm-up", "bounce"),
  block("review", "swing", "swings"),
  block("main", "cross", "crosses"),
  block("main", "double", "multiples"),
  block("cool-down", "bounce"),
];
const keysIn = (order: readonly string[]) => orderedBlocks(BLOCKS, order).map((one) => one.subject);

describe("what is asked of a plan", () => {
  it("is kept in the address", () => {
    expect(askedFrom(addressOfAsked(ASKED))).toEqual(ASKED);
    expect(askedFrom(new URLSearchParams())).toEqual({
      ...{ minutes: 45, energy: "normal", ban: [], pin: [], more: new Map(), missing: [], order: [] },
    });
    expect(questionOf(ASKED).has("order")).toBe(false);
  });

  it("reads nothing of use from what is none", () => {
    const asked = askedFrom(new URLSearchParams("more=cross&more=cross:left:x&missing=wings"));
    expect([asked.more.size, asked.missing]).toEqual([0, []]);
  });

  it.each([
    ["minutes=-3", 0],
    ["minutes=9999", 240],
    ["minutes=soon", 45],
  ])("makes minutes of %s", (address, minutes) => {
    expect(askedFrom(new URLSearchParams(address)).minutes).toBe(minutes);
  });

  it("holds a side either in or out", () => {
    expect(pinned(ASKED, "cross:left", true)).toMatchObject({
      ban: [],
      pin: ["double-under:whole", "cross:left"],
    });
    expect(banned(ASKED, "double-under:whole", true)).toMatchObject({
      ban: ["cross:left", "double-under:whole"],
      pin: [],
    });
    expect(banned(ASKED, "cross:left", false).ban).toEqual([]);
  });

  it("lengthens a side by sets, and keeps it in", () => {
    const longer = lengthened(lengthened(ASKED, "cross:left", 1), "cross:left", 1);
    expect([longer.more.get("cross:left"), longer.pin, longer.ban]).toEqual([
      2,
      ["double-under:whole", "cross:left"],
      [],
    ]);
    expect(lengthened(longer, "cross:left", -1).more.get("cross:left")).toBe(1);
  });
});

describe("the order by hand", () => {
  it("moves a block before another, never out of warm-up and cool-down", () => {
    const [, swing, cross, double] = BLOCKS.map(blockKey);
    const asked = moved(ASKED, BLOCKS, double ?? "", swing ?? "");
    expect(keysIn(asked.order)).toEqual(["bounce", "double", "swing", "cross", "bounce"]);
    const back = moved(asked, orderedBlocks(BLOCKS, asked.order), double ?? "", cross ?? "");
    expect(keysIn(back.order)).toEqual(["bounce", "swing", "cross", "double", "bounce"]);
    expect(moved(ASKED, BLOCKS, blockKey(BLOCKS[0] ?? block("main", "")), swing ?? "")).toBe(ASKED);
  });

  it("keeps the place of what it does not name, and forgets what is gone", () => {
    expect(keysIn(["main double:whole", "main gone:whole", "review swing:whole"])).toEqual([
      "bounce",
      "double",
      "cross",
      "swing",
      "bounce",
    ]);
    expect(keysIn([])).toEqual(BLOCKS.map((one) => one.subject));
  });

  it("tells where two of one effort follow each other", () => {
    const again = block("main", "held-cross", "crosses");
    expect([...repeatedEfforts([...BLOCKS.slice(0, 3), again])]).toEqual(["main held-cross:whole"]);
    expect(repeatedEfforts(BLOCKS).size).toBe(0);
  });

  it("tells when each block begins", () => {
    expect(startsOf([{ minutes: 5 }, { minutes: 2.5 }, { minutes: 4 }])).toEqual([0, 5, 7.5]);
  });
});
