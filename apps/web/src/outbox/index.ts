export { flush, queueSets } from "./outbox.js";
export { useOutbox } from "./use-outbox.js";
export { OutboxNote } from "./outbox-note.js";
export { dropRun, exchangeRun, keepRun, keptRun, keptRuns, type KeptRun } from "./store.js";
export { currentSender, setSender } from "./sender.js";
export { forgetReadings, restoreReadings, startKeeping } from "./readings.js";
