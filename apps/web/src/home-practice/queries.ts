import type { HomePracticeView, Items, PractisedAtHome } from "@mirrup/contract";
import { queryOptions } from "@tanstack/react-query";
import { get } from "../app/api.js";

/** A student's link, and the sets from it that nobody has looked at. */
export const homePracticeQuery = (studentId: string) =>
  queryOptions({
    queryKey: ["students", studentId, "home"],
    queryFn: ({ signal }) => get<HomePracticeView>(`/students/${studentId}/home`, signal),
  });

/** Whoever has sets from home that nobody has looked at: of everybody, and read anew when any student is. */
export const practisedAtHomeQuery = queryOptions({
  queryKey: ["groups", "all", "practised-at-home"],
  queryFn: async ({ signal }) => (await get<Items<PractisedAtHome>>("/practised-at-home", signal)).items,
});
