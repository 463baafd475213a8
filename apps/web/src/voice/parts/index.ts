/** What says words in time, without anything that a page of the application has around it. */
export { calledAt, COUNT_IN, startMetronome, type Metronome } from "../metronome.js";
export { recordedWords, WORDS_ADDRESS, type Recorded } from "../recorded.js";
