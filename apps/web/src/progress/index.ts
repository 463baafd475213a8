export { periodAsked, PERIOD_WEEKS, PERIODS } from "./period.js";
export { progressQuery } from "./queries.js";
