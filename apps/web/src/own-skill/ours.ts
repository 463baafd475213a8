/** What a studio may say of any skill, of its own or one that ships, while it is being written. */
import type { DrillWords, FaultCode, SkillOverlayEntry } from "@mirrup/core";
import { gateEntry, gatesOf, NO_GATES, type OwnGates } from "./own-gates.js";

export interface Ours {
  /** Other names, with commas between. */
  readonly also: string;
  /** Null where it stands by itself. */
  readonly strand: string | null;
  /** The skill that it stands after; empty for the end of the strand. */
  readonly after: string;
  readonly note: string;
  /** Null for those that it has by itself. */
  readonly faults: readonly FaultCode[] | null;
  readonly own: OwnGates;
  /** What is said of drills otherwise than usual. */
  readonly drills: readonly DrillWords[];
  readonly isHidden: boolean;
}

export const NO_OURS: Ours = {
  ...{ also: "", strand: null, after: "", note: "", faults: null, own: NO_GATES },
  ...{ drills: [], isHidden: false },
};

export const linesOf = (text: string, between: string) =>
  text
    .split(between)
    .map((one) => one.trim())
    .filter(Boolean);

export function oursOf(entry: SkillOverlayEntry | null): Ours {
  if (entry === null) return NO_OURS;
  const {
    also = [],
    strand = null,
    after = "",
    note = "",
    faults = null,
    drills = [],
    isHidden = false,
  } = entry;
  return { also: also.join(", "), strand, after, note, faults, own: gatesOf(entry), drills, isHidden };
}

type OursEntry = Pick<
  Extract<SkillOverlayEntry, { readonly kind: "changed" }>,
  "also" | "after" | "note" | "gate" | "gates" | "drills" | "isHidden"
>;

/** As it is kept, without what is said for each kind of skill by itself. */
export function oursEntry({ also, after, note, own, drills, isHidden }: Ours): OursEntry {
  const others = linesOf(also, ",");
  return {
    ...(others.length === 0 ? {} : { also: others }),
    ...(after === "" ? {} : { after }),
    ...(note.trim() === "" ? {} : { note: note.trim() }),
    ...gateEntry(own),
    ...(drills.length === 0 ? {} : { drills }),
    ...(isHidden ? { isHidden: true } : {}),
  };
}
