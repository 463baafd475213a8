export { FigureBraid } from "./figure-braid.js";
export { Strip, TellingStill } from "./lazy-figure.js";
