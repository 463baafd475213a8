export { floorPlace, roundPlace, stationPlace } from "./place.js";
export { presenceQuery } from "./queries.js";
export { PresenceNote } from "./presence-note.js";
export { type Counted, usePresence } from "./use-presence.js";
export { presenceWords } from "./words.js";
