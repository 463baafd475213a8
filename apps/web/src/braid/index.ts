export { Braid } from "./braid.js";
export { SmallBraid } from "./small-braid.js";
