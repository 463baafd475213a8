/**
 * Records every word that is said aloud for devices without a voice: `npm run words`. A free synthesiser speaks each
 * (espeak-ng), trimmed to its sound; one file holds them all, and a list says where each begins.
 */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { SPOKEN_WORDS } from "@mirrup/catalogue";
import { installDebian, ROOT } from "./lib/install.mjs";
import { outputOf } from "./lib/processes.mjs";
import { main, Stop } from "./lib/stop.mjs";

const RATE = 16_000;
const BYTES_A_SAMPLE = 2;
const WAV_HEADER = 44;
/** Of a word's loudest, what is heard as its beginning. */
const LOUD = 0.1;
/** Silence between two words, seconds: none is heard of the next. */
const BETWEEN = 0.15;
const VOICE = ["-v", "en-gb", "-s", "200", "-p", "45"];
const TRIM = ["silence", "1", "0.005", "0.5%", "reverse", "silence", "1", "0.005", "0.5%", "reverse"];

const HEAD = `import type { Spans } from "./plan.js";

/** Where each word lies in the recording; made with it, by \`npm run words\`. */
export const SPANS: Spans = `;

function tool(command, args) {
  if (outputOf(command, args) === null) throw new Stop(`${command} could not be run on: ${args.join(" ")}.`);
}

await main(async () => {
  for (const [command, name] of [
    ["espeak-ng", "espeak-ng"],
    ["sox", "sox"],
    ["sox", "libsox-fmt-mp3"],
  ])
    if (name === "libsox-fmt-mp3" || outputOf("which", [command]) === null) await installDebian(name);
  const folder = mkdtempSync(join(tmpdir(), "mirrup-words-"));
  let at = 0;
  const spans = SPOKEN_WORDS.map((word, place) => {
    const [raw, trimmed] = ["raw", "trimmed"].map((kind) => join(folder, `${place}-${kind}.wav`));
    tool("espeak-ng", [...VOICE, "-w", raw, word]);
    const shape = ["-r", String(RATE), "-c", "1", "-b", "16"];
    tool("sox", [raw, ...shape, trimmed, ...TRIM, "norm", "-3", "pad", "0", String(BETWEEN)]);
    const sound = readFileSync(trimmed).subarray(WAV_HEADER);
    const seconds = sound.length / (RATE * BYTES_A_SAMPLE);
    const span = [word, [round(at), round(seconds - BETWEEN), round(leadOf(sound))]];
    at += seconds;
    return { file: trimmed, span };
  });
  const voice = join(ROOT, "apps/web/src/voice");
  tool("sox", [...spans.map(({ file }) => file), "-C", "32", join(voice, "words.mp3")]);
  const lines = spans.map(({ span: [word, numbers] }) => `  ${word}: [${numbers.join(", ")}],\n`);
  writeFileSync(join(voice, "spans.ts"), `${HEAD}{\n${lines.join("")}};\n`);
  rmSync(folder, { recursive: true });
  console.log(`${spans.length} words, ${Math.round(at)} s.`);
});

/** Seconds until a word is loud: a soft consonant before it is heard as its upbeat. */
function leadOf(sound) {
  const samples = Array.from({ length: sound.length / BYTES_A_SAMPLE }, (_, place) =>
    Math.abs(sound.readInt16LE(place * BYTES_A_SAMPLE)),
  );
  const loudest = samples.reduce((most, one) => Math.max(most, one), 0);
  return samples.findIndex((one) => one > loudest * LOUD) / RATE;
}

function round(seconds) {
  return Math.round(1000 * seconds) / 1000;
}
