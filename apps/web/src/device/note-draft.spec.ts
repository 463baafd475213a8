import { describe, expect, it } from "@jest/globals";
import type { Command } from "./command.js";
import { keepDraft, keptDraft, sayTyped, type Draft } from "./note-draft.js";
import type { Became } from "./outbox.js";
import { noteSaid } from "./testing.js";

/** What a browser keeps, as it does by its interface. */
function memory(full = false): Storage {
  const kept = new Map<string, string>();
  return {
    length: 0,
    key: () => null,
    clear: () => kept.clear(),
    getItem: (key) => kept.get(key) ?? null,
    removeItem: (key) => void kept.delete(key),
    setItem: (key, value) => {
      if (full) throw new Error("QuotaExceededError");
      kept.set(key, value);
    },
  };
}
const note = noteSaid("n", "ada", "s") as Draft;

/** An outbox of a device that keeps what is said, or refuses it, and of which this becomes. */
const outboxThat = (isKept: boolean, kind: "told" | "kept") => ({
  said: [] as Command[],
  becomes: () => Promise.resolve<Became>({ kind }),
  say(commands: readonly Command[]) {
    this.said.push(...commands);
    return Promise.resolve(isKept);
  },
});

describe("a note that is being typed", () => {
  it("is there after the page has died, with whoever typed it", () => {
    const storage = memory();
    keepDraft(note, storage);
    expect(keptDraft(storage)).toEqual(note);
  });

  it("is forgotten once it waits to be told, but not what was typed on since, or another set's", async () => {
    const storage = memory();
    keepDraft(note, storage);
    const keeps = outboxThat(true, "kept");
    await sayTyped({ ...note, text: "Wri" }, keeps, storage);
    await sayTyped({ ...note, setId: "t" }, keeps, storage);
    expect(keptDraft(storage)).toEqual(note);
    await sayTyped(note, keeps, storage);
    expect(keptDraft(storage)).toBeNull();
    expect(keeps.said.at(-1)).toBe(note);
  });

  it("stays while nothing else has it: where the device refuses what is said, until the server was told", async () => {
    const storage = memory();
    keepDraft(note, storage);
    await sayTyped(note, outboxThat(false, "kept"), storage);
    expect(keptDraft(storage)).toEqual(note);
    await sayTyped(note, outboxThat(false, "told"), storage);
    expect(keptDraft(storage)).toBeNull();
  });

  it("is nothing where the browser keeps nothing, or keeps something else", () => {
    const full = memory(true);
    keepDraft(note, full);
    expect(keptDraft(full)).toBeNull();
    const odd = memory();
    for (const text of ["{", "7", "null", JSON.stringify({ ...note, sender: null }), '{"kind":"note"}']) {
      odd.setItem("mirrup-note", text);
      expect(keptDraft(odd)).toBeNull();
    }
  });
});
