export { rosterSheet } from "./roster-file.js";
