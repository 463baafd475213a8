export { ProgrammeGoal } from "./programme-goal.js";
