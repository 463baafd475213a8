export { gridOf } from "./grid.js";
export { LazyGroupForm } from "./lazy-group-form.js";
