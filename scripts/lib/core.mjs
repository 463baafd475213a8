/** The core's doors together, as built: what the benches measure. */
export * from "../../packages/core/dist/index.js";
export * from "../../packages/core/dist/composing.js";
export * from "../../packages/core/dist/planning.js";
export * from "../../packages/core/dist/teaching.js";
export * from "../../packages/core/dist/figure/index.js";
