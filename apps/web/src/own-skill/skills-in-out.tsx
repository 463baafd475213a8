import { NO_OVERLAY, schoolOfKey } from "@mirrup/core";
import { Alert, Button, Checkbox, FileButton, Group, Stack, Text } from "@mantine/core";
import { IconFileDownload, IconFileUpload } from "@tabler/icons-react";
import { useState } from "react";
import { useMayTeach } from "../account/index.js";
import { ownCatalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { saveFile } from "../app/save-file.js";
import { capital, SCHOOL_NAMES, skillName } from "../app/words.js";
import { faultsOf, fileOf, readSkills, type Offered } from "./skills-file.js";
import { useSkillChange } from "./use-skill-change.js";

/** What it is called in the file; a skill that it does not name, and a school, by the usual name. */
function nameOf({ subject, is }: Offered): string {
  const school = schoolOfKey(subject);
  if (school !== null) return `Gates of ${SCHOOL_NAMES[school]}`;
  return capital((is.kind === "school" ? undefined : is.name) ?? skillName(subject));
}

function stateWords({ state, was }: Offered): string {
  if (state === "new") return "";
  return was?.kind === "own"
    ? "; yours is another, and stays where this is not chosen"
    : "; you teach it otherwise";
}

interface TakeProps {
  readonly offered: readonly Offered[];
  readonly onLeave: () => void;
}

/** What a file offers, to be chosen from; what the studio has otherwise stays where it is not chosen. */
function Take({ offered, onLeave }: TakeProps) {
  const open = offered.filter(({ state }) => state !== "same");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    new Set(open.filter(({ state }) => state === "new").map(({ subject }) => subject)),
  );
  const change = useSkillChange(onLeave);
  const changes = open
    .filter(({ subject }) => chosen.has(subject))
    .map(({ subject, was, is }) => ({ subject, was, is }));
  const faults = faultsOf(ownCatalogue() ?? NO_OVERLAY, changes);
  const toggle = (subject: string) =>
    setChosen((before) => {
      const after = new Set(before);
      if (!after.delete(subject)) after.add(subject);
      return after;
    });
  return (
    <Stack gap="xs" role="group" aria-label="What the file has">
      {open.length === 0 && <Text>You have all that is in this file.</Text>}
      {open.map((one) => (
        <Checkbox
          key={one.subject}
          label={nameOf(one) + stateWords(one)}
          checked={chosen.has(one.subject)}
          onChange={() => toggle(one.subject)}
        />
      ))}
      {faults.length > 0 && (
        <Alert color="yellow" title="These do not go together" role="alert">
          {faults.map(({ message }) => message).join(" ")}
        </Alert>
      )}
      {change.isError && (
        <Alert color="red" title="Not taken" role="alert">
          {change.error.message}
        </Alert>
      )}
      <Group gap="sm">
        {open.length > 0 && (
          <Button
            disabled={changes.length === 0 || faults.length > 0}
            loading={change.isPending}
            onClick={() =>
              change.mutate({ changes, done: `${counted(changes.length, "skill")} taken from the file.` })
            }
          >
            Take {counted(changes.length, "skill")}
          </Button>
        )}
        <Button variant="default" onClick={onLeave}>
          Cancel
        </Button>
      </Group>
    </Stack>
  );
}

/** The studio's own skills as a file, out and in. */
export function SkillsInOut() {
  const mayTeach = useMayTeach();
  const [offered, setOffered] = useState<readonly Offered[] | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const own = ownCatalogue() ?? NO_OVERLAY;
  const isEmpty = Object.keys(own.entries).length === 0;
  const open = async (file: File | null) => {
    if (file === null) return;
    const read = await readSkills(await file.text(), own);
    setOffered(read.ok ? read.offered : null);
    setFault(read.ok ? null : read.message);
  };
  return (
    <Stack gap="sm">
      <Group gap="sm">
        <Button
          variant="default"
          disabled={isEmpty}
          leftSection={<IconFileDownload size={18} aria-hidden />}
          onClick={() => saveFile("skills.json", fileOf(own), "application/json")}
        >
          Save as a file
        </Button>
        {mayTeach && (
          <FileButton accept=".json,application/json" onChange={(file) => void open(file)}>
            {(props) => (
              <Button {...props} variant="default" leftSection={<IconFileUpload size={18} aria-hidden />}>
                From a file
              </Button>
            )}
          </FileButton>
        )}
      </Group>
      {fault !== null && (
        <Alert color="red" title="The file could not be read" role="alert">
          {fault}
        </Alert>
      )}
      {offered !== null && <Take offered={offered} onLeave={() => setOffered(null)} />}
    </Stack>
  );
}
