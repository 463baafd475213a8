export { sessionQuery } from "./queries.js";
export { Home } from "./home.js";
export { StudioGate, useMayTeach, useMembership } from "./studio-gate.js";
