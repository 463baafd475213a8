import type { Gate } from "@mirrup/core";
import { Checkbox, Stack } from "@mantine/core";
import { GateField } from "../app/gate-field.js";

interface OwnGateProps {
  /** Null where the school's stands. */
  readonly value: Gate | null;
  /** What one begins with. */
  readonly usual: Gate;
  readonly onChange: (gate: Gate | null) => void;
}

/** A gate of the studio's own for a skill, in whatever school. */
export function OwnGate({ value, usual, onChange }: OwnGateProps) {
  return (
    <Stack gap="xs">
      <Checkbox
        label="A gate of our own, in every school"
        checked={value !== null}
        onChange={({ currentTarget }) => onChange(currentTarget.checked ? usual : null)}
      />
      {value !== null && <GateField value={value} onChange={onChange} />}
    </Stack>
  );
}
