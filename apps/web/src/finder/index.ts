export { Finder } from "./finder.js";
