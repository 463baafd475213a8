import type { ArchivedStudent } from "@mirrup/contract";
import { Button, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { useMayTeach } from "../account/index.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { dateTimeWords } from "../app/words.js";
import { archivedQuery } from "./queries.js";
import { ReadingStudents } from "./reading-students.js";
import { archivedOf, type RosterFilter } from "./roster.js";
import classes from "./students-page.module.css";
import { useArchiving } from "./use-archiving.js";
import { useNames } from "./use-everybody.js";

function ArchivedLine({ student }: { readonly student: ArchivedStudent }) {
  const { id, name, archivedAt, version, sameAs } = student;
  const nameOf = useNames();
  const paths = usePaths();
  const mayTeach = useMayTeach();
  const { put, isPending } = useArchiving(student);
  return (
    <li className={classes.archived}>
      <Link to={paths.student(id)} className={classes.name}>
        {name}
      </Link>
      <span className={classes.seen}>
        {sameAs === null ? (
          `archived ${dateTimeWords(archivedAt)}`
        ) : (
          <>
            part of <Link to={paths.student(sameAs)}>{nameOf(sameAs)}</Link>’s record
          </>
        )}
      </span>
      {mayTeach && sameAs === null && (
        <Button
          variant="default"
          aria-label={`Bring back ${name}`}
          loading={isPending}
          onClick={() => void put(version, false)}
        >
          Bring back
        </Button>
      )}
    </li>
  );
}

/** Who has been put away: read only when somebody asks for them. */
export function ArchivedLines({ filter }: { readonly filter: RosterFilter }) {
  const archived = useQuery(archivedQuery);
  const failure = failureOf(archived);
  if (failure !== null) {
    return (
      <Fault title="The archived students could not be read" onRetry={() => void archived.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  if (archived.data === undefined) return <ReadingStudents />;
  const shown = archivedOf(archived.data, filter);
  if (shown.length === 0) {
    return (
      <Text className={classes.empty}>
        {archived.data.length === 0
          ? "Nobody is archived. Whoever stops coming can be archived on their record: everything of theirs is kept."
          : "Nobody who is archived fits this choice. Try fewer letters, or all groups."}
      </Text>
    );
  }
  return (
    <ul className={classes.lines}>
      {shown.map((student) => (
        <ArchivedLine key={student.id} student={student} />
      ))}
    </ul>
  );
}
