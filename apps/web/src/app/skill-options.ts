/** Every skill with all of its names, for a field that is searched. */
import { ofCatalogue } from "./catalogue.js";

export const skillOptions = ofCatalogue(({ skills }) =>
  [...skills.values()].map(({ id, name, aliases }) => ({
    value: id,
    label: aliases.length > 0 ? `${name} (${aliases.join(", ")})` : name,
  })),
);
