import { NumberInput, TextInput } from "@mantine/core";
import type { WeeksAsked } from "./weeks-asked.js";

interface WeeksFieldsProps {
  readonly asked: WeeksAsked;
  /** What the date is of. */
  readonly label: string;
  /** Why the date cannot be planned to. */
  readonly refusal: string | null;
  /** What is taken where nothing is asked. */
  readonly usual: { readonly perWeek: string; readonly tries: string };
  readonly onAsk: (changes: Partial<WeeksAsked>) => void;
}

const countOf = (value: number | string) => (typeof value === "number" ? value : null);

/** The date that weeks are planned to, and what they hold. */
export function WeeksFields({ asked, label, refusal, usual, onAsk }: WeeksFieldsProps) {
  return (
    <>
      <TextInput
        type="date"
        label={label}
        size="md"
        value={asked.until}
        error={refusal}
        onChange={({ currentTarget: { value } }) => value !== "" && onAsk({ until: value })}
      />
      <NumberInput
        label="Lessons a week"
        size="md"
        w={210}
        min={1}
        max={7}
        placeholder={usual.perWeek}
        value={asked.perWeek ?? ""}
        onChange={(value) => onAsk({ perWeek: countOf(value) })}
      />
      <NumberInput
        label="Tries a lesson toward it"
        size="md"
        w={210}
        min={1}
        max={1000}
        placeholder={usual.tries}
        value={asked.tries ?? ""}
        onChange={(value) => onAsk({ tries: countOf(value) })}
      />
    </>
  );
}
