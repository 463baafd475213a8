export { InReach } from "./in-reach.js";
export { Shell } from "./shell.js";
