import type { CatalogueView, SkillChange } from "@mirrup/contract";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { catalogueQuery } from "../account/index.js";
import { put } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";

interface Asked extends SkillChange {
  readonly subject: string;
  /** What is said when it is done. */
  readonly done: string;
}

/**
 * Changes one skill of what the studio teaches, with a way back. `onDone` is called before the pages are drawn anew by
 * what is taught now, which takes the one away that asked.
 */
export function useSkillChange(onDone: () => void = () => undefined) {
  const client = useQueryClient();
  const ask = ({ subject, was, is }: Omit<Asked, "done">) =>
    put<CatalogueView>(`/catalogue/skills/${subject}`, { was, is });
  const take = async (saved: CatalogueView) => {
    client.setQueryData(catalogueQuery.queryKey, saved);
    await readAnew(client, { topics: ["students", "groups", "lessons", "combos"] });
  };
  return useMutation({
    mutationFn: (asked: Asked) => ask(asked),
    onSuccess: async (saved, { subject, was, is, done }) => {
      onDone();
      offerUndo(done, () => void ask({ subject, was: is, is: was }).then(take).catch(tellFault));
      await take(saved);
    },
  });
}
