export { FrontierFilters, useAsked } from "./frontier-filters.js";
export { FrontierMap } from "./frontier-map.js";
export { columnWords, standWords } from "./words.js";
