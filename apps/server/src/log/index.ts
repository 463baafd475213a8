export { DecisionEntity } from "./decision.entity.js";
export { clockAheadBy, happenedAt, saidAt } from "./device-clock.js";
export { acceptedBy, decisionsAs, decisionsOf, isAboutLine, peopleNamed, voidedBy } from "./decisions-of.js";
export { SetNoteEntity } from "./note.entity.js";
export { notesOf, withNotes } from "./notes.js";
export { decisionRequestOf, requestOf } from "./request.js";
export { SetEntity, LOG_SET_FIELDS, type LogSet } from "./set.entity.js";
