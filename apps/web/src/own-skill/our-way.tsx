import type { OverlayEntry, Skill } from "@mirrup/core";
import { isOwnSkill, printNeeds } from "@mirrup/core";
import { CATALOGUE } from "@mirrup/catalogue";
import { Alert, Button, Group, Text, TextInput, Title } from "@mantine/core";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useMayTeach } from "../account/index.js";
import { ownCatalogue } from "../app/catalogue.js";
import { usePaths } from "../app/paths.js";
import { capital } from "../app/words.js";
import { previewOf } from "./draft.js";
import { NeedsField } from "./needs-field.js";
import { OwnSkillForm } from "./own-skill-form.js";
import classes from "./own-skill.module.css";
import { useSkillChange } from "./use-skill-change.js";

function entryOf(id: string): OverlayEntry | null {
  return ownCatalogue()?.entries[id] ?? null;
}

interface FormProps {
  readonly skill: Skill;
  readonly onLeave: () => void;
}

/** The studio's own name of a skill that ships, and what it has it need. */
function ShippedForm({ skill, onLeave }: FormProps) {
  const was = entryOf(skill.id);
  const shipped = CATALOGUE.skills.get(skill.id) ?? skill;
  const usual = printNeeds(shipped);
  const [name, setName] = useState(skill.name);
  const [needs, setNeeds] = useState(printNeeds(skill));
  const change = useSkillChange(onLeave);
  const is: OverlayEntry = {
    kind: "changed",
    ...(name.trim() === "" || name.trim() === shipped.name ? {} : { name: name.trim() }),
    ...(needs === usual ? {} : { needs }),
  };
  const preview = previewOf(skill.id, is);
  const isAsBefore = name === skill.name && needs === printNeeds(skill);
  const put = (next: OverlayEntry | null, done: string) =>
    change.mutate({ subject: skill.id, was, is: next, done });
  return (
    <form
      className={classes.form}
      aria-label={`${capital(skill.name)}, our way`}
      onSubmit={(event) => {
        event.preventDefault();
        put(is, `${capital(shipped.name)} is as you teach it.`);
      }}
    >
      <TextInput
        label="What we call it"
        description={`The usual name is ${shipped.name}. It is found all the same.`}
        size="md"
        value={name}
        onChange={({ currentTarget }) => setName(currentTarget.value)}
      />
      <NeedsField value={needs} of={skill} except={skill.id} onChange={setNeeds} />
      {!preview.ok && (
        <Alert color="red" title="This cannot be taught" role="alert">
          {preview.faults.map(({ message }) => message).join(" ")}
        </Alert>
      )}
      {change.isError && (
        <Alert color="red" title="Not saved" role="alert">
          {change.error.message}
        </Alert>
      )}
      <Group>
        <Button type="submit" size="md" disabled={!preview.ok || isAsBefore} loading={change.isPending}>
          Save our way
        </Button>
        {was !== null && (
          <Button
            variant="default"
            size="md"
            onClick={() => put(null, `${capital(shipped.name)} is as it ships again.`)}
          >
            Back to the usual
          </Button>
        )}
        <Button variant="default" size="md" onClick={onLeave}>
          Cancel
        </Button>
      </Group>
    </form>
  );
}

/** How the studio has a skill: its own, or one that ships with another name or other needs; for whoever may change it. */
export function OurWay({ skill }: { readonly skill: Skill }) {
  const mayTeach = useMayTeach();
  const paths = usePaths();
  const navigate = useNavigate();
  const [isOpen, setOpen] = useState(false);
  const change = useSkillChange(() => void navigate(paths.skills));
  const entry = entryOf(skill.id);
  const isOwn = isOwnSkill(skill.id);
  const leave = () => setOpen(false);
  const told = isOwn
    ? "A skill of your studio’s own."
    : entry === null
      ? ""
      : "As your studio has it: its name or its needs are your own.";
  if (!isOpen) {
    return (
      <Group gap="sm">
        {told !== "" && <Text className={classes.quiet}>{told}</Text>}
        {mayTeach && (
          <Button variant="default" size="sm" onClick={() => setOpen(true)}>
            {isOwn ? "Edit the skill" : "Name and needs, our way"}
          </Button>
        )}
        {mayTeach && entry?.kind === "own" && (
          <Button
            variant="subtle"
            size="sm"
            loading={change.isPending}
            onClick={() =>
              change.mutate({
                subject: skill.id,
                was: entry,
                is: null,
                done: `${capital(skill.name)} is removed.`,
              })
            }
          >
            Remove the skill
          </Button>
        )}
        {change.isError && (
          <Alert color="red" title="Not removed" role="alert">
            {change.error.message}
          </Alert>
        )}
      </Group>
    );
  }
  return (
    <section aria-label="Our way">
      <Title order={2}>{isOwn ? "Edit the skill" : "Our way"}</Title>
      {entry?.kind === "own" ? (
        <OwnSkillForm skill={{ id: skill.id, entry }} onDone={leave} onLeave={leave} />
      ) : (
        <ShippedForm skill={skill} onLeave={leave} />
      )}
    </section>
  );
}
