import { TextInput } from "@mantine/core";
import { NumberField } from "./number-field.js";
import { useTyped } from "./use-typed.js";
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

/** The date that weeks are planned to, and what they hold. */
export function WeeksFields({ asked, label, refusal, usual, onAsk }: WeeksFieldsProps) {
  const until = useTyped(
    asked.until,
    (typed) => onAsk({ until: typed }),
    // A date is empty while its parts are typed.
    (typed) => typed !== "",
  );
  return (
    <>
      <TextInput
        type="date"
        label={label}
        size="md"
        value={until.value}
        error={refusal}
        onChange={({ currentTarget }) => until.type(currentTarget.value)}
        onBlur={until.onBlur}
      />
      <NumberField
        label="Lessons a week"
        size="md"
        w={210}
        min={1}
        max={7}
        placeholder={usual.perWeek}
        mayBeEmpty
        value={asked.perWeek}
        onSay={(perWeek) => onAsk({ perWeek })}
      />
      <NumberField
        label="Tries a lesson toward it"
        size="md"
        w={210}
        min={1}
        max={1000}
        placeholder={usual.tries}
        mayBeEmpty
        value={asked.tries}
        onSay={(tries) => onAsk({ tries })}
      />
    </>
  );
}
