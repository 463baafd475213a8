import type { BroughtOver, StudentDetail } from "@mirrup/contract";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { post, remove } from "../app/api.js";
import { counted } from "../app/plural.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";

type Whose = Pick<StudentDetail, "id" | "name">;

/** Makes another record of the same child part of this one, or takes it out again; with a way back for either. */
export function useTogether({ id, name }: Whose) {
  const client = useQueryClient();
  const path = `/students/${id}/second-records`;
  const change = useMutation({
    mutationFn: ({ second, isOne }: { readonly second: Whose; readonly isOne: boolean }) =>
      isOne ? post<BroughtOver>(path, { id: second.id }) : remove<BroughtOver>(`${path}/${second.id}`),
    onError: tellFault,
    onSettled: (_done, _error, { second }) =>
      readAnew(client, { topics: ["students", "groups", "lessons"], studentIds: [id, second.id] }),
  });
  /** Whether it was done; why it was not, is told. */
  const make = async (second: Whose, isOne: boolean) => {
    const moved = await change.mutateAsync({ second, isOne }).catch(() => null);
    if (moved === null) return false;
    const what = `${counted(moved.sets, "set")} and ${counted(moved.decisions, "decision")}`;
    offerUndo(
      isOne
        ? `${second.name} is part of ${name}’s record now, with ${what}.`
        : `${second.name} is a student again, with ${what}.`,
      () => change.mutate({ second, isOne: !isOne }),
    );
    return true;
  };
  return {
    bring: (second: Whose) => make(second, true),
    takeOut: (second: Whose) => make(second, false),
    isPending: change.isPending,
  };
}
