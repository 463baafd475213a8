import type { ComboStandingItem, ComboView, Items, SetView, SharedCombo } from "@mirrup/contract";
import { comboKey } from "@mirrup/core";
import { queryOptions } from "@tanstack/react-query";
import { get } from "../app/api.js";
import type { ComboNames } from "./words.js";

/** The studio's combos, those off the shelf too, the newest first. */
export const combosQuery = queryOptions({
  queryKey: ["combos"],
  queryFn: async ({ signal }) => (await get<Items<ComboView>>("/combos", signal)).items,
});

/** Where a student stands with each combo of the shelf. */
export const comboStandingsQuery = (studentId: string) =>
  queryOptions({
    queryKey: ["students", studentId, "combos"],
    queryFn: async ({ signal }) =>
      (await get<Items<ComboStandingItem>>(`/students/${studentId}/combos`, signal)).items,
  });

/** The last sets of one combo and its links, newest first. */
export const comboSetsQuery = (studentId: string, comboId: string) =>
  queryOptions({
    queryKey: ["students", studentId, "combo-sets", comboId],
    queryFn: async ({ signal }) =>
      (await get<Items<SetView>>(`/students/${studentId}/combo-sets?combo=${comboId}`, signal)).items,
  });

export const sharedComboQuery = (token: string) =>
  queryOptions({
    queryKey: ["shared-combos", token],
    queryFn: ({ signal }) => get<SharedCombo>(`/shared-combos/${encodeURIComponent(token)}`, signal),
    staleTime: Infinity,
    retry: false,
  });

export function namesOf(combos: readonly ComboView[] | undefined): ComboNames {
  return new Map((combos ?? []).map(({ id, name }) => [comboKey(id), name]));
}
