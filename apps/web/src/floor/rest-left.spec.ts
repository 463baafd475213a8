import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { beginRest, restLeft, restOf } from "./rest-left.js";

const NOW = Date.parse("2026-06-01T17:00:00Z");

describe("the rest after a set", () => {
  const kept = new Map<string, string>();
  beforeEach(() => {
    kept.clear();
    Object.assign(globalThis, {
      localStorage: {
        getItem: (key: string) => kept.get(key) ?? null,
        setItem: (key: string, value: string) => kept.set(key, value),
        removeItem: (key: string) => kept.delete(key),
      },
    });
  });
  afterEach(() => {
    Reflect.deleteProperty(globalThis, "localStorage");
  });

  it("runs down, is the student's own, and is over after a set that asks for none", () => {
    beginRest("ada", NOW, 30);
    expect([restOf("ada", NOW), restOf("ada", NOW + 29_500), restOf("ada", NOW + 30_000)]).toEqual([
      30, 1, 0,
    ]);
    expect(restOf("bo", NOW)).toBe(0);
    beginRest("ada", NOW + 1000, 0);
    expect(restOf("ada", NOW + 1000)).toBe(0);
  });

  it("is none where nothing was kept, or what no rest comes to", () => {
    for (const text of [null, "", "soon", "-1", String(NOW + 3_600_000)]) expect(restLeft(text, NOW)).toBe(0);
  });

  it("is none where the browser keeps nothing", () => {
    Reflect.deleteProperty(globalThis, "localStorage");
    expect(() => beginRest("ada", NOW, 30)).not.toThrow();
    expect(restOf("ada", NOW)).toBe(0);
  });
});
