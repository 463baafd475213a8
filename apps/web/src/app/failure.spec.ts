import { describe, expect, it } from "@jest/globals";
import { ProblemError, SilenceError } from "./api.js";
import { failureOf, isRefused } from "./failure.js";

const refused = (status: number) =>
  new ProblemError({ type: "refused", title: "Refused", status, detail: "No.", requestId: "1" });

describe("what was read", () => {
  it.each([
    ["it has not been read, and nobody answers", undefined, new SilenceError(), true],
    ["it has not been read, and is refused", undefined, refused(500), true],
    ["it was read, and nobody answers now", ["Fern"], new SilenceError(), false],
    ["it was read, and the server has a fault now", ["Fern"], refused(500), false],
    ["it was read, and whoever asks is signed out now", ["Fern"], refused(401), false],
    ["it was read, and there is no such thing now", ["Fern"], refused(404), true],
    ["it was read, and was deleted", ["Fern"], refused(410), true],
    ["it was read, and is not theirs any more", ["Fern"], refused(403), true],
    ["it was read", ["Fern"], null, false],
    ["it is being read", undefined, null, false],
  ])("when %s", (_when, data, error, fails) => {
    expect(failureOf({ data, error })).toBe(fails ? error : null);
  });
});

describe("a floor", () => {
  it("ends where there is no such student, and not where a server has a fault or a session has ended", () => {
    for (const status of [400, 403, 404, 410, 422]) expect(isRefused(refused(status))).toBe(true);
    for (const status of [401, 409, 429, 500]) expect(isRefused(refused(status))).toBe(false);
    expect(isRefused(new SilenceError())).toBe(false);
  });
});
