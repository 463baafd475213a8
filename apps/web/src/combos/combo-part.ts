import { comboKey } from "@mirrup/core";
import { comboText, mirrorPart, type ComboPart } from "@mirrup/core/combos";

/** What of a saved combo the bench asks for. */
export interface KnownCombo {
  readonly id: string;
  readonly name: string;
  readonly parts: readonly ComboPart[];
}

/** A kept combo as one part of another: the right side as written, none where it is its own mirror. */
export function comboPart({ id, parts }: Pick<KnownCombo, "id" | "parts">): ComboPart {
  const score = comboText(parts);
  const part: ComboPart = { subject: comboKey(id), side: "right", score, times: 1 };
  return mirrorPart(part) === part ? { ...part, side: "whole" } : part;
}
