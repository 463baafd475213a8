import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { useWakeLock } from "../floor/index.js";
import { gridQuery, groupsQuery, standingsQuery, studentQuery, useJumper } from "../students/index.js";
import { Clock } from "./clock.js";
import { poolOfClass, poolOfStudent } from "./pool.js";

/** The interval clock of one student. */
export function StudentClockPage() {
  const { studentId = "" } = useParams();
  const paths = usePaths();
  const student = useQuery(studentQuery(studentId));
  const standings = useQuery(standingsQuery(studentId));
  const jumper = useJumper(student.data);
  useWakeLock();
  useDocumentTitle("Interval clock · Mirrup");
  const failure = failureOf(student);
  if (failure !== null)
    return (
      <Fault title="This student could not be read" onRetry={() => void student.refetch()}>
        {failure.message}
      </Fault>
    );
  return (
    <Clock
      keptAs={studentId}
      name={student.data?.name ?? ""}
      back={paths.studentPage(studentId, "session")}
      hasStopped={student.data?.hasStopped ?? false}
      studentId={studentId}
      pool={standings.data === undefined ? undefined : poolOfStudent(standings.data)}
      jumper={jumper}
    />
  );
}

/** The interval clock of a class: one for all. */
export function ClassClockPage() {
  const { groupId = "all" } = useParams();
  const paths = usePaths();
  const group = groupId === "all" ? undefined : groupId;
  const grid = useQuery(gridQuery(group));
  const groups = useQuery(groupsQuery);
  useWakeLock();
  useDocumentTitle("Interval clock · Mirrup");
  return (
    <Clock
      keptAs={groupId}
      name={groups.data?.find((one) => one.id === groupId)?.name ?? "Everybody"}
      back={paths.class(group)}
      hasStopped={false}
      studentId={null}
      pool={grid.data === undefined ? undefined : poolOfClass(grid.data)}
      jumper={useJumper(undefined)}
    />
  );
}
