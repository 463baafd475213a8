/** Sides folded, as they are written. */
import { compareLines, isSameSide, gateKey, localDate, SideMap, type SubjectSide } from "@mirrup/core";
import {
  byOwner,
  entriesOfDecision,
  entriesOfSet,
  FIRST_ID,
  firstMark,
  foldOn,
  isOfBaseTest,
  type LogPlace,
  type Mark,
  type Owner,
  type Reader,
  type SideEntry,
  type SideFacts,
} from "@mirrup/core/teaching";
import type { Scope } from "../database/scope.js";
import { columnsOf, factsOf } from "./facts.js";
import { readerFor, type Learner } from "./learner.js";
import { linesFrom, type LogRows } from "./log-lines.js";
import type { MarksOfSide } from "./marks.js";
import type { StandingEntity } from "./standing.entity.js";

/** What a side was folded to, its marks with it; null where nothing is left that bears on it. */
export interface FoldedRow extends Pick<MarksOfSide, "marks" | "stale"> {
  readonly learner: Learner;
  readonly owner: SubjectSide;
  readonly row: StandingEntity | null;
}

/** A side that something came late to, or was taken back from, and where in the log that stands. */
export interface LateSide {
  readonly learner: Learner;
  readonly owner: Owner;
  readonly since: LogPlace;
  /** Nothing was known of it before. */
  readonly isNew: boolean;
}

/** A side that nobody had practised: as it is where nothing came before it, and from where it is folded otherwise. */
export interface FreshSide {
  readonly learner: Learner;
  readonly folded: FoldedRow;
  readonly late: LateSide;
}

/** What one student's new lines come to, as far as that can be told from what is kept. */
export interface AddedLines {
  readonly learner: Learner;
  readonly folded: readonly FoldedRow[];
  readonly fresh: readonly FreshSide[];
  readonly late: readonly LateSide[];
  /** The base test, where a lesson may now pass it, or not any more. */
  readonly baseTest: SubjectSide | null;
}

/** A side whose facts something changed that is in the log already: since when, null for all of it. */
export interface TouchedSide extends SubjectSide {
  readonly since: LogPlace | null;
}

export function rowOf(
  scope: Scope,
  learner: Learner,
  owner: Owner,
  { facts, last }: { readonly facts: SideFacts; readonly last: LogPlace },
): StandingEntity {
  return {
    studioId: scope.studio.id,
    studentId: learner.id,
    subject: owner.subject,
    side: owner.side,
    gate: gateKey(owner.gate),
    ...columnsOf(facts),
    foldedAt: new Date(last.at),
    foldedId: last.id,
  };
}

const placeOf = ({ foldedAt, foldedId }: StandingEntity): LogPlace => ({
  at: foldedAt.getTime(),
  id: foldedId,
});

/** Whether sets can change by which lesson the base test was passed: not those of a later lesson. */
function mayChangeBaseTest(
  scope: Scope,
  reader: Reader,
  rows: LogRows,
  row: StandingEntity | undefined,
): boolean {
  const role = reader.syllabus.catalogue.roles.baseTest;
  const { timeZone } = scope.studio;
  const sets = linesFrom(rows, timeZone).sets.filter((set) => isOfBaseTest(role, set));
  if (row?.clearedAt === null || row === undefined) return sets.length > 0;
  const passed = localDate(row.foldedAt.getTime(), timeZone);
  return sets.some((set) => set.lesson <= passed);
}

/** Adds a student's new lines to the rows that are kept of them. O(lines). */
export function addTo(
  scope: Scope,
  learner: Learner,
  rows: LogRows,
  stored: readonly StandingEntity[],
): AddedLines {
  const reader = readerFor(scope, learner);
  const { baseTest } = reader.syllabus;
  const { timeZone } = scope.studio;
  const kept = new SideMap(stored.map((row) => [row, row] as const));
  const lines = linesFrom(rows, timeZone);
  const entries = [
    ...lines.sets.flatMap((set) => entriesOfSet(set, reader)),
    ...lines.decisions.flatMap((line) => entriesOfDecision(line, reader)),
  ];
  const folded: FoldedRow[] = [];
  const fresh: FreshSide[] = [];
  const late: LateSide[] = [];
  let isBaseTestLate = baseTest !== null && mayChangeBaseTest(scope, reader, rows, kept.get(baseTest));
  const foldedTo = (owner: Owner, start: Mark, own: readonly SideEntry[], lesson?: string) => {
    const { marks, ...on } = foldOn(
      { ...start, ...(lesson === undefined ? {} : { lesson }) },
      own,
      owner,
      reader.model,
    );
    return { learner, owner, row: rowOf(scope, learner, owner, on), marks, stale: "none" } as const;
  };
  for (const { owner, entries: own } of byOwner(entries)) {
    const row = kept.get(owner);
    if (row === undefined) {
      const start = firstMark(own);
      // A side that nobody has practised has no reviews that a kindred set could count for.
      if (start === null) continue;
      const made = foldedTo(owner, start, own);
      fresh.push({
        ...{ learner, folded: { ...made, marks: [start, ...made.marks] } },
        late: { learner, owner, since: start, isNew: true },
      });
      continue;
    }
    const place = placeOf(row);
    const [first] = [...own].sort(compareLines);
    if (first === undefined || compareLines(first, place) > 0) {
      const lesson = localDate(place.at, timeZone);
      folded.push(foldedTo(owner, { ...place, facts: factsOf(row) }, own, lesson));
    } else if (owner === baseTest) isBaseTestLate = true;
    else late.push({ learner, owner, since: { at: first.at, id: first.id }, isNew: false });
  }
  return { learner, folded, fresh, late, baseTest: isBaseTestLate ? baseTest : null };
}

/** A side folded on from a start, from the first of its entries where there is none. */
export function foldedFrom(
  scope: Scope,
  learner: Learner,
  {
    owner,
    start,
    entries,
  }: { readonly owner: Owner; readonly start: Mark | null; readonly entries: readonly SideEntry[] },
): FoldedRow {
  const from = start ?? firstMark(entries);
  const isAll = from?.id === FIRST_ID;
  // Of a side that begins here nothing is left where only kindred sets are behind it.
  if (from === null || (isAll && firstMark(entries) === null))
    return { learner, owner, row: null, marks: [], stale: "all" };
  const { marks, ...on } = foldOn(from, entries, owner, readerFor(scope, learner).model);
  return {
    ...{ learner, owner, row: rowOf(scope, learner, owner, on) },
    marks: isAll ? [from, ...marks] : marks,
    stale: start === null ? "all" : { at: from.at, id: from.id },
  };
}

/** Of several places of one side the earliest. */
export function earliest(late: readonly LateSide[]): readonly LateSide[] {
  const sorted = [...late].sort((one, other) => compareLines(one.since, other.since));
  return sorted.filter(
    (one, place) => sorted.findIndex((other) => isSameSide(other.owner, one.owner)) === place,
  );
}
