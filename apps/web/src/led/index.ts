export { blockPath, blockPathOf, comboOf } from "./block-path.js";
export { heldRows } from "./held-rows.js";
export { LedBar } from "./led-bar.js";
export { blockNow, canTakeBack, isDue, secondsLeft, type Led, type LedBlock } from "./led.js";
export { Minutes } from "./minutes.js";
export { useLed, type LedSession } from "./use-led.js";
export { drillOfSet, wayOn } from "./way-on.js";
