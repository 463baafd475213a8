import type { ComboView } from "@mirrup/contract";
import type { ClockPiece } from "@mirrup/core/combos";
import { namesOf, partName } from "../combos/index.js";

/** A kept combo, and what is called at each of its parts. */
export interface ClockCombo extends Pick<ClockPiece, "parts" | "names"> {
  readonly id: string;
  readonly name: string;
}

/** The kept combos that a clock can run. */
export function clockCombos(combos: readonly ComboView[]): readonly ClockCombo[] {
  const names = namesOf(combos);
  return combos
    .filter((combo) => !combo.isRemoved)
    .map(({ id, name, parts }) => ({ id, name, parts, names: parts.map((part) => partName(part, names)) }));
}
