import type { Gate, SchoolId, SkillOverlayEntry } from "@mirrup/core";

/** What clears a skill by the studio: in whatever school, and in single ones before that. */
export interface OwnGates {
  /** Null where the school's stands. */
  readonly gate: Gate | null;
  readonly gates: Readonly<Partial<Record<SchoolId, Gate>>>;
}

export const NO_GATES: OwnGates = { gate: null, gates: {} };

export function gatesOf(entry: Pick<SkillOverlayEntry, "gate" | "gates"> | null): OwnGates {
  return { gate: entry?.gate ?? null, gates: entry?.gates ?? {} };
}

/** As they are kept: nothing where nothing is the studio's own. */
export function gateEntry({ gate, gates }: OwnGates): Pick<SkillOverlayEntry, "gate" | "gates"> {
  return { ...(gate === null ? {} : { gate }), ...(Object.keys(gates).length === 0 ? {} : { gates }) };
}
