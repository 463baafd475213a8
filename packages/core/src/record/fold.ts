/**
 * A student's log as facts: each line becomes entries of the sides that it bears on, and each side's are
 * folded in the log's order. The server keeps what this comes to, and adds to it what arrives.
 */
import { comboSubject } from "../log/combo-subject.js";
import { type Lines, type LoggedDecision, type LoggedSet } from "../log/line.js";
import type { SideName } from "../sides.js";
import { DRILL_ROWS, drillKey, parseDrill, type Drill } from "../syllabus/drill.js";
import type { Gate } from "../syllabus/gates.js";
import { programmeSubject } from "../syllabus/programme.js";
import type { SubjectSide } from "../syllabus/roles.js";
import type { Syllabus } from "../syllabus/syllabus.js";
import { baseTestPassed, isOfBaseTest } from "./base-test.js";
import { evidenceOf } from "./evidence.js";
import type { Judged, SideEntry, SideFacts } from "./facts.js";
import { firstMark, foldOn, type LogPlace, type Mark } from "./mark.js";
import type { LearnerModel } from "./model.js";

/** Four whole ones of five, out of a bounce and back into one: what clears a combo on each side. */
export const COMBO_GATE = { kind: "clean", clean: 4, of: 5 } as const satisfies Gate;

/** A programme, and an item of one that was ticked: done once it was said to be. */
const SAID_GATE = { kind: "clean", clean: 1, of: 1 } as const satisfies Gate;

/** Whose facts an entry belongs to: a side of a skill, the base test, a combo or a link of one, a programme. */
export interface Owner extends SubjectSide, Judged {}

export interface OwnedEntry {
  readonly owner: Owner;
  readonly entry: SideEntry;
}

/** How a log is read: what is taught, and the numbers of the learner model. */
export interface Reader {
  readonly syllabus: Syllabus;
  readonly model: LearnerModel;
}

function comboOwner(subject: string, side: SideName): Owner {
  return { subject, side, gate: COMBO_GATE, gateStreak: COMBO_GATE.clean };
}

/** Of a combo all drills hold the whole but a part of it joined: its own score stands with the combo, not here. */
function holdsCombo({ kind }: Drill): boolean {
  return DRILL_ROWS[kind].isEvidence && kind !== "merge";
}

/** Whose facts a subject and side are, as it is taught; null for what the catalogue has not. */
export function ownerOf(subject: string, side: SideName, syllabus: Syllabus): Owner | null {
  if (comboSubject(subject) !== null) return comboOwner(subject, side);
  if (programmeSubject(subject) !== null)
    return { subject, side, gate: SAID_GATE, gateStreak: SAID_GATE.clean };
  return syllabus.find(subject, side);
}

/** Counted with nobody there, it says how likely a try is, and neither clears nor counts as a review. */
const alone = ({ isAlone }: LoggedSet) => (isAlone === undefined ? {} : { isAlone });

function setEntry(
  set: LoggedSet,
  drill: Drill,
  of: { readonly rung: string; readonly holds: boolean; readonly repetitions: number },
): SideEntry {
  const { id, at, lesson, clean, misses, bestStreak, seconds } = set;
  const timed = seconds === undefined ? {} : { seconds };
  return { type: "set", id, at, lesson, drill, ...of, clean, misses, bestStreak, ...timed, ...alone(set) };
}

/** A set as entries: of the sides that it bears on, and of those that it may count as a review of. */
export function entriesOfSet(set: LoggedSet, { syllabus }: Reader): readonly OwnedEntry[] {
  if (comboSubject(set.subject) !== null) {
    const drill = parseDrill(set.drill);
    if (drill === null) return [];
    const of = { rung: drillKey(drill), holds: holdsCombo(drill), repetitions: 1 };
    return [{ owner: comboOwner(set.subject, set.side), entry: setEntry(set, drill, of) }];
  }
  const { id, at, lesson, clean } = set;
  return evidenceOf(set, syllabus).flatMap(({ of, drill, ...bearing }): OwnedEntry[] => {
    const own = { owner: of, entry: setEntry(set, drill, bearing) };
    if (set.isAlone === true) return bearing.holds ? [own] : [];
    if (!bearing.holds || !DRILL_ROWS[drill.kind].hasRope) return [own];
    const entry: SideEntry = { type: "kin", id, at, lesson, clean: clean * bearing.repetitions };
    return [own, ...of.kin.map((owner) => ({ owner, entry }))];
  });
}

