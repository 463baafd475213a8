/** A combo in a file: as text, as JSON, or in the click track of a MIDI or WAV file. */
import type { ComboFile, ComboView } from "@mirrup/contract";
import { comboFile } from "@mirrup/contract/schemas";
import { parseScore } from "@mirrup/core";
import { COMBO_LIMITS, comboText, partsOfScore, type ComboPart } from "@mirrup/core/combos";
import { catalogue } from "../app/catalogue.js";
import { readMidi } from "./combo-midi.js";
import { readWav } from "./combo-wav.js";

export type ComboRead =
  | { readonly ok: true; readonly name: string; readonly note: string; readonly parts: readonly ComboPart[] }
  | { readonly ok: false; readonly message: string };

const MOST_BYTES = { text: 400_000, midi: 1_000_000, wav: 60_000_000 } as const;

export function jsonOf({ name, note, parts }: Pick<ComboView, "name" | "note" | "parts">): string {
  const noted = note === "" ? {} : { note };
  const file: ComboFile = { format: "mirrup-combo", version: 1, name, ...noted, score: comboText(parts) };
  return `${JSON.stringify(file, null, 2)}\n`;
}

const refuse = (message: string): ComboRead => ({ ok: false, message });

function fromScore(name: string, text: string, note = ""): ComboRead {
  const parsed = parseScore(text);
  if (!parsed.ok) return refuse(`The score in this file does not parse. ${parsed.fault.message}`);
  const parts = partsOfScore(catalogue(), parsed.score);
  if (parts.length > COMBO_LIMITS.parts)
    return refuse(
      `The combo has ${parts.length} parts; at most ${COMBO_LIMITS.parts} fit on the bench. Shorten it.`,
    );
  return { ok: true, name: name.trim().slice(0, COMBO_LIMITS.nameLength), note, parts };
}

function fromJson(text: string): ComboRead {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return refuse(
      "This file is incomplete: its JSON breaks off or is damaged. Save it again where it came from.",
    );
  }
  const { error, value: file } = comboFile.validate(value, { convert: false }) as {
    error?: Error;
    value: ComboFile;
  };
  if (error !== undefined) return refuse(`This JSON file holds no combo of Mirrup’s: ${error.message}.`);
  return fromScore(file.name, file.score, file.note);
}

function fromTrack(
  name: string,
  kind: "MIDI" | "WAV",
  read: () => { readonly name: string; readonly score: string | null },
): ComboRead {
  let found: { readonly name: string; readonly score: string | null };
  try {
    found = read();
  } catch {
    return refuse(`This ${kind} file is damaged and cannot be read. Save it again where it came from.`);
  }
  if (found.score === null)
    return refuse(
      `This ${kind} file holds no combo. Only click tracks written by Mirrup say which moves they are for.`,
    );
  return fromScore(found.name === "" ? name : found.name, found.score);
}

function startsWith(bytes: Uint8Array, mark: string): boolean {
  return [...mark].every((letter, place) => bytes[place] === letter.charCodeAt(0));
}

function tooLarge(most: number): ComboRead {
  return refuse(`This file is too large for a combo: at most ${Math.round(most / 1000)} kB are read.`);
}

/** What a file holds, told by its first bytes and not by its name. */
export function readComboFile(fileName: string, bytes: Uint8Array): ComboRead {
  const name = fileName.replace(/\.[a-z0-9]+$/i, "");
  if (bytes.length === 0) return refuse("This file is empty.");
  if (startsWith(bytes, "MThd"))
    return bytes.length > MOST_BYTES.midi
      ? tooLarge(MOST_BYTES.midi)
      : fromTrack(name, "MIDI", () => readMidi(bytes));
  if (startsWith(bytes, "RIFF"))
    return bytes.length > MOST_BYTES.wav
      ? tooLarge(MOST_BYTES.wav)
      : fromTrack(name, "WAV", () => readWav(bytes));
  if (bytes.length > MOST_BYTES.text) return tooLarge(MOST_BYTES.text);
  let text: string;
  try {
    text = new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return refuse("This file is neither text nor a MIDI or WAV file. Choose a combo’s file.");
  }
  return text.trimStart().startsWith("{") ? fromJson(text) : fromScore(name, text);
}
