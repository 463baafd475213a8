import type { SkillOverlayEntry } from "@mirrup/core";
import { Alert, Button, Group, Text, Title } from "@mantine/core";
import { useMayTeach } from "../account/index.js";
import { capital, skillName } from "../app/words.js";
import { useSkillChange } from "./use-skill-change.js";

interface HiddenSkillProps {
  readonly id: string;
  readonly entry: SkillOverlayEntry;
}

/** A skill that is taught to nobody for now, and the way back. */
export function HiddenSkill({ id, entry }: HiddenSkillProps) {
  const mayTeach = useMayTeach();
  const change = useSkillChange();
  const name = capital(skillName(id));
  const show = () => {
    const { isHidden: _hidden, ...shown } = entry;
    change.mutate({ changes: [{ subject: id, was: entry, is: shown }], done: `${name} is taught again.` });
  };
  return (
    <>
      <Title order={1}>{name}</Title>
      <Text my="sm">
        Hidden: it is on nobody’s strands and in no plan. What was counted of it stays, and counts again once
        it is shown.
      </Text>
      {change.isError && (
        <Alert color="red" title="Not shown" role="alert" mb="sm">
          {change.error.message}
        </Alert>
      )}
      {mayTeach && (
        <Group>
          <Button onClick={show} loading={change.isPending}>
            Show it again
          </Button>
        </Group>
      )}
    </>
  );
}
