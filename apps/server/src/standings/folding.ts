/** A student's facts from the log's lines, in memory: for the first time, anew, or for a look at another school. */
import {
  BASE_TEST,
  COMBO_GATE,
  comboSubject,
  compareEntries,
  foldEntries,
  gateOf,
  skillOf,
  type FactsBySide,
  type Gate,
  type SideEntry,
  type StandingContext,
  type StandingFacts,
} from "@mirrup/core";
import { baseTestEntry, entriesOf, isBaseJump, keyOf, type KeyedEntry, type Lines } from "./entries.js";

/** The base test is judged when its sets are; its gate is never read. */
const BASE_TEST_GATE: Gate = { kind: "streak", count: 1 };

export interface Rule {
  readonly gate: Gate;
  readonly beats: number;
}

/** What a side of the subject is judged by. Throws a `RangeError` for a subject that no catalogue has. */
export function ruleOf({ catalogue, school, overrides }: StandingContext, subject: string): Rule {
  if (subject === BASE_TEST) return { gate: BASE_TEST_GATE, beats: 1 };
  // A try of a combo is once through, however many counts it has.
  if (comboSubject(subject) !== null) return { gate: COMBO_GATE, beats: 1 };
  const skill = skillOf(catalogue, subject);
  return { gate: gateOf(school, skill, overrides), beats: skill.beats };
}

export interface FoldedSide extends Pick<KeyedEntry, "subject" | "side"> {
  readonly facts: StandingFacts;
  /** The last entry in the log's order. */
  readonly last: SideEntry;
}

/** Every side that the lines bear on, or those of `only`; O(lines log lines). */
export function foldSides(
  lines: Lines,
  context: StandingContext,
  timeZone: string,
  only?: ReadonlySet<string>,
): readonly FoldedSide[] {
  const bySide = new Map<string, { readonly side: KeyedEntry; readonly entries: SideEntry[] }>();
  const add = (keyed: KeyedEntry) => {
    const key = keyOf(keyed);
    if (only !== undefined && !only.has(key)) return;
    const found = bySide.get(key) ?? { side: keyed, entries: [] };
    found.entries.push(keyed.entry);
    bySide.set(key, found);
  };
  entriesOf(lines, context, timeZone).forEach(add);
  const base = context.school.asksBaseTest ? baseTestEntry(lines.sets.filter(isBaseJump), timeZone) : null;
  if (base !== null) add(base);
  return [...bySide.values()].flatMap(({ side: { subject, side }, entries }) => {
    // Nobody has done anything on a side of which only kindred sets are known.
    if (entries.every((entry) => entry.type === "kin")) return [];
    const { gate, beats } = ruleOf(context, subject);
    const last = [...entries].sort(compareEntries).at(-1);
    return last === undefined ? [] : [{ subject, side, facts: foldEntries(entries, gate, beats), last }];
  });
}

export function factsFrom(sides: readonly FoldedSide[]): FactsBySide {
  return new Map(sides.map((one) => [keyOf(one), one.facts]));
}
