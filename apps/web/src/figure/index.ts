export { Figure, Strip, TellingStill } from "./lazy-figure.js";
