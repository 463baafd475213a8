import { CATALOGUE } from "@mirrup/catalogue";
import { LIMITS, scoreOf } from "@mirrup/core";
import { clicksOf, COMBO_LIMITS, comboText, comboTiming, partsOfScore } from "@mirrup/core/combos";
import { describe, expect, it } from "@jest/globals";
import { addressOfParts, readParts } from "./bench-address.js";
import { comboPart } from "./combo-part.js";
import { jsonOf, readComboFile } from "./combo-file.js";
import { midiOf, readMidi } from "./combo-midi.js";
import { LONGEST_WAV_SECONDS, readWav, wavOf } from "./combo-wav.js";

const SCORE = scoreOf("o sr sl (o xr) o*2");
const PARTS = partsOfScore(CATALOGUE, SCORE);
const TRACK = { name: "Swings and a fused double", score: SCORE, tempo: 110 };
const bottoms = clicksOf(SCORE, comboTiming(SCORE, { tempo: 110, dominant: "r" })).map((click) => click.at);

const bytesOf = (text: string) => new TextEncoder().encode(text);
const messageOf = (name: string, bytes: Uint8Array) => {
  const read = readComboFile(name, bytes);
  return read.ok ? "" : read.message;
};

describe("a click track", () => {
  it("falls on the rope's bottoms, written as MIDI and read back", () => {
    const read = readMidi(midiOf(TRACK));
    expect(read).toMatchObject({ name: TRACK.name, score: "o sr sl (o xr) o*2" });
    expect(read.tempo).toBeCloseTo(110, 1);
    expect(read.clicks).toHaveLength(bottoms.length);
    read.clicks.forEach((at, place) => expect(at).toBeCloseTo(bottoms[place] ?? 0, 2));
  });

  it("falls on the rope's bottoms, written as WAV and read back", () => {
    const read = readWav(wavOf(TRACK));
    expect(read).toMatchObject({ name: TRACK.name, score: "o sr sl (o xr) o*2" });
    expect(read.clicks).toHaveLength(bottoms.length);
    read.clicks.forEach((at, place) => expect(at).toBeCloseTo(bottoms[place] ?? 0, 2));
  });

  it("is not written as sound past ten minutes", () => {
    const score = scoreOf("[o*99]*20");
    expect(comboTiming(score, { tempo: 110, dominant: "r" }).duration).toBeGreaterThan(LONGEST_WAV_SECONDS);
    expect(() => wavOf({ ...TRACK, score })).toThrow("Take the MIDI file");
  });
});

describe("a combo's file", () => {
  it.each<[string, Uint8Array, string]>([
    ["a.json", bytesOf(jsonOf({ name: "Named", note: "Low", parts: PARTS })), "Low"],
    ["b.json", bytesOf(jsonOf({ name: "Named", note: "", parts: PARTS })), ""],
    ["Named.txt", bytesOf("# mine\no sr sl (o xr) o*2"), ""],
    ["a.mid", midiOf({ ...TRACK, name: "Named" }), ""],
    ["a.wav", wavOf({ ...TRACK, name: "Named" }), ""],
  ])("is read back: %s", (name, bytes, note) => {
    expect(readComboFile(name, bytes)).toEqual({ ok: true, name: "Named", note, parts: PARTS });
  });

  it.each<[string, string, Uint8Array, RegExp]>([
    ["empty", "a.txt", new Uint8Array(), /empty/],
    ["with JSON that breaks off", "a.json", bytesOf('{"format": "mirrup-com'), /incomplete/],
    ["with another JSON", "a.json", bytesOf('{"format": "other", "version": 1}'), /no combo/],
    [
      "with a key too many",
      "a.json",
      bytesOf(JSON.stringify({ format: "mirrup-combo", version: 1, name: "x", score: "o", __proto__x: 1 })),
      /no combo/,
    ],
    ["with a score that does not parse", "a.txt", bytesOf("o sr ?"), /does not parse/],
    ["of bytes that are no text", "a.bin", new Uint8Array([0xff, 0xfe, 0x00, 0xd8]), /neither text/],
    ["of a MIDI header alone", "a.mid", bytesOf("MThd"), /damaged|no combo/],
    ["of a MIDI file cut short", "a.mid", midiOf(TRACK).slice(0, 60), /damaged|no combo/],
    [
      "of MIDI noise",
      "a.mid",
      new Uint8Array([0x4d, 0x54, 0x68, 0x64, ...Array.from({ length: 300 }, (_, at) => (at * 37) % 256)]),
      /damaged|no combo/,
    ],
    ["of a WAV file cut short", "a.wav", wavOf(TRACK).slice(0, 30), /damaged|no combo/],
    [
      "of five thousand counts",
      "a.txt",
      bytesOf("[[o xr]*50]*50"),
      new RegExp(String(LIMITS.beats).replace(/(\d)(\d{3})$/, "$1,?$2")),
    ],
    ["larger than any combo", "a.txt", bytesOf("o ".repeat(300_000)), /too large/],
  ])("that is %s gets a sentence", (_, name, bytes, expected) => {
    expect(messageOf(name, bytes)).toMatch(expected);
  });
});

describe("the bench's address", () => {
  it("says every part, and is read back to the same", () => {
    const parts = partsOfScore(CATALOGUE, scoreOf("o*2 sr sl (o o)/l>l [sr o]*3 k! xr o"));
    expect(readParts(addressOfParts(parts))).toEqual({ parts, unknown: [] });
    expect(addressOfParts(partsOfScore(CATALOGUE, scoreOf("sr sl (o o) [xr o]*2")))).toBe(
      "double-side-swing:right~,double-under,cross:right*2",
    );
  });

  it("leaves out what names nothing here, and tells of it", () => {
    expect(readParts("moonwalk*3,cross,cross:right,=?,=o,combo:x")).toEqual({
      parts: [
        { subject: "cross", side: "right", score: "xr o", times: 1 },
        { subject: null, side: "whole", score: "o", times: 1 },
      ],
      unknown: ["moonwalk*3", "cross", "=?", "combo:x"],
    });
    expect(readParts("")).toEqual({ parts: [], unknown: [] });
    expect(
      readParts(
        Array(COMBO_LIMITS.parts + 2)
          .fill("cross:right")
          .join(","),
      ),
    ).toMatchObject({
      parts: { length: COMBO_LIMITS.parts },
      unknown: ["cross:right", "cross:right"],
    });
  });

  it("says a saved combo by its key, mirrored too", () => {
    const combo = { id: "00000000-0000-7000-8000-000000000001", name: "x", parts: PARTS };
    const part = comboPart(combo);
    expect(part.side).toBe("right");
    const address = addressOfParts([part]).replace(":right", ":left");
    const [mirrored] = readParts(address, [combo]).parts;
    expect(mirrored?.score).toBe("o sl sr (o xl) o*2");
    expect(comboText([part])).toBe("o sr sl (o xr) o*2");
    expect(comboPart({ id: combo.id, parts: partsOfScore(CATALOGUE, scoreOf("o (o o) o")) }).side).toBe(
      "whole",
    );
  });
});
