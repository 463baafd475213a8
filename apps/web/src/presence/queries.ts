import type { Items, PresenceView } from "@mirrup/contract";
import { queryOptions } from "@tanstack/react-query";
import { get } from "../app/api.js";

/** Who still counts is said again so often, and nobody is told of it. */
const AGAIN_MS = 30_000;

/** Who counts where just now. */
export const presenceQuery = queryOptions({
  queryKey: ["presence"],
  queryFn: async ({ signal }) => (await get<Items<PresenceView>>("/presence", signal)).items,
  refetchInterval: AGAIN_MS,
});
