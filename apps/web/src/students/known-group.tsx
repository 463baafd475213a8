import { useQuery } from "@tanstack/react-query";
import { Link, Outlet, useParams } from "react-router";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { groupsQuery } from "./queries.js";

/** Everybody of the studio, where an address asks for a group. */
const EVERYBODY = "all";

/** The pages below it, but for those of a group that the studio does not have. */
export function KnownGroup() {
  const { groupId = EVERYBODY } = useParams();
  const paths = usePaths();
  const { data, isFetching } = useQuery({ ...groupsQuery, enabled: groupId !== EVERYBODY });
  // One that was just made may be in what is on its way.
  const isUnknown = data !== undefined && !isFetching && !data.some((group) => group.id === groupId);
  if (groupId === EVERYBODY || !isUnknown) return <Outlet />;
  return (
    <Fault title="There is no such group">
      The address names a group that this studio does not have.{" "}
      <Link to={paths.class()}>Choose one of the class’s</Link>.
    </Fault>
  );
}
