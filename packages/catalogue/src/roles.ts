import type { Roles } from "@mirrup/core";

/** Which skills play a part in what the core computes. */
export const ROLES: Roles = {
  bounce: "basic-bounce",
  steps: ["boxer-step", "run-step"],
  fused: {
    pair: ["open-cross-double", "cross-open-double"],
    double: "double-under",
    cross: "cross",
  },
  baseTest: {
    parts: [
      { subject: "basic-bounce", side: "whole" },
      { subject: "run-step", side: "whole" },
      { subject: "single-leg-hop", side: "left" },
      { subject: "single-leg-hop", side: "right" },
      { subject: "high-knees", side: "whole" },
    ],
    count: 100,
    misses: 2,
  },
  rests: ["side-rope", "alternating-side-swing", "back-arm-alternating", "boxer-step"],
};
