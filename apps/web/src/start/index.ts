export { FirstStepsLink } from "./first-steps-link.js";
