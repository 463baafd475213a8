/** Names as somebody types or pastes them, one to a line. */
import { plainName } from "../app/plain.js";

export interface TypedNames {
  readonly names: readonly string[];
  /** Those of somebody who is here already, or who stands further up. */
  readonly twins: readonly string[];
}

/** What stands before a name in a list that was copied: "1.", "2)", "-", "*", "•". */
const MARK = /^\s*(?:\d+\s*[.)]|[-*•–])\s*/;

/** The names of a text, its numbers, marks and further columns left out; `known` are those who are here already. */
export function namesIn(text: string, known: Iterable<string>): TypedNames {
  const seen = new Set([...known].map(plainName));
  const names: string[] = [];
  const twins: string[] = [];
  for (const line of text.split(/\r?\n/)) {
    const [first = ""] = line.replace(MARK, "").trim().split(/[\t;]/);
    const name = first.trim().replace(/\s+/g, " ");
    if (name === "") continue;
    const key = plainName(name);
    (seen.has(key) ? twins : names).push(name);
    seen.add(key);
  }
  return { names, twins };
}
