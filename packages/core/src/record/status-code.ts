/**
 * A student's standings as one short text, a character a side in the catalogue's order: what a class
 * of hundreds is sent as. Locked `-`, ready `o`, working `0` to `9` (tenths of the gate) or `A` to
 * `J` when stuck, cleared `c`, inferred `i`, rusty `r`.
 */
import { gateTarget } from "../syllabus/gates.js";
import type { Standing, Status } from "./standing.js";

export interface CodedStatus {
  readonly status: Status;
  /** How far to the gate while working, in tenths. */
  readonly tenths: number;
  readonly isStuck: boolean;
}

const PLAIN = { locked: "-", ready: "o", cleared: "c", inferred: "i", rusty: "r" } as const;

function codeOf({ status, facts, of, isStuck }: Standing): string {
  if (status !== "working") return PLAIN[status];
  const tenths = Math.min(9, Math.floor((10 * facts.gateBest) / gateTarget(of.gate)));
  return isStuck ? String.fromCharCode(65 + tenths) : String(tenths);
}

export function statusCodes(standings: readonly Standing[]): string {
  return standings.map(codeOf).join("");
}

function decode(code: string): CodedStatus {
  const plain = (Object.keys(PLAIN) as (keyof typeof PLAIN)[]).find((status) => PLAIN[status] === code);
  if (plain !== undefined) return { status: plain, tenths: 0, isStuck: false };
  if (code >= "0" && code <= "9") return { status: "working", tenths: Number(code), isStuck: false };
  if (code >= "A" && code <= "J") {
    return { status: "working", tenths: code.charCodeAt(0) - 65, isStuck: true };
  }
  throw new RangeError(`"${code}" is no status code; the page may be older than the server: load it anew.`);
}

/** The statuses of every side in the catalogue's order. Throws a `RangeError` for an unknown code. */
export function decodeStatuses(codes: string): readonly CodedStatus[] {
  return [...codes].map(decode);
}
