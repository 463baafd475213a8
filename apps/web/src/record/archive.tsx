import type { StudentDetail } from "@mirrup/contract";
import { Button } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { patch } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";

/** Puts a student away, or brings them back; with a way back for either. */
export function Archive({ detail }: { readonly detail: StudentDetail }) {
  const client = useQueryClient();
  const change = useMutation({
    mutationFn: ({ version, archived }: Pick<StudentDetail, "version" | "archived">) =>
      patch<StudentDetail>(`/students/${detail.id}`, { version, archived }),
    onError: tellFault,
    onSettled: () => readAnew(client, { topics: ["students"], studentIds: [detail.id] }),
  });
  const turn = async () => {
    const archived = !detail.archived;
    const changed = await change.mutateAsync({ version: detail.version, archived }).catch(() => null);
    if (changed === null) return;
    offerUndo(archived ? `${detail.name} is archived.` : `${detail.name} is back.`, () =>
      change.mutate({ version: changed.version, archived: !archived }),
    );
  };
  return (
    <Button variant="default" loading={change.isPending} onClick={() => void turn()}>
      {detail.archived ? "Bring back" : "Archive"}
    </Button>
  );
}
