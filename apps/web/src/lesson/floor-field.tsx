import type { Floor } from "@mirrup/core/planning";
import { useState } from "react";
import { NumberField } from "../app/number-field.js";

interface FloorFieldProps {
  readonly floor: Floor | null;
  readonly onChange: (floor: Floor | null) => void;
}

const SIDES = [
  ["widthMetres", "Floor, width"],
  ["lengthMetres", "Floor, length"],
] as const;

/** How large the floor is; it is known once both its sides are. */
export function FloorField({ floor, onChange }: FloorFieldProps) {
  const [lone, setLone] = useState<Partial<Floor>>({});
  const sides = floor ?? lone;
  const put = (side: keyof Floor, metres: number | null) => {
    const { [side]: _was, ...rest } = sides;
    const next: Partial<Floor> = metres === null ? rest : { ...rest, [side]: metres };
    const { widthMetres, lengthMetres } = next;
    const whole =
      widthMetres === undefined || lengthMetres === undefined ? null : { widthMetres, lengthMetres };
    setLone(whole === null ? next : {});
    if (whole !== null || floor !== null) onChange(whole);
  };
  return SIDES.map(([side, label]) => (
    <NumberField
      key={side}
      mayBeEmpty
      allowDecimal
      afterPause
      size="md"
      w={116}
      label={label}
      min={1}
      max={200}
      placeholder="not set"
      suffix=" m"
      value={sides[side] ?? null}
      onSay={(metres) => put(side, metres)}
    />
  ));
}
