import { DAY_MS, localDate } from "@mirrup/core";
import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { DEMO_CLUB } from "./club.js";
import { demoId } from "./demo-id.js";
import { historyOf } from "./history.js";
import { practiceAt } from "./practice.js";

const ZONES = ["Europe/London", "Pacific/Auckland", "America/St_Johns", "Asia/Kathmandu", "UTC"];
const anyNow = fc.date({ min: new Date("2024-01-01"), max: new Date("2031-01-01"), noInvalidDate: true });
const clockIn = (timeZone: string, at: number) =>
  new Intl.DateTimeFormat("en-GB", { timeZone, timeStyle: "short" }).format(at);

describe("a practice of the demo", () => {
  it("begins at the hall's hour of its day, in winter and in summer, and never later than an hour ago", () => {
    fc.assert(
      fc.property(
        anyNow,
        fc.double({ min: 0, max: 120, noNaN: true }),
        fc.constantFrom(...ZONES),
        (now, daysAgo, zone) => {
          const at = practiceAt(now, daysAgo, zone);
          const day = localDate(now.getTime() - daysAgo * DAY_MS, zone);
          if (at === now.getTime() - 3_600_000) return;
          expect([localDate(at, zone), clockIn(zone, at)]).toEqual([day, "16:30"]);
          expect(at).toBeLessThan(now.getTime() - 3_600_000);
        },
      ),
    );
  });

  it("is told of nobody at night", () => {
    const now = new Date("2026-11-30T04:05:00Z");
    for (const student of DEMO_CLUB.students) {
      const sets = historyOf(student, demoId(student.name), 1, now, DEMO_CLUB.timeZone);
      for (const { at } of sets) {
        expect(Date.parse(at)).toBeLessThan(now.getTime());
        const hour = Number(clockIn(DEMO_CLUB.timeZone, Date.parse(at)).slice(0, 2));
        expect(hour).toBeGreaterThanOrEqual(16);
        expect(hour).toBeLessThan(21);
      }
    }
  });
});
