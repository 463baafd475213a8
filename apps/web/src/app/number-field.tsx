import { NumberInput, type NumberInputProps } from "@mantine/core";
import { useDebouncedCallback } from "@mantine/hooks";
import { useTyped } from "./use-typed.js";

interface NumberFieldProps extends Omit<
  NumberInputProps,
  "value" | "defaultValue" | "onChange" | "onBlur" | "clampBehavior" | "min" | "max"
> {
  readonly min: number;
  readonly max: number;
  /** Null for none, where `onSay` takes that. */
  readonly value: number | null;
  /**
   * Says it only once the typing rests, or the field or its page is left: where a 4 on the way to 45 would throw
   * something away, or have much reckoned for nothing.
   */
  readonly afterPause?: boolean;
}

type Says =
  | { readonly mayBeEmpty: true; readonly onSay: (value: number | null) => void }
  | { readonly mayBeEmpty?: false; readonly onSay: (value: number) => void };

/** A pause in typing. */
const PAUSE_MS = 700;

/**
 * A number within its bounds, a whole one unless `allowDecimal`. While it is typed it may be anything, as "9" is on the
 * way to "96"; said is what lies within, and when it is left it is brought within.
 */
export function NumberField({
  value,
  min,
  max,
  mayBeEmpty,
  onSay,
  afterPause = false,
  ...look
}: NumberFieldProps & Says) {
  const say = (typed: number | string) => {
    if (typeof typed === "number") onSay(typed);
    else if (mayBeEmpty === true) onSay(null);
  };
  const sayLater = useDebouncedCallback(say, { delay: PAUSE_MS, flushOnUnmount: true });
  const field = useTyped<number | string>(value ?? "", afterPause ? sayLater : say, (typed) =>
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
      onKeyDown={(event) => event.key === "Enter" && sayLater.flush()}
      onBlur={() => {
        sayLater.flush();
        field.onBlur();
      }}
    />
  );
}
