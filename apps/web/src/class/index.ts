export { gridOf, type GridStudent } from "./grid.js";
export { LazyGroupForm } from "./lazy-group-form.js";
