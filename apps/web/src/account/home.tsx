import { useQuery } from "@tanstack/react-query";
import { Navigate } from "react-router";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { pathsOf } from "../app/paths.js";
import { sessionQuery } from "./queries.js";

/** Where the bare address leads: setting up, signing in, or the first studio of whoever is signed in. */
export function Home() {
  const session = useQuery(sessionQuery);
  const failure = failureOf(session);
  if (failure !== null) {
    return (
      <Fault title="Mirrup does not answer" onRetry={() => void session.refetch()}>
        {failure.message}
      </Fault>
    );
  }
  if (session.data === undefined) return null;
  const { isSetUp, hasDemo, person } = session.data;
  if (!isSetUp && !hasDemo) return <Navigate to="/set-up" replace />;
  if (person === null) return <Navigate to="/sign-in" replace />;
  const [first] = session.data.memberships;
  if (first === undefined) {
    return (
      <Fault title="You belong to no studio">
        Ask an owner to invite you, then open the link that comes.
      </Fault>
    );
  }
  return <Navigate to={pathsOf(first.studioId).today} replace />;
}
