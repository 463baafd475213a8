import { describe, expect, it } from "@jest/globals";
import { dropDraft, keepDraft, keptDraft, type Draft } from "./note-draft.js";
import { noteSaid, setSaid } from "./testing.js";

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

describe("a note that is being typed", () => {
  it("is there after the page has died, with whoever typed it", () => {
    const storage = memory();
    keepDraft(note, storage);
    expect(keptDraft(storage)).toEqual(note);
  });

  it("is forgotten once it waits to be told, but not what was typed on since, or another set's", () => {
    const storage = memory();
    keepDraft(note, storage);
    dropDraft({ ...note, text: "Wri" }, storage);
    dropDraft({ ...note, setId: "t" }, storage);
    dropDraft(setSaid("s", "ada"), storage);
    expect(keptDraft(storage)).toEqual(note);
    dropDraft(note, storage);
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
