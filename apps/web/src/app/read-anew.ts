import type { ChangeView } from "@mirrup/contract";
import type { QueryClient } from "@tanstack/react-query";
import { isTouched } from "./touched.js";

type Change = Pick<ChangeView, "topics"> & Partial<Pick<ChangeView, "studentIds">>;

/** Reads anew what a page shows and a change touches. */
export async function readAnew(client: QueryClient, { topics, studentIds = [] }: Change): Promise<void> {
  // What is taught comes first: what else is read may name skills that only the newer catalogue has.
  if (topics.includes("catalogue")) await client.refetchQueries({ queryKey: ["catalogue"], exact: true });
  await client.invalidateQueries({
    predicate: ({ queryKey }) => isTouched(queryKey, { topics, studentIds }),
  });
}
