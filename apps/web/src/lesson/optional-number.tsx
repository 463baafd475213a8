import { NumberInput } from "@mantine/core";

interface OptionalNumberProps {
  readonly label: string;
  readonly value: number | null;
  readonly least: number;
  readonly placeholder: string;
  readonly suffix?: string;
  readonly onChange: (value: number | null) => void;
}

/** A number that can be left empty, which says something too. */
export function OptionalNumber({
  label,
  value,
  least,
  placeholder,
  suffix = "",
  onChange,
}: OptionalNumberProps) {
  return (
    <NumberInput
      label={label}
      size="md"
      w={116}
      min={least}
      max={200}
      allowDecimal={suffix !== ""}
      suffix={suffix}
      value={value ?? ""}
      placeholder={placeholder}
      onChange={(next) => onChange(typeof next === "number" ? next : null)}
    />
  );
}
