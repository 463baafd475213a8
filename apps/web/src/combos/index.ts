export { FreestyleRound } from "./freestyle-round.js";
export { handOf } from "./hand.js";
export { combosQuery, namesOf } from "./queries.js";
export { useFor } from "./use-for.js";
export { useFreestyle } from "./use-freestyle.js";
export { partName } from "./words.js";
