import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { roundPlace } from "../presence/index.js";
import { groupsQuery, studentsQuery } from "../students/index.js";
import floor from "./floor.module.css";
import { Round } from "./round.js";
import { skillPractice } from "./round-practice.js";
import { useWakeLock } from "../app/use-wake-lock.js";

/** One drill and one clock for a class, then one tap for each. */
export function RoundPage() {
  const { groupId = "all", subject = "" } = useParams();
  const paths = usePaths();
  const students = useQuery(studentsQuery);
  const groups = useQuery(groupsQuery);
  useWakeLock();
  useDocumentTitle("A round · Mirrup");
  if (!catalogue().skills.has(subject)) {
    return (
      <Fault title="There is no such skill">
        The address names a skill that the catalogue does not have. Choose one on the class’s page.
      </Fault>
    );
  }
  const failed = students.data === undefined && students.isError ? students : null;
  if (failed !== null) {
    return (
      <Fault title="The class could not be read" onRetry={() => void failed.refetch()}>
        {failed.error.message}
      </Fault>
    );
  }
  if (students.data === undefined) {
    return (
      <main className={floor.floor}>
        <p role="status">Opening the round …</p>
      </main>
    );
  }
  const group = groups.data?.find((one) => one.id === groupId);
  const present = students.data.filter((student) => groupId === "all" || student.groups.includes(groupId));
  return (
    <Round
      key={`${groupId} ${subject}`}
      keptAs={groupId}
      place={roundPlace(groupId, subject)}
      name={group?.name ?? "Everybody"}
      back={paths.class(groupId === "all" ? undefined : groupId)}
      practice={skillPractice(subject)}
      students={present}
    />
  );
}
