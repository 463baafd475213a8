/** Combos: kept by a studio, learned by its students, shown to whoever has the link. */
import type { SideName } from "@mirrup/core";
import type { ComboPart, ComboStanding } from "@mirrup/core/combos";

export const MAX_COMBOS = 50;

export interface ComboView {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  /** What to mind in it; empty for nothing. */
  readonly note: string;
  readonly parts: readonly ComboPart[];
  readonly createdAt: string;
  /** Since when it can be read by a link; null where it cannot. */
  readonly linkedAt: string | null;
  /** Off the shelf; what was logged of it stays. */
  readonly isRemoved: boolean;
}

export type NewCombo = Pick<ComboView, "id" | "name" | "parts"> & Partial<Pick<ComboView, "note">>;

export interface CombosRequest {
  readonly combos: readonly NewCombo[];
}

/** A combo's moves never change once it is kept, since sets are logged about them. */
export interface ComboChange {
  readonly version: number;
  readonly name?: string;
  readonly note?: string;
  readonly isRemoved?: boolean;
}

/** The link's secret, told once. */
export interface ComboLinkView {
  readonly token: string;
  readonly combo: ComboView;
}

/** What somebody with the link sees: nothing of the studio's people, whom a note may name. */
export interface SharedCombo {
  readonly name: string;
  readonly studio: string;
  readonly parts: readonly ComboPart[];
}

export interface ComboStandingItem extends ComboStanding {
  readonly comboId: string;
  readonly side: SideName;
}

/** A part as it comes from a file, and what is told of the rest. */
export interface ComboFile {
  readonly format: "mirrup-combo";
  readonly version: 1;
  readonly name: string;
  /** What to mind in it; files of before have none. */
  readonly note?: string;
  readonly score: string;
}
