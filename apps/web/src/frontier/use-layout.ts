import { keepPreviousData, useQuery, type UseQueryResult } from "@tanstack/react-query";
import { layoutInWorker } from "./layout-in-worker.js";
import type { FrontierAsked, FrontierLayout } from "./layout.js";

/** A frontier laid out beside the page; the last one stays until it is there. */
export function useLayout(asked: FrontierAsked): UseQueryResult<FrontierLayout> {
  return useQuery({
    // What was asked is all that it depends on, so that the same is laid out once.
    queryKey: ["frontier-layout", asked],
    queryFn: ({ signal }) => layoutInWorker(asked, signal),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 60_000,
    networkMode: "always",
    retry: false,
  });
}
