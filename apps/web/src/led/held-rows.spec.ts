import { describe, expect, it } from "@jest/globals";
import { ledFrom, left, withSet } from "./led.js";
import { heldRows } from "./held-rows.js";

const block = (key: string, phase: "main" | "warm-up") => ({
  ...{ key, name: key, phase, subject: "skier", side: "whole" as const, comboId: null },
  ...{ drill: { kind: "streak", count: 10 } as const, sets: 2, minutes: 5 },
});
const blocks = [block("warm-up", "warm-up"), block("skier", "main"), { ...block("again", "main"), sets: 1 }];

describe("what was planned beside what was done", () => {
  const warm = left(ledFrom(blocks, 0), "warm-up", "done", 290_000);
  const of = { subject: "skier", side: "whole" } as const;
  const counted = withSet(warm, of, { id: "1", clean: 8, tries: 10 });

  it("says of each block what it was to be, and what came of it", () => {
    expect(heldRows(counted)).toEqual([
      { key: "warm-up", name: "warm-up", planned: "5 min", done: "5 min", state: "past" },
      {
        ...{ key: "skier", name: "skier", planned: "10 in a row, 2 sets, 5 min", state: "here" },
        done: "1 set, 8 clean of 10",
      },
      { key: "again", name: "again", planned: "10 in a row, 1 set, 5 min", done: "", state: "ahead" },
    ]);
  });

  it("says that a block was skipped only when nothing of it was done", () => {
    const skipped = heldRows(left(warm, "skier", "skipped", 300_000));
    expect(skipped[1]?.done).toBe("skipped");
    const half = heldRows(left(counted, "skier", "skipped", 330_000));
    expect(half[1]?.done).toBe("1 set, 8 clean of 10, 40 s");
  });
});
