import type { Membership } from "@mirrup/contract";
import { Notification } from "@mantine/core";
import { useQuery, type UseQueryResult } from "@tanstack/react-query";
import { Fragment, useEffect, type ReactNode } from "react";
import { Link, Navigate, useLocation, useParams } from "react-router";
import { teach } from "../app/catalogue.js";
import { Fault } from "../app/faults.js";
import { useChanges } from "../app/use-changes.js";
import { outbox, setSender } from "../device/index.js";
import { catalogueQuery, sessionQuery } from "./queries.js";

/** This person's part in the studio that the tab is in; null while that is not known. */
export function useMembership(): Membership | null {
  const { studioId } = useParams();
  // The gate above asks. A page that asked again where nobody answers would have the gate take it away meanwhile.
  const session = useQuery({ ...sessionQuery, retryOnMount: false });
  return session.data?.memberships.find((one) => one.studioId === studioId) ?? null;
}

/** Whether this person may change what is taught and counted, and not only look. */
export function useMayTeach(): boolean {
  return (useMembership()?.role ?? "viewer") !== "viewer";
}

/** Whether it is asked for the first time; a page that is there without it is not taken away when it is asked again. */
const isFirstAsked = ({ isLoading, errorUpdateCount }: UseQueryResult) => isLoading && errorUpdateCount === 0;

interface StudioGateProps {
  /** Whether the page stays when the session ends under it: a set on the floor is counted to its end. */
  readonly stays?: boolean;
  readonly children: ReactNode;
}

/** Lets a studio's pages be seen by whoever belongs to it. */
export function StudioGate({ stays = false, children }: StudioGateProps) {
  const { studioId = "" } = useParams();
  const location = useLocation();
  const session = useQuery(sessionQuery);
  // Asked beside the session, so that nobody waits for one after the other.
  const own = useQuery({ ...catalogueQuery, enabled: session.data?.person !== null });
  const personId = session.data?.person?.id;
  useEffect(() => {
    if (personId === undefined) return;
    setSender({ personId, studioId });
    // Whoever has signed in again has what waited since they were not.
    void outbox.flush();
  }, [personId, studioId]);
  useChanges(studioId, session.data?.memberships.some((one) => one.studioId === studioId) ?? false);
  if (isFirstAsked(session) || isFirstAsked(own)) return <p role="status">Opening …</p>;
  // Before any page asks what is taught. Where nobody answers and nothing is kept, what ships is.
  teach(own.data ?? null);
  // What a page worked out by another catalogue it works out anew; one that is counting goes on as it is.
  const taught = stays ? studioId : `${studioId} ${own.data?.edition ?? 0}`;
  const to = `/sign-in?to=${encodeURIComponent(location.pathname + location.search)}`;
  if (session.data?.person === null) {
    if (!stays) return <Navigate to={to} replace />;
    return (
      <>
        <Fragment key={taught}>{children}</Fragment>
        <Notification
          withCloseButton={false}
          color="yellow"
          pos="fixed"
          top={10}
          right={10}
          role="alert"
          title="You are signed out"
        >
          What you count is kept on this device. <Link to={to}>Sign in</Link> to send it.
        </Notification>
      </>
    );
  }
  if (session.data !== undefined && !session.data.memberships.some((one) => one.studioId === studioId)) {
    return <Fault title="There is no such studio">Or you do not belong to it. Open one of yours.</Fault>;
  }
  // Where the server is silent, the page shows what it can: counting goes on without it. Of another studio it keeps nothing.
  return <Fragment key={taught}>{children}</Fragment>;
}
