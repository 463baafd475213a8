import type { ComboChange, ComboView, Items, NewCombo } from "@mirrup/contract";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { v7 as uuid } from "uuid";
import { patch, post } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";

type Unstored = Omit<NewCombo, "id">;

/** Keeps combos, renames them, takes them off the shelf and back. */
export function useKeep() {
  const client = useQueryClient();
  const refresh = () => readAnew(client, { topics: ["combos"] });
  // The same combo has the same id until it is stored: saved again after a lost answer it is no second one.
  const ids = useRef(new Map<string, string>());
  const identified = (combo: Unstored): NewCombo => {
    const text = JSON.stringify(combo);
    const id = ids.current.get(text) ?? uuid();
    ids.current.set(text, id);
    return { ...combo, id };
  };
  const keep = useMutation({
    mutationFn: async (combos: readonly Unstored[]) =>
      (await post<Items<ComboView>>("/combos", { combos: combos.map(identified) })).items,
    onSuccess: () => {
      ids.current.clear();
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
