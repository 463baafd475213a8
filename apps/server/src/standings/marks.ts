/** Where each side stood between its last lessons, kept beside its facts and written with them. */
import { compareLines, isSameSide, type Side, type SubjectSide } from "@mirrup/core";
import { FIRST_ID, isNothing, nothingBefore, type LogPlace, type Mark } from "@mirrup/core/teaching";
import { In } from "typeorm";
import type { Scope } from "../database/scope.js";
import { factsOf } from "./facts.js";
import { StandingEntity } from "./standing.entity.js";
import { StandingMarkEntity } from "./standing-mark.entity.js";

/** What comes later than so many lessons of its side is folded from where the side began. */
const MOST_MARKS = 8;

/** The marks that came about of one student's side, and behind which place those that were kept hold no more. */
export interface MarksOfSide extends SubjectSide {
  readonly studentId: string;
  readonly marks: readonly Mark[];
  /** "all" where none holds any more, "none" where all do. */
  readonly stale: LogPlace | "all" | "none";
}

const BEGINNING: LogPlace = { at: 0, id: FIRST_ID };

/** The kept marks of some students' subjects, in no order; one query. */
export async function keptMarks(
  scope: Scope,
  studentIds: readonly string[],
  subjects: readonly string[],
): Promise<readonly StandingMarkEntity[]> {
  return scope.manager.findBy(StandingMarkEntity, {
    studioId: scope.studio.id,
    studentId: In([...new Set(studentIds)]),
    subject: In([...new Set(subjects)]),
  });
}

const markOf = ({ foldedAt, foldedId, facts }: StandingMarkEntity): Mark => ({
  ...{ at: foldedAt.getTime(), id: foldedId, facts },
});

/** The marks of a side and of the other one with where both stand now, as their chance has come along; one query each. */
export async function courseOf(
  scope: Scope,
  studentId: string,
  side: Side,
): Promise<{ readonly own: readonly Mark[]; readonly other: readonly Mark[] | null }> {
  const kept = await keptMarks(scope, [studentId], [side.subject]);
  const rows = await scope.manager.findBy(StandingEntity, {
    ...{ studioId: scope.studio.id, studentId, subject: side.subject },
  });
  const marksOf = (of: SubjectSide) => [
    ...kept.filter((mark) => isSameSide(mark, of)).map(markOf),
    ...rows
      .filter((row) => isSameSide(row, of))
      .map((row) => ({ at: row.foldedAt.getTime(), id: row.foldedId, facts: factsOf(row) })),
  ];
  return { own: marksOf(side), other: side.other === null ? null : marksOf(side.other) };
}

/**
 * From where a side is folded on to take in what came at a place: the last mark before it, or nothing where that is
 * before all that was known of the side. Null where only the whole log tells.
 */
export function startBefore(kept: readonly StandingMarkEntity[], place: LogPlace): Mark | null {
  // One of which nothing is known is no start: kindred sets alone are behind it, and whether anything else is, the first tells.
  const marks = kept
    .map(markOf)
    .filter(({ id, facts }) => id === FIRST_ID || !isNothing(facts))
    .sort(compareLines);
  const before = marks.filter((mark) => compareLines(mark, place) < 0).at(-1);
  if (before !== undefined) return before;
  return marks.some((mark) => mark.id === FIRST_ID) ? nothingBefore(place) : null;
}

/** Takes away the marks that no longer hold, writes the new ones, and keeps the last of each side. */
export async function writeMarks(scope: Scope, sides: readonly MarksOfSide[]): Promise<void> {
  const { manager, studio } = scope;
  const stale = sides.filter((one) => one.stale !== "none");
  const placeOf = ({ stale: from }: MarksOfSide) => (typeof from === "string" ? BEGINNING : from);
  if (stale.length > 0)
    await manager.query(
      `DELETE FROM standing_mark AS mark
       USING unnest($2::uuid[], $3::text[], $4::text[], $5::timestamptz[], $6::uuid[])
         AS stale (student_id, subject, side, at, id)
       WHERE mark.studio_id = $1 AND mark.student_id = stale.student_id AND mark.subject = stale.subject
         AND mark.side = stale.side AND (mark.folded_at, mark.folded_id) > (stale.at, stale.id)`,
      [
        studio.id,
        stale.map((one) => one.studentId),
        stale.map((one) => one.subject),
        stale.map((one) => one.side),
        stale.map((one) => new Date(placeOf(one).at)),
        stale.map((one) => placeOf(one).id),
      ],
    );
  const rows = sides.flatMap(({ studentId, subject, side, marks }) =>
    lasting(marks).map(({ at, id, facts }): StandingMarkEntity => {
      const key = { studioId: studio.id, studentId, subject, side };
      return { ...key, foldedAt: new Date(at), foldedId: id, facts };
    }),
  );
  if (rows.length === 0) return;
  const key = ["studioId", "studentId", "subject", "side", "foldedAt", "foldedId"];
  await manager.upsert(StandingMarkEntity, rows, key);
  await manager.query(
    `DELETE FROM standing_mark AS mark
     USING (SELECT ctid, row_number() OVER (
              PARTITION BY student_id, subject, side ORDER BY folded_at DESC, folded_id DESC) AS place
            FROM standing_mark
            WHERE studio_id = $1 AND student_id = ANY ($2::uuid[]) AND subject = ANY ($3::text[])
              AND folded_id <> $4) AS old
     WHERE mark.studio_id = $1 AND mark.ctid = old.ctid AND old.place > $5`,
    [
      studio.id,
      [...new Set(rows.map((row) => row.studentId))],
      [...new Set(rows.map((row) => row.subject))],
      FIRST_ID,
      MOST_MARKS,
    ],
  );
}

/** Of a whole log's marks those that are kept: where the side began, and the last. */
function lasting(marks: readonly Mark[]): readonly Mark[] {
  return [
    ...marks.filter((mark) => mark.id === FIRST_ID),
    ...marks.filter((mark) => mark.id !== FIRST_ID).slice(-MOST_MARKS),
  ];
}
