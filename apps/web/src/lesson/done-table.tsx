import type { LessonView } from "@mirrup/contract";
import { byName } from "@mirrup/core";
import { drillOfWords } from "../app/drill-words.js";
import { useQuery } from "@tanstack/react-query";
import { failureOf } from "../app/failure.js";
import { capital, subjectName } from "../app/words.js";
import { compare, type PlannedAndDone } from "./compare.js";
import classes from "./done-table.module.css";
import { doneQuery } from "./queries.js";
import type { ShownPlan } from "./shown.js";

interface DoneTableProps {
  readonly lesson: LessonView;
  readonly plan: ShownPlan;
  readonly nameOf: (id: string) => string;
}

function doneWords({ done }: PlannedAndDone): string {
  if (done === null) return "not written down";
  return `${done.clean} clean of ${done.tries}, best ${done.bestStreak} in a row`;
}

/** What was planned and what was done, side by side, student by student. */
export function DoneTable({ lesson, plan, nameOf }: DoneTableProps) {
  const done = useQuery(doneQuery(lesson.id));
  const failure = failureOf(done);
  if (failure !== null) return <p role="alert">What was done could not be read. {failure.message}</p>;
  if (done.data === undefined) return <p>Reading what was done …</p>;
  const students = [...plan.students].sort((one, other) => byName(nameOf(one.id), nameOf(other.id)));
  const rows = compare({ ...plan, students }, done.data);
  const written = rows.filter((row) => row.done !== null && row.planned !== null).length;
  const planned = rows.filter((row) => row.planned !== null).length;
  const away = lesson.students
    .filter((one) => one.attendance === "absent")
    .map((one) => nameOf(one.studentId));
  return (
    <>
      <p>
        {written} of {planned} planned turns are written down.
        {away.length > 0 && ` Away: ${away.join(", ")}.`}
      </p>
      <div className={classes.scroll}>
        <table className={classes.table}>
          <caption className={classes.said}>Planned and done by student</caption>
          <thead>
            <tr>
              <th scope="col">Student</th>
              <th scope="col">Turn</th>
              <th scope="col">Planned</th>
              <th scope="col">Done</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, place) => (
              <tr
                key={`${row.studentId} ${row.subject} ${row.side} ${row.planned?.turn ?? "beside"}`}
                data-first={rows[place - 1]?.studentId !== row.studentId}
              >
                <th scope="row">{nameOf(row.studentId)}</th>
                <td>{row.planned === null ? "beside" : row.planned.turn + 1}</td>
                <td>
                  {capital(subjectName(row.subject, row.side))}
                  {row.planned !== null &&
                    `: ${drillOfWords(row.subject, row.side, row.planned.place.drill)}`}
                </td>
                <td data-done={row.done !== null}>{doneWords(row)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
