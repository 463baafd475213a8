/** What happened beside the log: lessons, early stops and measured jumps. None of it is about one skill. */
import type { AttendedLesson } from "@mirrup/contract";
import type { Scope } from "../../database/scope.js";
import { JumpEntity } from "../jump.entity.js";
import { measureOf } from "../jumps.service.js";
import { ENOUGH, likeOf, type Asked, type Placed } from "./place.js";

type Row<More> = { readonly id: string; readonly at: Date } & More;

/** Rows of a table of events before a place; `$1` is the studio, `$2` the student. */
function eventsBefore<More>(
  { manager, studio }: Scope,
  { studentId, before: place }: Asked,
  events: string,
  more: readonly unknown[] = [],
): Promise<readonly Row<More>[]> {
  return manager.query(
    `SELECT * FROM (${events}) AS event
      WHERE at <= $3 AND (at, id) < ($3, $4::uuid) ORDER BY at DESC, id DESC LIMIT ${ENOUGH}`,
    [studio.id, studentId, place?.at ?? "infinity", place?.id ?? LAST_ID, ...more],
  );
}

const LAST_ID = "ffffffff-ffff-ffff-ffff-ffffffffffff";

/** Lessons that they came to or stayed away from, when they began; at noon where nobody said when. */
export async function attended(scope: Scope, asked: Asked): Promise<readonly Placed[]> {
  const lessons = await eventsBefore<Omit<AttendedLesson, "id">>(
    scope,
    asked,
    `SELECT lesson.id, lesson.title, lesson.minutes, own.attendance,
            (lesson.day + coalesce(lesson.start_time, '12:00')::time) AT TIME ZONE $5 AS at
       FROM lesson_student AS own
       JOIN lesson ON lesson.studio_id = own.studio_id AND lesson.id = own.lesson_id
      WHERE own.studio_id = $1 AND own.student_id = $2 AND own.attendance <> 'expected'
        AND ($6::text IS NULL OR lesson.title ILIKE $6)`,
    [scope.studio.timeZone, asked.text === undefined ? null : likeOf(asked.text)],
  );
  return lessons.map(({ id, at, ...lesson }) => ({
    ...{ id, at },
    line: { kind: "lesson", at: at.toISOString(), lesson: { id, ...lesson } },
  }));
}

/** Days on which they stopped early, when that was said. A day has one, and its id is made of it. */
export async function stopped(scope: Scope, asked: Asked): Promise<readonly Placed[]> {
  const stops = await eventsBefore<object>(
    scope,
    asked,
    `SELECT said_at AS at, ('00000000-0000-4000-8000-0000' || to_char(day, 'YYYYMMDD'))::uuid AS id
       FROM early_stop WHERE studio_id = $1 AND student_id = $2 AND stops`,
  );
  return stops.map(({ id, at }) => ({ id, at, line: { kind: "stop", at: at.toISOString(), id } }));
}

/** How high they jumped, when it was measured. */
export async function measured(
  scope: Scope,
  { studentId, before: place }: Asked,
): Promise<readonly Placed[]> {
  const query = scope.manager
    .createQueryBuilder(JumpEntity, "jump")
    .where({ studioId: scope.studio.id, studentId, removed: false });
  if (place !== null)
    query.andWhere("(jump.measured_at, jump.id) < (:at, :id)", { at: place.at, id: place.id });
  const jumps = await query
    .orderBy("jump.measured_at", "DESC")
    .addOrderBy("jump.id", "DESC")
    .limit(ENOUGH)
    .getMany();
  return jumps.map((jump) => ({
    ...{ id: jump.id, at: jump.measuredAt },
    line: { kind: "jump", at: jump.measuredAt.toISOString(), jump: measureOf(jump) },
  }));
}
