import { skillOf } from "@mirrup/core";
import type { FrontierAsked } from "@mirrup/core/teaching";
import { NativeSelect } from "@mantine/core";
import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { catalogue, ofCatalogue } from "../app/catalogue.js";
import { STRAND_OPTIONS } from "../strands/index.js";
import classes from "./frontier-page.module.css";

/** How many columns beyond what is open, as the address names them. */
const AHEAD = { "": 1, two: 2, all: null } as const;
const AHEAD_WORDS: Readonly<Record<keyof typeof AHEAD, string>> = {
  "": "one step on",
  two: "two steps on",
  all: "the whole tree",
};
const isAhead = (text: string): text is keyof typeof AHEAD => Object.hasOwn(AHEAD, text);

const levelOptions = ofCatalogue(({ skills }) => [
  { value: "", label: "every level" },
  ...Array.from({ length: Math.max(...[...skills.values()].map(({ level }) => level)) - 1 }, (_, place) => ({
    value: String(place + 1),
    label: place === 0 ? "level 1" : `levels 1 to ${place + 1}`,
  })),
]);

/** Which skills the frontier is asked for, by the address. */
export function useAsked(): FrontierAsked {
  const [params] = useSearchParams();
  const [ahead, strand, level] = ["ahead", "strand", "level"].map((key) => params.get(key) ?? "");
  return useMemo(() => {
    const skills = catalogue().strands.find(({ id }) => id === strand)?.skills;
    const highest = Number(level);
    return {
      ahead: isAhead(ahead ?? "") ? AHEAD[ahead as keyof typeof AHEAD] : AHEAD[""],
      isAsked: (subject) =>
        (skills?.includes(subject) ?? true) &&
        (!(highest > 0) || skillOf(catalogue(), subject).level <= highest),
    };
  }, [ahead, strand, level]);
}

/** Which skills the frontier shows: kept in the address, so that a link shows the same. */
export function FrontierFilters({ isWay = false }: { readonly isWay?: boolean }) {
  const [params, setParams] = useSearchParams();
  const select = (key: string, label: string, data: readonly { value: string; label: string }[]) => (
    <NativeSelect
      aria-label={label}
      size="sm"
      // The way to a goal is shown whole.
      disabled={isWay}
      data={[...data]}
      value={params.get(key) ?? ""}
      onChange={(event) => {
        const { value } = event.currentTarget;
        setParams(
          (before) => {
            const after = new URLSearchParams(before);
            if (value === "") after.delete(key);
            else after.set(key, value);
            return after;
          },
          { replace: true },
        );
      }}
    />
  );
  return (
    <div className={classes.filters} role="group" aria-label="Which skills are shown">
      {select(
        "ahead",
        "How far ahead",
        Object.entries(AHEAD_WORDS).map(([value, label]) => ({ value, label })),
      )}
      {select("strand", "Strand", STRAND_OPTIONS)}
      {select("level", "Level", levelOptions())}
    </div>
  );
}
