/** What a page that is none of a studio's builds an outbox of its own of. */
export type { Command } from "../command.js";
export type { KeptRun } from "../../app/kept-run.js";
export { Outbox, type OutboxState } from "../outbox.js";
export { commandsIn, openDevice } from "../store.js";
