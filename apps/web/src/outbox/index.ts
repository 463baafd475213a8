export { flush, queueSets } from "./outbox.js";
export { pressStop } from "./stops.js";
export { lessonRuns, onRunStored, runLesson } from "./lesson-runs.js";
export { useOutbox, useRun, useStops } from "./use-outbox.js";
export { OutboxNote } from "./outbox-note.js";
export { dropRun, exchangeRun, keepRun, keptRun, keptRuns, type KeptRun } from "./store.js";
export { currentSender, setSender } from "./sender.js";
export { forgetReadings, restoreReadings, startKeeping } from "./readings.js";
