import type { StudentDetail } from "@mirrup/contract";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { patch } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";

/** Puts a student away, or brings them back; with a way back for either. */
export function useArchiving({ id, name }: Pick<StudentDetail, "id" | "name">) {
  const client = useQueryClient();
  const change = useMutation({
    mutationFn: (asked: Pick<StudentDetail, "version" | "archived">) =>
      patch<StudentDetail>(`/students/${id}`, asked),
    onError: tellFault,
    onSettled: () => readAnew(client, { topics: ["students"], studentIds: [id] }),
  });
  const put = async (version: number, archived: boolean) => {
    const changed = await change.mutateAsync({ version, archived }).catch(() => null);
    if (changed === null) return;
    offerUndo(archived ? `${name} is archived.` : `${name} is back.`, () =>
      change.mutate({ version: changed.version, archived: !archived }),
    );
  };
  return { put, isPending: change.isPending };
}
