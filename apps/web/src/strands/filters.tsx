import { CATALOGUE } from "@mirrup/catalogue";
import { NativeSelect } from "@mantine/core";
import { FAMILY_NAMES } from "../app/words.js";
import { BROUGHT_OUT, FILTER_SIDES, type BroughtOut, type FilterSide, type MapFilter } from "./filter.js";
import classes from "./strands-page.module.css";

const OUT_WORDS: Readonly<Record<BroughtOut, string>> = {
  all: "every skill",
  next: "next only",
  open: "ready and working",
  rusty: "rusty, review due",
  stuck: "stuck",
};
const SIDE_WORDS: Readonly<Record<FilterSide, string>> = {
  both: "both sides",
  stronger: "stronger side",
  weaker: "weaker side",
};
/** The strands, for a choice among them; the empty value is all. */
export const STRAND_OPTIONS = [
  { value: "", label: "every strand" },
  ...CATALOGUE.strands.map(({ id, name, family }) => ({
    value: id,
    label: `${FAMILY_NAMES[family]}: ${name}`,
  })),
];

interface FiltersProps {
  readonly filter: MapFilter;
  readonly onChange: (filter: MapFilter) => void;
}

/** What the map brings out. */
export function Filters({ filter, onChange }: FiltersProps) {
  const options = <T extends string>(values: readonly T[], words: Readonly<Record<T, string>>) =>
    values.map((value) => ({ value, label: words[value] }));
  return (
    <div className={classes.filters} role="group" aria-label="Which skills are shown">
      <NativeSelect
        aria-label="Show"
        size="sm"
        data={options(BROUGHT_OUT, OUT_WORDS)}
        value={filter.out}
        onChange={(event) =>
          onChange({ ...filter, out: BROUGHT_OUT.find((one) => one === event.currentTarget.value) ?? "all" })
        }
      />
      <NativeSelect
        aria-label="Strand"
        size="sm"
        data={STRAND_OPTIONS}
        value={filter.strand}
        onChange={(event) => onChange({ ...filter, strand: event.currentTarget.value })}
      />
      <NativeSelect
        aria-label="Side"
        size="sm"
        data={options(FILTER_SIDES, SIDE_WORDS)}
        value={filter.side}
        onChange={(event) =>
          onChange({
            ...filter,
            side: FILTER_SIDES.find((one) => one === event.currentTarget.value) ?? "both",
          })
        }
      />
    </div>
  );
}
