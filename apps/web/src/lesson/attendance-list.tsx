import {
  ATTENDANCES,
  LONGEST_NAME,
  type Attendance,
  type LessonView,
  type StudentView,
} from "@mirrup/contract";
import { Select } from "@mantine/core";
import { useState, type ReactNode } from "react";
import classes from "./attendance-list.module.css";
import { StopButton } from "../app/stop-button.js";
import { sayStop, useNewcomers, useStops } from "../device/index.js";
import { plainName } from "../app/plain.js";
import { ATTENDANCE_NAMES } from "../app/attendance-names.js";

interface AttendanceListProps {
  readonly lesson: Pick<LessonView, "students">;
  readonly students: readonly StudentView[];
  readonly onMark: (studentId: string, attendance: Attendance) => void;
  /** Takes in somebody whom the studio does not know. */
  readonly onAdd?: (name: string) => void;
  /** Whether somebody of that name is archived. */
  readonly isArchived?: (name: string) => boolean;
  /** Who has a rope along, where ropes are counted; one tap says otherwise. */
  readonly ropes?: {
    readonly has: (studentId: string) => boolean;
    readonly onMark: (studentId: string, has: boolean) => void;
  };
  /** Whether jumping is under way, and can end for somebody whom something hurts. */
  readonly mayStop?: boolean;
  /** What stands before a student's name, beside it, and below it. */
  readonly bead?: (student: StudentView) => ReactNode;
  readonly minds?: (student: StudentView) => ReactNode;
  readonly about?: (student: StudentView) => ReactNode;
}

const NEW = "new";
const MARKS = ATTENDANCES.filter((one) => one !== "expected");

const isThere = (came: Attendance | undefined) => came === "present" || came === "late";

/** Who is here, late or away: one tap each; the same tap again takes it back. */
export function AttendanceList(props: AttendanceListProps) {
  const { lesson, students, onMark, ropes, mayStop = false, bead, minds, about } = props;
  const isStopped = useStops();
  const newcomers = useNewcomers();
  const came = new Map(lesson.students.map((one) => [one.studentId, one.attendance]));
  const here = students.filter((student) => came.has(student.id));
  return (
    <div>
      <ul className={classes.list}>
        {here.map((student) => {
          const { id, name } = student;
          return (
            <li key={id} className={classes.row}>
              {bead !== undefined && <span className={classes.bead}>{bead(student)}</span>}
              <span className={classes.who}>
                <span className={classes.name}>
                  {name}
                  {isStopped(id, student.hasStopped) && <small> stopped for today</small>}
                  {newcomers.some((one) => one.id === id) && <small> new, not sent yet</small>}
                  {minds?.(student)}
                </span>
                {about?.(student)}
              </span>
              {mayStop && !isStopped(id, student.hasStopped) && isThere(came.get(id)) && (
                <StopButton name={name} onPress={() => sayStop(id, true)} />
              )}
              {mayStop && isStopped(id, student.hasStopped) && (
                <button
                  type="button"
                  className={classes.slip}
                  aria-label={`It was pressed by mistake, ${name}`}
                  onClick={() => sayStop(id, false)}
                >
                  By mistake
                </button>
              )}
              <span role="group" aria-label={name} className={classes.marks}>
                {ropes !== undefined && (
                  <button
                    type="button"
                    className={classes.mark}
                    aria-pressed={ropes.has(id)}
                    onClick={() => ropes.onMark(id, !ropes.has(id))}
                  >
                    Own rope
                  </button>
                )}
                {MARKS.map((one) => (
                  <button
                    key={one}
                    type="button"
                    className={classes.mark}
                    data-main={one === "present"}
                    aria-pressed={came.get(id) === one}
                    onClick={() => onMark(id, came.get(id) === one ? "expected" : one)}
                  >
                    {ATTENDANCE_NAMES[one]}
                  </button>
                ))}
              </span>
            </li>
          );
        })}
      </ul>
      {here.length === 0 && <p>Nobody is expected. Add who comes.</p>}
      <WhoCame {...props} />
    </div>
  );
}

/** Takes in who is not on the list: a student of the studio, or somebody new to it. */
function WhoCame({ lesson, students, onMark, onAdd, isArchived }: AttendanceListProps) {
  const [typed, setTyped] = useState("");
  const listed = new Set(lesson.students.map((one) => one.studentId));
  const others = students.filter((student) => !listed.has(student.id));
  const name = typed.trim().slice(0, LONGEST_NAME);
  const isKnown = students.some((one) => plainName(one.name) === plainName(name));
  const whoIs = isArchived?.(name) === true ? "another than the one who is archived" : "who is new";
  const fresh =
    onAdd === undefined || name === "" || isKnown ? [] : [{ value: NEW, label: `Add ${name}, ${whoIs}` }];
  return (
    <Select
      label="Add somebody who came"
      className={classes.add}
      size="md"
      searchable
      placeholder="Name"
      nothingFoundMessage={
        isKnown ? "On the list already." : "No student of that name. Add them on the Students screen."
      }
      value={null}
      searchValue={typed}
      onSearchChange={setTyped}
      data={[...others.map((student) => ({ value: student.id, label: student.name })), ...fresh]}
      onChange={(id) => {
        if (id === NEW) onAdd?.(name);
        else if (id !== null) onMark(id, "present");
        setTyped("");
      }}
    />
  );
}
