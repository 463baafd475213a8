import type { ComboChange, ComboView, Items, NewCombo } from "@mirrup/contract";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { v7 as uuid } from "uuid";
import { patch, post } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { useSame } from "../app/use-same.js";
import { offerUndo, tellFault } from "../app/undo.js";

type Unstored = Omit<NewCombo, "id">;

/** Keeps combos, renames them, takes them off the shelf and back. */
export function useKeep() {
  const client = useQueryClient();
  const refresh = () => readAnew(client, { topics: ["combos"] });
  const ids = useSame<string>();
  const keep = useMutation({
    mutationFn: async (combos: readonly Unstored[]) =>
      (
        await post<Items<ComboView>>("/combos", {
          combos: combos.map((combo): NewCombo => ({ ...combo, id: ids.of(JSON.stringify(combo), uuid) })),
        })
      ).items,
    onSuccess: () => {
      ids.forget();
      return refresh();
    },
    onError: tellFault,
  });
  const change = useMutation({
    mutationFn: ({ id, ...body }: { readonly id: string } & ComboChange) =>
      patch<ComboView>(`/combos/${id}`, body),
    onSuccess: refresh,
    onError: tellFault,
  });
  const takeOff = ({ id, name, version }: ComboView, after: () => void) =>
    change.mutate(
      { id, version, isRemoved: true },
      {
        onSuccess: (removed) => {
          after();
          offerUndo(`“${name}” was removed from the shelf. What was logged of it stays.`, () =>
            change.mutate({ id, version: removed.version, isRemoved: false }),
          );
        },
      },
    );
  return { keep, change, takeOff };
}
