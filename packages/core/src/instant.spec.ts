import { describe, expect, it } from "@jest/globals";
import { localDate } from "./instant.js";

describe("a lesson's day", () => {
  it("is the studio's own", () => {
    const instant = Date.UTC(2026, 6, 1, 23, 30);
    expect(localDate(instant, "Europe/London")).toBe("2026-07-02");
    expect(localDate(instant, "America/New_York")).toBe("2026-07-01");
  });
});
