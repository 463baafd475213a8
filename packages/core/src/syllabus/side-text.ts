/** A side as addresses and messages write it, `cross:left`. Inside the core a side is a value, never this. */
import { SIDE_NAMES, type SideName } from "../sides.js";
import type { SubjectSide } from "./roles.js";

export function sideKey(subject: string, side: SideName): string {
  return `${subject}:${side}`;
}

/** The side that a key names; null for a text that is none. */
export function sideNamed(key: string): SubjectSide | null {
  const at = key.lastIndexOf(":");
  const side = SIDE_NAMES.find((one) => one === key.slice(at + 1));
  return at < 1 || side === undefined ? null : { subject: key.slice(0, at), side };
}
