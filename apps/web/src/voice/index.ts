export { recordedWords, speak, type Recorded } from "./recorded.js";
export { useVoice, type Voice } from "./use-voice.js";
