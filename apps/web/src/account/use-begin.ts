import type { SessionView } from "@mirrup/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { forgetReadings } from "../device/index.js";
import { pathsOf } from "../app/paths.js";
import { sessionQuery } from "./queries.js";

/** Where a fresh session goes: back to where one was, else to a page of the first studio. */
function startOf(session: SessionView, asked: string | null, page: "start" | "today"): string {
  // Only an address of our own: one slash, and not the start of another host.
  if (asked !== null && /^\/(?!\/)/.test(asked)) return asked;
  const [first] = session.memberships;
  return first === undefined ? "/" : pathsOf(first.studioId)[page];
}

/** Begins a session by some request, and goes on from there; tells what was refused. */
export function useBegin() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const begin = async (request: () => Promise<SessionView>, page: "start" | "today" = "today") => {
    setBusy(true);
    setRefusal(null);
    try {
      const session = await request();
      await forgetReadings();
      client.setQueryData(sessionQuery.queryKey, session);
      await navigate(startOf(session, params.get("to"), page), { replace: true });
    } catch (error) {
      setRefusal(error instanceof Error ? error.message : "It could not be done.");
      // Where it went well, the page is left: it stays busy, so that it leads nowhere else meanwhile.
      setBusy(false);
    }
  };
  return { begin, busy, refusal };
}
