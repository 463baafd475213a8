export { PractisedAtHomeNote } from "./practised-note.js";
