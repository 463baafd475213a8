import { expect, it } from "@jest/globals";
import { localDate } from "@mirrup/core";
import { noonZone } from "./noon.js";

it("knows a zone for every hour where it is past noon and the date that of UTC", () => {
  for (let hour = 0; hour < 24; hour += 1) {
    const now = new Date(Date.UTC(2026, 2, 31, hour, 59));
    const timeZone = noonZone(now);
    expect(now.toLocaleTimeString("en-GB", { timeZone, hour: "2-digit" })).toBe("12");
    expect(localDate(now.getTime(), timeZone)).toBe("2026-03-31");
  }
});
