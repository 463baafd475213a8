/** What the frontier says: its columns, and how many stand where. */
import type { FrontierBead } from "@mirrup/core/teaching";
import { counted } from "../app/plural.js";

const FIRST = { one: ["Cleared", "Open now"], most: ["Cleared by most", "Open to most"] } as const;

/** A column's name, for one student or for most of a class. */
export function columnWords(step: number, whose: keyof typeof FIRST): string {
  if (step === 2) return "What that opens";
  return FIRST[whose][step] ?? `${counted(step - 1, "step")} on`;
}

/** How many of a class stand where with a skill, in a few words. */
export function standWords({ step, cleared, open, stuck, next }: FrontierBead, of: number): string {
  if (step === 0) return `${cleared} of ${of}`;
  const here = open > 0 ? `${open} here` : "";
  const held = stuck > 0 ? `${stuck} stuck` : "";
  const opens = next > 0 ? `opens for ${next}` : "";
  const known = cleared > 0 ? `${cleared} cleared` : "";
  // What a column is about comes first; two figures are all that a glance takes in.
  const inOrder = step === 1 ? [here, held, known] : [opens, here, known];
  return inOrder.filter(Boolean).slice(0, 2).join(", ");
}
