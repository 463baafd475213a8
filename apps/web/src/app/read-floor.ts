import type { FloorView } from "@mirrup/contract";
import type { SubjectSide } from "@mirrup/core";
import type { Query, QueryClient, QueryKey } from "@tanstack/react-query";
import { readAnew } from "./read-anew.js";
import { isTouched } from "./touched.js";

type Part = readonly [key: QueryKey, pick: (view: FloorView) => unknown];

function partsOf(studentId: string, { subject, side }: SubjectSide): readonly Part[] {
  const of = ["students", studentId];
  return [
    [of, (view) => view.student],
    [[...of, "standings"], (view) => view.standings],
    [[...of, "next"], (view) => view.next],
    [[...of, "ladder", subject, side], (view) => view.ladder],
    [[...of, "load"], (view) => view.load],
    [[...of, "sets", subject, side], (view) => view.sets],
  ];
}

/**
 * Reads anew what sets of one student changed: what the floor shows of them in one answer, and of the rest what a page
 * shows that the answer does not hold. Where it does not come, each is asked by itself.
 */
export async function readFloor(
  client: QueryClient,
  studentId: string,
  of: SubjectSide,
  read: () => Promise<FloorView>,
): Promise<void> {
  const change = { topics: ["students"], studentIds: [studentId] } as const;
  const isOld = ({ queryKey }: Query) => isTouched(queryKey, change);
  await client.cancelQueries({ predicate: isOld });
  await client.invalidateQueries({ predicate: isOld, refetchType: "none" });
  const timesRead = (key: QueryKey) => client.getQueryState(key)?.dataUpdateCount ?? 0;
  const parts = partsOf(studentId, of).map(([key, pick]) => ({ key, pick, before: timesRead(key) }));
  try {
    const view = await read();
    // What was read meanwhile was asked later, and may know of what came after this answer.
    for (const { key, pick, before } of parts)
      if (timesRead(key) === before) client.setQueryData(key, pick(view));
    client.setQueryData<readonly { readonly id: string }[]>(["students"], (all) =>
      all?.map((one) => (one.id === studentId ? view.student : one)),
    );
  } catch {
    await readAnew(client, change);
    return;
  }
  await client.refetchQueries({
    type: "active",
    predicate: (query) => isOld(query) && query.state.isInvalidated,
  });
}
