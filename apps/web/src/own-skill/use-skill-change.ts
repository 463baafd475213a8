import type { CatalogueView, SkillChange } from "@mirrup/contract";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { catalogueQuery } from "../account/index.js";
import { post } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";

interface Asked {
  readonly changes: readonly SkillChange[];
  /** What is said when it is done. */
  readonly done: string;
}

/**
 * Changes what the studio teaches, with a way back. `onDone` is called before the pages are drawn anew by
 * what is taught now, which takes the one away that asked.
 */
export function useSkillChange(onDone: () => void = () => undefined) {
  const client = useQueryClient();
  const ask = (changes: readonly SkillChange[]) => post<CatalogueView>("/catalogue/changes", { changes });
  const take = async (saved: CatalogueView) => {
    client.setQueryData(catalogueQuery.queryKey, saved);
    await readAnew(client, { topics: ["students", "groups", "lessons", "combos"] });
    await client.invalidateQueries({ queryKey: ["catalogue", "editions"] });
  };
  return useMutation({
    mutationFn: ({ changes }: Asked) => ask(changes),
    onSuccess: async (saved, { changes, done }) => {
      onDone();
      const back = changes.map(({ subject, was, is }) => ({ subject, was: is, is: was }));
      offerUndo(done, () => void ask(back).then(take).catch(tellFault));
      await take(saved);
    },
  });
}
