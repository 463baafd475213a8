export { catalogueQuery, sessionQuery } from "./queries.js";
export { Home } from "./home.js";
export { StudioGate, useMayTeach, useMembership } from "./studio-gate.js";
export { NEW_STUDIO, StudioFields } from "./studio-fields.js";
