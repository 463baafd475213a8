import type { CatchingUpView } from "@mirrup/contract";
import { Progress, Text } from "@mantine/core";
import { queryOptions, useQuery } from "@tanstack/react-query";
import { useMayTeach } from "../account/index.js";
import { get } from "../app/api.js";
import { counted } from "../app/plural.js";
import classes from "./own-skill.module.css";

const EVERY_MS = 1000;

/** Under the catalogue, so that it is asked again as soon as anybody changes that. */
const catchingUpQuery = queryOptions({
  queryKey: ["catalogue", "catching-up"],
  queryFn: ({ signal }) => get<CatchingUpView>("/catalogue/catching-up", signal),
  refetchInterval: ({ state }) => ((state.data?.behind ?? 0) > 0 ? EVERY_MS : false),
});

/** How many students' records are still to be read by what is taught now, while there are such. */
export function CatchingUp() {
  const mayTeach = useMayTeach();
  const { data } = useQuery({ ...catchingUpQuery, enabled: mayTeach });
  if (!mayTeach || data === undefined || data.behind === 0) return null;
  const done = data.students - data.behind;
  return (
    <div role="status">
      <Text className={classes.quiet}>
        Records are being read by what you teach now: {done} of {counted(data.students, "student")}. You can
        go on; whoever you open is read first.
      </Text>
      <Progress value={(100 * done) / data.students} aria-label="Records read" mt={4} />
    </div>
  );
}
