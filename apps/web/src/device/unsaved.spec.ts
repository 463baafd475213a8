import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { dropAllUnsaved, dropUnsaved, keepUnsaved, unsavedOf } from "./unsaved.js";

/** A tab's storage, in memory. */
function storage(most = Infinity): Storage {
  const kept = new Map<string, string>();
  return {
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => {
      if (value.length > most) throw new Error("QuotaExceededError");
      kept.set(key, value);
    },
    removeItem: (key) => void kept.delete(key),
    key: (place) => [...kept.keys()][place] ?? null,
    clear: () => kept.clear(),
    get length() {
      return kept.size;
    },
  };
}

const EXAMPLE = { text: "", names: [] as readonly string[] };

describe("what is typed and not saved", () => {
  it("is found again by whoever typed it, the last of it, and by nobody else", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            name: fc.constantFrom("a", "b"),
            who: fc.constantFrom("ann", "ben"),
            value: fc.option(fc.record({ text: fc.string(), names: fc.array(fc.string()) }), { nil: null }),
          }),
        ),
        (typed) => {
          const store = storage();
          const last = new Map<string, { who: string; value: unknown }>();
          for (const { name, who, value } of typed) {
            if (value === null) dropUnsaved(name, store);
            else keepUnsaved(name, who, value, store);
            last.set(name, { who, value });
          }
          for (const name of ["a", "b"])
            for (const who of ["ann", "ben"]) {
              const own = last.get(name);
              const expected = own?.who === who ? own.value : null;
              expect(unsavedOf(name, who, EXAMPLE, store)).toEqual(expected);
            }
        },
      ),
    );
  });

  it("is not taken where it is of another shape, or cannot be read", () => {
    const store = storage();
    for (const value of [null, 5, "text", [], { text: "a" }, { text: "a", names: "b" }]) {
      keepUnsaved("form", "ann", value, store);
      expect(unsavedOf("form", "ann", EXAMPLE, store)).toBeNull();
    }
    store.setItem("mirrup-unsaved form", "{ half");
    expect(unsavedOf("form", "ann", EXAMPLE, store)).toBeNull();
    keepUnsaved("words", "ann", ["a"], store);
    expect(unsavedOf("words", "ann", "", store)).toBeNull();
  });

  it("goes with a sign-out, and what is not its own stays", () => {
    const store = storage();
    store.setItem("mirrup-note", "1");
    keepUnsaved("one", "ann", EXAMPLE, store);
    keepUnsaved("two", "ann", EXAMPLE, store);
    dropAllUnsaved(store);
    expect([store.length, store.getItem("mirrup-note")]).toEqual([1, "1"]);
  });

  it("stops nothing where the browser keeps nothing", () => {
    const store = storage(10);
    expect(() => keepUnsaved("form", "ann", EXAMPLE, store)).not.toThrow();
    expect(unsavedOf("form", "ann", EXAMPLE, store)).toBeNull();
  });
});
