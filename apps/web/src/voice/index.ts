export { calledAt, COUNT_IN, startMetronome, type Metronome } from "./metronome.js";
export { recordedWords, type Recorded } from "./recorded.js";
export { useVoice, type Voice } from "./use-voice.js";
