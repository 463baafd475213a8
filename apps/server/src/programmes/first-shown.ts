/** When sets first came to what a programme's items ask that ask for something else than the gate in force. */
import {
  askedOfSet,
  grouped,
  itemKey,
  itemSideNames,
  SIDE_NAMES,
  SideMap,
  type Gate,
  type Instant,
  type ProgrammeItem,
  type SubjectSide,
} from "@mirrup/core";
import { drillsFor, reaches } from "@mirrup/core/teaching";
import type { Scope } from "../database/scope.js";
import type { LogSet } from "../log/index.js";
import { loggedSet, syllabusFor } from "../standings/index.js";
import type { StudentEntity } from "../students/index.js";

/** By the item's key and side. */
export type FirstShown = SideMap<Instant>;

/** Of a side's sets whose counts would do, so many are looked at: that none of them holds the whole is next to impossible. */
const MOST_LOOKED_AT = 20;

interface Asked extends SubjectSide {
  readonly key: string;
  readonly gate: Gate;
}

/** What the counts of a set have to be at the least, as the log keeps them. */
function leastOf(gate: Gate): { readonly streak: number; readonly clean: number; readonly seconds: number } {
  switch (gate.kind) {
    case "streak":
      return { streak: gate.count, clean: 0, seconds: 0 };
    case "hold":
      return { streak: 0, clean: 0, seconds: gate.seconds };
    case "clean":
      return { streak: 0, clean: gate.clean, seconds: 0 };
    case "count":
      return { streak: 0, clean: gate.count, seconds: 0 };
  }
}

/** The first sets of each student and side whose counts would do for one item, along the log's index by subject. */
function setsFor(scope: Scope, ids: readonly string[], asked: Asked): Promise<readonly LogSet[]> {
  const { streak, clean, seconds } = leastOf(asked.gate);
  return scope.manager.query<LogSet[]>(
    `SELECT s.id, s.student_id AS "studentId", s.subject, s.side, s.drill, s.clean, s.misses,
            s.best_streak AS "bestStreak", s.seconds, s.said, 'hand' AS "countedBy", s.happened_at AS "happenedAt"
       FROM unnest($2::uuid[]) AS student (id)
      CROSS JOIN unnest($8::text[]) AS counted (side)
      CROSS JOIN LATERAL (
        SELECT * FROM practice_set
         WHERE studio_id = $1 AND student_id = student.id AND subject = $3 AND side = counted.side
           AND best_streak >= $4 AND clean >= $5 AND ($6 = 0 OR seconds >= $6) AND drill ->> 'kind' = ANY($7)
           AND NOT EXISTS (
             SELECT FROM decision
              WHERE studio_id = $1 AND student_id = student.id
                AND decision ->> 'kind' = 'void' AND decision ->> 'target' = practice_set.id::text)
           AND (counted_by <> 'student' OR EXISTS (
             SELECT FROM decision AS accepted
              WHERE studio_id = $1 AND student_id = student.id
                AND decision ->> 'kind' = 'accept' AND decision ->> 'target' = practice_set.id::text
                AND NOT EXISTS (
                  SELECT FROM decision
                   WHERE studio_id = $1 AND student_id = student.id
                     AND decision ->> 'kind' = 'void' AND decision ->> 'target' = accepted.id::text)))
         ORDER BY happened_at, id LIMIT ${MOST_LOOKED_AT}) AS s
      ORDER BY s.happened_at, s.id`,
    [scope.studio.id, ids, asked.subject, streak, clean, seconds, drillsFor(asked.gate.kind), SIDE_NAMES],
  );
}

/** By student; one query a kind of item, none where all ask for the gate. */
export async function firstShown(
  scope: Scope,
  students: readonly StudentEntity[],
  items: readonly ProgrammeItem[],
): Promise<ReadonlyMap<string, FirstShown>> {
  const found = new Map(students.map(({ id }) => [id, new SideMap<Instant>()]));
  const asked = items.flatMap((item): Asked[] => {
    const gate = askedOfSet(item.ask);
    if (gate === null) return [];
    return itemSideNames(item).map((side) => ({ subject: item.skill, side, key: itemKey(item), gate }));
  });
  const ids = students.map(({ id }) => id);
  for (const [key, sides] of grouped(asked, (one) => one.key)) {
    const [first] = sides;
    if (first === undefined) continue;
    const byStudent = grouped(await setsFor(scope, ids, first), (set) => set.studentId);
    for (const student of students) {
      const sets = byStudent.get(student.id);
      if (sets === undefined) continue;
      const syllabus = syllabusFor(scope, student);
      const logged = sets.map((set) => loggedSet(set, scope.studio.timeZone));
      for (const { side, subject, gate } of sides) {
        const shown = logged.find((set) => reaches(set, { subject, side }, gate, syllabus));
        if (shown !== undefined) found.get(student.id)?.set({ subject: key, side }, shown.at);
      }
    }
  }
  return found;
}
