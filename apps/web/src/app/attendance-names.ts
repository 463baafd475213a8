import type { Attendance } from "@mirrup/contract";

export const ATTENDANCE_NAMES: Readonly<Record<Attendance, string>> = {
  expected: "Expected",
  present: "Here",
  late: "Late",
  absent: "Away",
};
