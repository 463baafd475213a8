export { periodAsked } from "./period.js";
export { PeriodControl } from "./period-control.js";
export { progressQuery } from "./queries.js";