export function entriesOfDecision(line: LoggedDecision, { syllabus }: Reader): readonly OwnedEntry[] {
  const { subject, side, id, decision, at, lesson } = line;
  const owner = ownerOf(subject, side, syllabus);
  return owner === null ? [] : [{ owner, entry: { type: "decision", id, decision, at, lesson } }];
}

/** What the lines come to, in no order; the base test last, where one of the lessons passed it. */
export function entriesOf({ sets, decisions }: Lines, reader: Reader): readonly OwnedEntry[] {
  const { baseTest, catalogue } = reader.syllabus;
  const passed =
    baseTest === null || catalogue.roles.baseTest === null
      ? null
      : baseTestPassed(
          catalogue.roles.baseTest,
          sets.filter((set) => set.isAlone === undefined),
        );
  const base: readonly OwnedEntry[] =
    passed === null || baseTest === null
      ? []
      : [
          {
            owner: baseTest,
            entry: { type: "decision", decision: { kind: "clear", count: null }, ...passed },
          },
        ];
  return [
    ...sets.flatMap((set) => entriesOfSet(set, reader)),
    ...decisions.flatMap((line) => entriesOfDecision(line, reader)),
    ...base,
  ];
}

/** The owners that a set bears on, the base test among them where it is one of its jumps. */
export function ownersOf(set: LoggedSet, reader: Reader): readonly Owner[] {
  const owners = entriesOfSet(set, reader).map((one) => one.owner);
  const { baseTest, catalogue } = reader.syllabus;
  return baseTest !== null && isOfBaseTest(catalogue.roles.baseTest, set) ? [...owners, baseTest] : owners;
}

export interface FoldedSide {
  readonly owner: Owner;
  readonly facts: SideFacts;
  /** The last entry in the log's order. */
  readonly last: LogPlace;
  /** Where it began, and where it stood between its lessons. */
  readonly marks: readonly Mark[];
}

/** The entries by owner, in the order in which each comes first. */
export function byOwner(
  entries: readonly OwnedEntry[],
): readonly { readonly owner: Owner; readonly entries: readonly SideEntry[] }[] {
  const bySubject = new Map<string, Map<SideName, { owner: Owner; entries: SideEntry[] }>>();
  for (const { owner, entry } of entries) {
    const sides = bySubject.get(owner.subject) ?? new Map<SideName, { owner: Owner; entries: SideEntry[] }>();
    bySubject.set(owner.subject, sides);
    const found = sides.get(owner.side) ?? { owner, entries: [] };
    sides.set(owner.side, found);
    found.entries.push(entry);
  }
  return [...bySubject.values()].flatMap((sides) => [...sides.values()]);
}

/** Everything that the lines bear on, or those owners that `isWanted`; O(lines log lines). */
export function foldLines(
  lines: Lines,
  reader: Reader,
  isWanted: (owner: Owner) => boolean = () => true,
): readonly FoldedSide[] {
  const wanted = entriesOf(lines, reader).filter(({ owner }) => isWanted(owner));
  return byOwner(wanted).flatMap(({ owner, entries }) => {
    const first = firstMark(entries);
    // Nobody has done anything on a side of which only kindred sets are known.
    if (first === null) return [];
    const { marks, ...folded } = foldOn(first, entries, owner, reader.model);
    return [{ owner, ...folded, marks: [first, ...marks] }];
  });
}
