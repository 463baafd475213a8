/** Every skill with all of its names, for a field that is searched. */
import type { ComboboxParsedItem, OptionsFilter } from "@mantine/core";
import { ofCatalogue } from "./catalogue.js";
import { plain } from "./plain.js";

export const skillOptions = ofCatalogue(({ skills }) =>
  [...skills.values()].map(({ id, name, aliases }) => ({
    value: id,
    label: aliases.length > 0 ? `${name} (${aliases.join(", ")})` : name,
  })),
);

/** Found however it is written: with hyphens or without, in capitals or not. Groups stay together. */
export const byAnyName: OptionsFilter = ({ options, search, limit }) => {
  const sought = plain(search);
  const isFound = ({ label }: { readonly label: string }) => plain(label).includes(sought);
  let left = limit;
  const taken = <T extends { readonly label: string }>(items: readonly T[]): T[] => {
    const found = items.filter(isFound).slice(0, left);
    left -= found.length;
    return found;
  };
  return options.flatMap((option): ComboboxParsedItem[] => {
    if (!("group" in option)) return taken([option]);
    const items = taken(option.items);
    return items.length === 0 ? [] : [{ ...option, items }];
  });
};
