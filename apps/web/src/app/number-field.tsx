import { NumberInput, type NumberInputProps } from "@mantine/core";
import { useTyped } from "./use-typed.js";

interface NumberFieldProps extends Omit<
  NumberInputProps,
  "value" | "defaultValue" | "onChange" | "onBlur" | "clampBehavior" | "min" | "max"
> {
  readonly min: number;
  readonly max: number;
  /** Null for none, where `onSay` takes that. */
  readonly value: number | null;
}

type Says =
  | { readonly mayBeEmpty: true; readonly onSay: (value: number | null) => void }
  | { readonly mayBeEmpty?: false; readonly onSay: (value: number) => void };

/**
 * A number within its bounds, a whole one unless `allowDecimal`. While it is typed it may be anything, as "9" is on the way to "96"; said is what lies
 * within, and when it is left it is brought within.
 */
export function NumberField({ value, min, max, mayBeEmpty, onSay, ...look }: NumberFieldProps & Says) {
  const field = useTyped<number | string>(
    value ?? "",
    (typed) => {
      if (typeof typed === "number") onSay(typed);
      else if (mayBeEmpty === true) onSay(null);
    },
    (typed) =>
      typeof typed === "number" ? typed >= min && typed <= max : mayBeEmpty === true && typed === "",
  );
  return (
    <NumberInput
      allowDecimal={false}
      {...look}
      min={min}
      max={max}
      clampBehavior="blur"
      value={field.value}
      onChange={field.type}
      onBlur={field.onBlur}
    />
  );
}
