import { isEasyPhase, type PlanBlock } from "@mirrup/core/planning";
import { floorAddress } from "../app/drill-address.js";
import type { Paths } from "../app/paths.js";
import type { LedBlock } from "./led.js";

/** Where a block is done: on the floor with its drill, or on its combo's. */
export function blockPath(
  paths: Paths,
  studentId: string,
  { subject, side, drill, comboId }: Pick<LedBlock, "subject" | "side" | "drill" | "comboId">,
): string {
  return comboId === null
    ? `${paths.floor(studentId, subject, side)}${floorAddress(drill)}`
    : paths.comboFloor(studentId, comboId, side, "whole");
}

/** The kept combo that a planned block is; null for a skill's side. */
export function comboOf({ reason }: PlanBlock): string | null {
  return reason.code === "combo" ? (reason.combo?.id ?? null) : null;
}

/** Where one goes for a block: what nobody counts, and the end (null), have the session's own page. */
export function blockPathOf(paths: Paths, studentId: string, block: LedBlock | null): string {
  return block === null || isEasyPhase(block.phase)
    ? paths.led(studentId)
    : blockPath(paths, studentId, block);
}
