import { describe, expect, it } from "@jest/globals";
import { OWN_ZONE, ZONES, zonesWith } from "./time-zones.js";

describe("the list of time zones", () => {
  it("has the device's own, each once, and none that the platform does not know", () => {
    const values = ZONES.map(({ value }) => value);
    expect(values).toContain(OWN_ZONE);
    expect(new Set(values).size).toBe(values.length);
    for (const zone of values) expect(() => new Intl.DateTimeFormat("en", { timeZone: zone })).not.toThrow();
  });

  it("reads as one says it", () => {
    expect(ZONES.find(({ value }) => value === "America/New_York")?.label).toBe("America/New York");
  });

  it("has the studio's zone too, whatever it was called when it was chosen", () => {
    expect(zonesWith("Europe/London")).toBe(ZONES);
    const [first, ...rest] = zonesWith("Old_World/Somewhere");
    expect(first).toEqual({ value: "Old_World/Somewhere", label: "Old World/Somewhere" });
    expect(rest).toEqual(ZONES);
  });
});
