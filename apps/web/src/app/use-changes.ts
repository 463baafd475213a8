import type { ChangesReply } from "@mirrup/contract";
import { useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { get } from "./api.js";
import { PAGE_ID } from "./page-id.js";
import { follow } from "./follow.js";
import { readAnew } from "./read-anew.js";

const read = (after: number | null, signal: AbortSignal) =>
  get<ChangesReply>(`/changes${after === null ? "" : `?after=${after}`}`, signal);

function rest(milliseconds: number, signal: AbortSignal): Promise<void> {
  if (signal.aborted) return Promise.resolve();
  return new Promise((resolve) => {
    const ended = new AbortController();
    const end = () => {
      clearTimeout(timer);
      ended.abort();
      resolve();
    };
    const timer = setTimeout(end, milliseconds);
    signal.addEventListener("abort", end, { signal: ended.signal });
    // With the network back there is nothing to wait for.
    window.addEventListener("online", end, { signal: ended.signal });
  });
}

/** Reads anew what others changed; of what this page changed itself it knows already. */
function hearIn(client: QueryClient) {
  return ({ all, items }: ChangesReply) => {
    if (all) void client.invalidateQueries();
    for (const change of items) if (!all && change.device !== PAGE_ID) void readAnew(client, change);
  };
}

/** Keeps what a page shows of its studio in step with what others change there, for as long as it is looked at. */
export function useChanges(studioId: string, isMember: boolean): void {
  const client = useQueryClient();
  useEffect(() => {
    if (!isMember) return undefined;
    let page: AbortController | null = null;
    let known: number | null = null;
    const follows = async () => {
      // A page that nobody looks at holds no connection: a browser has few for one server.
      if (document.visibilityState !== "visible" || page !== null) return;
      const own = new AbortController();
      page = own;
      known = await follow({ read, hear: hearIn(client), rest }, known, own.signal);
      if (page === own) page = null;
    };
    const look = () => {
      if (document.visibilityState === "visible") void follows();
      else {
        page?.abort();
        page = null;
      }
    };
    document.addEventListener("visibilitychange", look);
    look();
    return () => {
      document.removeEventListener("visibilitychange", look);
      page?.abort();
    };
  }, [client, studioId, isMember]);
}
