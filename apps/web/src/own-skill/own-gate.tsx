import { SCHOOLS } from "@mirrup/catalogue";
import { SCHOOL_IDS, type Gate, type SchoolId, type SkillClass } from "@mirrup/core";
import { Button, Checkbox, Group, Stack } from "@mantine/core";
import { useState } from "react";
import { GateField } from "../app/gate-field.js";
import { SCHOOL_NAMES } from "../app/words.js";
import type { OwnGates } from "./own-gates.js";

interface OwnGateProps {
  readonly value: OwnGates;
  readonly of: SkillClass;
  readonly onChange: (gates: OwnGates) => void;
}

/** Gates of the studio's own for a skill: one in every school, and others in single ones. */
export function OwnGate({ value, of, onChange }: OwnGateProps) {
  const { gate, gates } = value;
  const [isOpen, setOpen] = useState(Object.keys(gates).length > 0);
  const put = (school: SchoolId, next: Gate | null) => {
    const others = Object.entries(gates).filter(([id]) => id !== school);
    onChange({ gate, gates: Object.fromEntries(next === null ? others : [...others, [school, next]]) });
  };
  return (
    <Stack gap="xs">
      <Checkbox
        label="A gate of our own, in every school"
        checked={gate !== null}
        onChange={({ currentTarget }) =>
          onChange({ gates, gate: currentTarget.checked ? SCHOOLS["quick-frontier"].gates[of] : null })
        }
      />
      {gate !== null && <GateField value={gate} onChange={(next) => onChange({ gates, gate: next })} />}
      {!isOpen && (
        <Group>
          <Button variant="subtle" size="compact-md" onClick={() => setOpen(true)}>
            Another gate in one school
          </Button>
        </Group>
      )}
      {(isOpen ? SCHOOL_IDS : []).map((school) => {
        const own = gates[school];
        return (
          <Stack key={school} gap={4}>
            <Checkbox
              label={`Another one in ${SCHOOL_NAMES[school]}`}
              checked={own !== undefined}
              onChange={({ currentTarget }) =>
                put(school, currentTarget.checked ? (gate ?? SCHOOLS[school].gates[of]) : null)
              }
            />
            {own !== undefined && (
              <GateField
                label={`Gate in ${SCHOOL_NAMES[school]}`}
                value={own}
                onChange={(next) => put(school, next)}
              />
            )}
          </Stack>
        );
      })}
    </Stack>
  );
}
