import { settingValue } from "@mirrup/catalogue";
import { ROPE_LINES, ropeFit, ropeMisfit } from "@mirrup/core";
import type { Scope } from "../database/scope.js";
import type { StudentEntity } from "./student.entity.js";

/** The length of rope that fits a student, mm, by the line that the studio or the student goes by; null without a height. */
export function fittingRope(scope: Scope, { heightMm, ropeUse, settings }: StudentEntity): number | null {
  const chosen = settingValue("rope-line", settings, scope.studio.settings);
  const line = ROPE_LINES.find((one) => one === chosen) ?? "armpit";
  return heightMm === null ? null : ropeFit(heightMm, line, ropeUse);
}

/** How much longer (negative: shorter) the rope in use is than fits, mm; null where either was not measured. */
export function ropeMisfitOf(scope: Scope, student: StudentEntity): number | null {
  const fitting = fittingRope(scope, student);
  const { ropeLengthMm } = student;
  return fitting === null || ropeLengthMm === null ? null : ropeMisfit(ropeLengthMm, fitting);
}
