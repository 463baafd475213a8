/** The words that ship with the application, for the audio clock. */
import { SPANS } from "./spans.js";
import address from "./words.mp3";

/** Where they are read from. */
export const WORDS_ADDRESS = address;

export interface Recorded {
  readonly buffer: AudioBuffer;
  /** What the file's encoder put before the first word, seconds. */
  readonly delay: number;
}

const SAMPLE_RATE = 24_000;
/** As the recording was measured: of a word's loudest, what is heard as its beginning. */
const LOUD = 0.1;

let loading: Promise<Recorded> | null = null;

async function load(): Promise<Recorded> {
  const reply = await fetch(address);
  if (!reply.ok) throw new Error(`The recorded words could not be read: ${reply.status}.`);
  const offline = new OfflineAudioContext(1, 1, SAMPLE_RATE);
  const buffer = await offline.decodeAudioData(await reply.arrayBuffer());
  return { buffer, delay: delayOf(buffer) };
}

/** How much later the first word is loud than it was recorded. */
function delayOf(buffer: AudioBuffer): number {
  const [from, seconds, lead] = Object.values(SPANS)[0] ?? [0, 0, 0];
  const word = buffer.getChannelData(0).subarray(0, Math.ceil((from + seconds) * buffer.sampleRate));
  const loudest = word.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  const loud = word.findIndex((value) => Math.abs(value) > LOUD * loudest);
  return Math.max(0, loud / buffer.sampleRate - from - lead);
}

/** The words, read once; asked again after a failure. */
export function recordedWords(): Promise<Recorded> {
  loading ??= load().catch((error: unknown) => {
    loading = null;
    throw error;
  });
  return loading;
}
