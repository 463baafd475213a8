export { FreestyleRound } from "./freestyle-round.js";
export { CountsGrid } from "./figures.js";
export { combosQuery, comboStandingsQuery, namesOf } from "./queries.js";
export { useFor } from "./use-for.js";
export { useLoggedName } from "./use-logged-name.js";
export { useFreestyle } from "./use-freestyle.js";
export { comboSideName, partName } from "./words.js";
