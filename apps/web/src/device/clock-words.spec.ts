import { expect, it } from "@jest/globals";
import { clockWords } from "./clock-words.js";

it.each([
  [130, "2 minutes ahead"],
  [-3600, "1 hour behind"],
  [-3 * 3600 - 200, "3 hours behind"],
  [86_400, "1 day ahead"],
  [-365 * 86_400, "365 days behind"],
])("%d seconds are %s", (seconds, words) => {
  expect(clockWords(seconds)).toBe(words);
});
