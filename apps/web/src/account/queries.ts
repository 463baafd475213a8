import type { SessionView } from "@mirrup/contract";
import { queryOptions } from "@tanstack/react-query";
import { get } from "../app/api.js";

export const sessionQuery = queryOptions({
  queryKey: ["session"],
  queryFn: ({ signal }) => get<SessionView>("/auth/session", signal),
  staleTime: 60_000,
});
