export { Figure, Strip } from "./lazy-figure.js";
