import { describe, expect, it } from "@jest/globals";
import { aheadAfter } from "./server-clock.js";

const HOUR = 3_600_000;
/** An answer that says 12:00:00, which was asked and heard at some milliseconds past it by the device. */
const answered = (
  askedAt: number,
  answeredAt: number,
  date: string | null = "Mon, 01 Jun 2026 12:00:00 GMT",
) => {
  const noon = Date.parse("2026-06-01T12:00:00Z");
  return { askedAt: noon + askedAt, answeredAt: noon + answeredAt, date };
};

describe("the server's clock", () => {
  it("is learned from an answer, to the half second that it does not say", () => {
    expect(aheadAfter(null, answered(400, 600))).toBe(0);
    expect(aheadAfter(null, answered(HOUR, HOUR + 1000))).toBe(HOUR);
  });

  it("stays what it was while it is not plainly wrong, so that two taps keep their order", () => {
    expect(aheadAfter(0, answered(1400, 1600))).toBe(0);
    expect(aheadAfter(0, answered(HOUR, HOUR + 1000))).toBe(HOUR);
  });

  it("is not learned from what was long on its way, unless nothing else is known", () => {
    expect(aheadAfter(0, answered(HOUR, HOUR + 9000))).toBe(0);
    expect(aheadAfter(null, answered(HOUR - 4000, HOUR + 5000))).toBe(HOUR);
  });

  it("is not learned from an answer that tells no time", () => {
    for (const date of [null, "", "soon"]) expect(aheadAfter(7, answered(0, 1, date))).toBe(7);
  });
});
