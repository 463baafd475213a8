export { ScoreDesk } from "./score-desk.js";
export { ScoreEditor } from "./score-editor.js";
export { searchSkills } from "./search.js";
