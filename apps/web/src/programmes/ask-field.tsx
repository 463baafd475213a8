import type { Ask, Gate } from "@mirrup/core";
import { Group, NativeSelect } from "@mantine/core";
import { GateField } from "../app/gate-field.js";

/** What an amount begins with. */
const AMOUNT: Gate = { kind: "streak", count: 8 };

const KINDS = [
  { value: "gate", label: "to its gate" },
  { value: "shown", label: "shown once" },
  { value: "amount", label: "so much:" },
] as const;

interface AskFieldProps {
  readonly value: Ask;
  readonly onChange: (ask: Ask) => void;
}

/** What counts for an item: the gate in force, once, or an amount. */
export function AskField({ value, onChange }: AskFieldProps) {
  const isAmount = value.kind !== "gate" && value.kind !== "shown";
  const choose = (kind: string) => {
    if (kind === "gate" || kind === "shown") onChange({ kind });
    else if (!isAmount) onChange(AMOUNT);
  };
  return (
    <Group gap={6} align="flex-end" wrap="nowrap">
      <NativeSelect
        label="What counts"
        data={[...KINDS]}
        value={isAmount ? "amount" : value.kind}
        onChange={({ currentTarget }) => choose(currentTarget.value)}
      />
      {isAmount && <GateField label="Amount" value={value} onChange={onChange} />}
    </Group>
  );
}
