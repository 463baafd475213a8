import { describe, expect, it } from "@jest/globals";
import { isSilent, presenceWords } from "./words.js";

const since = new Date(2026, 0, 5, 17, 4).toISOString();
const seen = new Date(2026, 0, 5, 17, 20);
const ben = {
  ...{ place: "station 1", tab: "t", personId: "ben", name: "Ben" },
  ...{ since, seenAt: seen.toISOString() },
};
const soon = seen.getTime() + 30_000;
const late = seen.getTime() + 90_000;

describe("who counts there", () => {
  it("is said by name with the time since, of oneself as another device", () => {
    expect(presenceWords(ben, "ana", soon)).toBe("Ben is counting here, since 17:04.");
    expect(presenceWords(ben, "ben", soon)).toContain("You are counting here on another device or tab");
  });

  it("is said until when they were heard of where they fell silent", () => {
    expect(isSilent(ben, soon)).toBe(false);
    expect(isSilent(ben, late)).toBe(true);
    expect(presenceWords(ben, "ana", late)).toMatch(/^Ben counted here until 17:20;/);
    expect(presenceWords(ben, "ben", late)).toMatch(/^You counted here .* until 17:20;/);
  });
});
