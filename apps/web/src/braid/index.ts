export { Braid } from "./braid.js";
