import type { ChangeView } from "@mirrup/contract";
import type { Query, QueryClient } from "@tanstack/react-query";
import { isTouched } from "./touched.js";

type Change = Pick<ChangeView, "topics"> & Partial<Pick<ChangeView, "studentIds">>;

/**
 * Reads anew what a page shows and a change touches. What is on its way was asked before the change, and would be
 * taken for what is now: it is asked again.
 */
export async function readAnew(client: QueryClient, { topics, studentIds = [] }: Change): Promise<void> {
  // What is taught comes first: what else is read may name skills that only the newer catalogue has.
  if (topics.includes("catalogue")) await client.refetchQueries({ queryKey: ["catalogue"], exact: true });
  const isOld = ({ queryKey }: Query) => isTouched(queryKey, { topics, studentIds });
  // What was read before is asked again by itself; the first time is not.
  const isFirst = (query: Query) => query.state.data === undefined && query.isActive();
  await client.cancelQueries({ predicate: (query) => isOld(query) && isFirst(query) });
  await client.invalidateQueries({ predicate: isOld });
}
