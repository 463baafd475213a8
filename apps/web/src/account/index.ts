export { sessionQuery } from "./queries.js";
export { Home } from "./home.js";
export { StudioGate, useMembership } from "./studio-gate.js";
