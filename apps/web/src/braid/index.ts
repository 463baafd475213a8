export { Braid } from "./braid.js";
export { SmallBraid } from "./small-braid.js";
export type { Playhead } from "./use-playhead.js";
