/** Blocks of a plan for tests. */
import type { PlanBlock } from "@mirrup/core/planning";

export const blockOf = (subject: string, more: Partial<PlanBlock> = {}): PlanBlock => ({
  ...{ phase: "main", subject, side: "left", drill: { kind: "streak", count: 10 }, sets: 1, minutes: 5 },
  ...{ rest: 0, landings: 1200, multiples: 0, effort: "mixed", chance: 0.7, after: null, cautions: [] },
  ...{ reason: { code: "near-gate", best: 12, gate: 15 }, leaving: 3.456, beyond: [] },
  ...more,
});

export const WARM_UP = blockOf("basic-bounce", {
  ...{ phase: "warm-up", side: "whole", reason: { code: "warm-up" }, leaving: null },
});
