import { SCHOOLS } from "@mirrup/catalogue";
import {
  NO_OVERLAY,
  SCHOOL_IDS,
  schoolKey,
  SKILL_CLASSES,
  type Gate,
  type OwnSchool,
  type SchoolId,
  type SkillClass,
} from "@mirrup/core";
import { Alert, Button, Checkbox, Group, NativeSelect, Table, Text } from "@mantine/core";
import { useState } from "react";
import { ownCatalogue } from "../app/catalogue.js";
import { GateField } from "../app/gate-field.js";
import { counted } from "../app/plural.js";
import { capital, gateWords, SCHOOL_NAMES } from "../app/words.js";
import { Affected, CLASS_NAMES, useSkillChange } from "../own-skill/index.js";

type Gates = OwnSchool["classes"];

/** What the studio asks otherwise in a school; null for nothing. */
function ownSchool(school: SchoolId): OwnSchool | null {
  const entry = (ownCatalogue() ?? NO_OVERLAY).entries[schoolKey(school)];
  return entry?.kind === "school" ? entry : null;
}

interface ClassGatesProps {
  /** The school that the studio teaches by. */
  readonly school: SchoolId;
}

/** Gates of the studio's own for whole kinds of skills, within a school; whom they touch is told before they are kept. */
export function ClassGates({ school: usual }: ClassGatesProps) {
  const [isOpen, setOpen] = useState(false);
  const [school, setSchool] = useState(usual);
  if (!isOpen) {
    const kinds = Object.keys(ownSchool(usual)?.classes ?? {}).length;
    return (
      <Group my="md">
        <Button variant="default" onClick={() => setOpen(true)}>
          Gates of your own for kinds of skills
        </Button>
        {kinds > 0 && (
          <Text>
            {counted(kinds, "kind has", "kinds have")} one in {SCHOOL_NAMES[usual]}.
          </Text>
        )}
      </Group>
    );
  }
  return (
    <section aria-label="Gates of your own">
      <NativeSelect
        label="Gates in"
        size="md"
        maw={420}
        mt="md"
        data={SCHOOL_IDS.map((value) => ({ value, label: SCHOOL_NAMES[value] }))}
        value={school}
        onChange={({ currentTarget }) =>
          setSchool(SCHOOL_IDS.find((one) => one === currentTarget.value) ?? usual)
        }
      />
      <Form key={school} school={school} onLeave={() => setOpen(false)} />
    </section>
  );
}

function Form({ school, onLeave }: { readonly school: SchoolId; readonly onLeave: () => void }) {
  const was = ownSchool(school);
  const [gates, setGates] = useState<Gates>(was?.classes ?? {});
  const change = useSkillChange(onLeave);
  const put = (of: SkillClass, gate: Gate | null) => {
    const others = Object.entries(gates).filter(([one]) => one !== of);
    setGates(Object.fromEntries(gate === null ? others : [...others, [of, gate]]));
  };
  const isAny = Object.keys(gates).length > 0;
  const is: OwnSchool | null = isAny ? { kind: "school", classes: gates } : null;
  const isDirty = SKILL_CLASSES.some(
    (one) => JSON.stringify(gates[one]) !== JSON.stringify(was?.classes[one]),
  );
  const changes = isDirty ? [{ subject: schoolKey(school), was, is }] : [];
  return (
    <>
      <Table mt="sm" maw={760}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Kind</Table.Th>
            <Table.Th>Usually</Table.Th>
            <Table.Th>Yours</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {SKILL_CLASSES.map((one) => {
            const own = gates[one];
            return (
              <Table.Tr key={one}>
                <Table.Td>{capital(CLASS_NAMES[one])}</Table.Td>
                <Table.Td>{gateWords(SCHOOLS[school].gates[one])}</Table.Td>
                <Table.Td>
                  <Group gap="sm" align="center">
                    <Checkbox
                      aria-label={`A gate of your own for ${CLASS_NAMES[one]}`}
                      checked={own !== undefined}
                      onChange={({ currentTarget }) =>
                        put(one, currentTarget.checked ? SCHOOLS[school].gates[one] : null)
                      }
                    />
                    {own !== undefined && (
                      <GateField
                        isBare
                        label={`Gate of ${CLASS_NAMES[one]}`}
                        value={own}
                        onChange={(gate) => put(one, gate)}
                      />
                    )}
                  </Group>
                </Table.Td>
              </Table.Tr>
            );
          })}
        </Table.Tbody>
      </Table>
      <Affected changes={changes} />
      {change.isError && (
        <Alert color="red" title="Not saved" role="alert" mt="sm">
          {change.error.message}
        </Alert>
      )}
      <Group my="md">
        <Button
          disabled={!isDirty}
          loading={change.isPending}
          onClick={() => change.mutate({ changes, done: `Gates in ${SCHOOL_NAMES[school]} are yours.` })}
        >
          Save the gates
        </Button>
        <Button variant="default" onClick={onLeave}>
          Cancel
        </Button>
      </Group>
    </>
  );
}
