import type { ComboView } from "@mirrup/contract";
import { namesOf, partName } from "../combos/index.js";
import type { ClockCombo } from "./pool.js";

/** The kept combos that a clock can run. */
export function clockCombos(combos: readonly ComboView[]): readonly ClockCombo[] {
  const names = namesOf(combos);
  return combos
    .filter((combo) => !combo.isRemoved)
    .map(({ id, name, parts }) => ({ id, name, parts, names: parts.map((part) => partName(part, names)) }));
}
