export {
  draftNote,
  finishRun,
  outbox,
  sayDecisions,
  sayJump,
  sayNewcomer,
  sayNote,
  sayOfLesson,
  saySets,
  sayStop,
  takeBackSets,
} from "./here.js";
export { useJumps, useNewcomers, useOutbox, useRun, useStops } from "./use-outbox.js";
export { OutboxNote } from "./outbox-note.js";
export type { Newcomer } from "./shown.js";
export { dropRun, keepRun, keptRun, keptRuns, putAside, writtenRun } from "./store.js";
export { claimRun } from "./one-tab.js";
export { showRun } from "./shown-runs.js";
export { useLeftRuns } from "./use-left-runs.js";
export type { KeptRun } from "../app/kept-run.js";
export { currentSender, setSender } from "./sender.js";
export { dropAllUnsaved } from "./unsaved.js";
export { UnsavedNote, useUnsaved, useUnsavedForm, useUnsavedText, type Unsaved } from "./unsaved-form.js";
export { usePersonId } from "./use-person-id.js";
export { forgetReadings, restoreReadings, startKeeping } from "./readings.js";
export { waitingWords } from "./command-words.js";
