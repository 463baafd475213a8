import type { Opened, StandingChange } from "@mirrup/contract";
import { SideMap, type Gate, type SideName, type SideSet } from "@mirrup/core";
import { cleanChance, openedBetween, type Status } from "@mirrup/core/teaching";
import type { StudentReading } from "./student-reading.js";

/** Students at one moment, by student. */
export type Readings = ReadonlyMap<string, StudentReading>;

/** Sides of a student that something was logged about. */
export type Touched = ReadonlyMap<string, SideSet>;

/** One subject's side as it is told, a combo's too. */
interface Told {
  readonly subject: string;
  readonly side: SideName;
  readonly status: Status;
  readonly bestStreak: number;
  readonly gateBest: number;
  readonly cleanChance: number;
  readonly gate: Gate;
}

function toldOf({ reading, combos }: StudentReading): readonly Told[] {
  const skills = reading.standings.map((standing): Told => {
    const { of, status, facts } = standing;
    const { bestStreak, gateBest } = facts;
    const { subject, side, gate } = of;
    return { subject, side, status, bestStreak, gateBest, cleanChance: cleanChance(standing), gate };
  });
  return [...skills, ...combos];
}

/** What became of the touched sides between two readings. */
export function changesBetween(touched: Touched, before: Readings, after: Readings): StandingChange[] {
  return [...after].flatMap(([studentId, reading]) => {
    const own = before.get(studentId);
    const was = new SideMap((own === undefined ? [] : toldOf(own)).map((one) => [one, one.status] as const));
    return toldOf(reading)
      .filter((one) => touched.get(studentId)?.has(one))
      .map(({ subject, side, status, ...rest }) => ({
        studentId,
        subject,
        side,
        // A combo that nobody had practised stood in no reading.
        from: was.get({ subject, side }) ?? "ready",
        to: status,
        ...rest,
      }));
  });
}

/** Sides that were locked and are not any more. */
export function openedOf(before: Readings, after: Readings): Opened[] {
  return [...after].flatMap(([studentId, { reading }]) => {
    const was = before.get(studentId)?.reading;
    const opened = was === undefined ? [] : openedBetween(was, reading);
    return opened.map(({ subject, side }) => ({ studentId, subject, side }));
  });
}
