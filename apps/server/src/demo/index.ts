export { historyOf } from "./history.js";
export { loadDemo } from "./load.js";
