export { writeRoster } from "./roster-file.js";
