import { Alert, Anchor } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { useMayTeach } from "../account/index.js";
import { usePaths } from "../app/paths.js";
import { archivedQuery, studentsQuery } from "../students/index.js";
import { isNew } from "./first-steps.js";

/** The way back to the first steps, as long as the studio is new. */
export function FirstStepsLink() {
  const paths = usePaths();
  const mayTeach = useMayTeach();
  const { data: students } = useQuery(studentsQuery);
  const seemsNew = mayTeach && students !== undefined && isNew(students);
  // Where all have stopped coming nobody here is new either.
  const { data: archived } = useQuery({ ...archivedQuery, enabled: seemsNew });
  if (!seemsNew || archived?.length !== 0) return null;
  return (
    <Alert color="yellow" title="This studio is new">
      <Anchor component={Link} to={paths.start} c="inherit">
        The first steps
      </Anchor>{" "}
      lead to the first lesson, from names to a plan.
    </Alert>
  );
}
