import type { CatalogueView, SessionView } from "@mirrup/contract";
import { queryOptions } from "@tanstack/react-query";
import { get } from "../app/api.js";

export const sessionQuery = queryOptions({
  queryKey: ["session"],
  queryFn: ({ signal }) => get<SessionView>("/auth/session", signal),
  staleTime: 60_000,
});

/** What the studio teaches otherwise than the catalogue that ships. */
export const catalogueQuery = queryOptions({
  queryKey: ["catalogue"],
  queryFn: ({ signal }) => get<CatalogueView>("/catalogue", signal),
  // Whoever changes it says so.
  staleTime: 600_000,
});
