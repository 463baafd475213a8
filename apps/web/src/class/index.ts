export { LazyGroupForm } from "./lazy-group-form.js";
