import { CATALOGUE } from "@mirrup/catalogue";
import { isOwnSkill, printNeeds, type OverlayEntry, type Skill, type SkillOverlayEntry } from "@mirrup/core";
import { Alert, Button, Group, Text, Textarea, TextInput, Title } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useMayTeach } from "../account/index.js";
import { ownWayOf } from "../app/catalogue.js";
import { usePaths } from "../app/paths.js";
import { capital } from "../app/words.js";
import { UnsavedNote, useUnsaved } from "../device/index.js";
import { previewOf } from "./draft.js";
import { NeedsField } from "./needs-field.js";
import { Affected } from "./affected.js";
import { CatchingUp } from "./catching-up.js";
import { OurFields } from "./our-fields.js";
import { linesOf, oursEntry, oursOf, type Ours } from "./ours.js";
import { OwnSkillForm } from "./own-skill-form.js";
import classes from "./own-skill.module.css";
import { useEntryForm, type Opened } from "./use-entry-form.js";
import { useSkillChange } from "./use-skill-change.js";

interface OurTexts extends Ours {
  readonly name: string;
  readonly needs: string;
  readonly cues: string;
  readonly look: string;
}

function textsOf(skill: Skill, entry: SkillOverlayEntry | null): OurTexts {
  const { name, look } = skill;
  return { ...oursOf(entry), name, needs: printNeeds(skill), cues: skill.cues.join("\n"), look };
}

/** What of it differs from what ships. */
function changeOf(now: OurTexts, usual: OurTexts): OverlayEntry {
  const name = now.name.trim();
  return {
    kind: "changed",
    ...(name === "" || name === usual.name ? {} : { name }),
    ...(now.needs === usual.needs ? {} : { needs: now.needs }),
    ...(now.cues.trim() === usual.cues ? {} : { cues: linesOf(now.cues, "\n") }),
    ...(now.look.trim() === usual.look ? {} : { look: now.look.trim() }),
    ...(now.strand === null ? {} : { strand: now.strand }),
    ...(now.faults === null ? {} : { faults: now.faults }),
    ...oursEntry(now),
  };
}

/** The strand that it ships on. */
function strandOf(id: string): string {
  return CATALOGUE.strands.find(({ skills }) => skills.includes(id))?.id ?? "";
}

interface ShippedFormProps {
  readonly skill: Skill;
  readonly onLeave: () => void;
}

/** A skill that ships as the studio has it: what it is called, what it needs, what is said, what clears it. */
function ShippedForm({ skill, onLeave }: ShippedFormProps) {
  const shipped = CATALOGUE.skills.get(skill.id) ?? skill;
  const usual = textsOf(shipped, null);
  const [opened] = useState((): Opened<OurTexts> => {
    const was = ownWayOf(skill.id);
    return { values: textsOf(skill, was), about: { subject: skill.id, was } };
  });
  const unsaved = useUnsaved(`our way ${skill.id}`, opened);
  const form = useForm<OurTexts>({ initialValues: opened.values });
  const { about, isFound, drop, isPending, refusal, save } = useEntryForm(form, unsaved, opened, onLeave);
  const leave = () => {
    unsaved.keep(null);
    onLeave();
  };
  const is = changeOf(form.values, usual);
  const preview = previewOf(skill.id, is);
  return (
    <form
      className={classes.form}
      aria-label={`${capital(skill.name)}, our way`}
      onSubmit={form.onSubmit(() => save(is, `${capital(shipped.name)} is as you teach it.`))}
    >
      {isFound && <UnsavedNote onDrop={drop} />}
      <TextInput
        label="What we call it"
        description={`The usual name is ${shipped.name}. It is found all the same.`}
        size="md"
        {...form.getInputProps("name")}
      />
      <NeedsField
        value={form.values.needs}
        of={skill}
        except={skill.id}
        onChange={(needs) => form.setFieldValue("needs", needs)}
      />
      <Textarea
        label="Say"
        description="Two to five cues, a line each."
        size="md"
        autosize
        minRows={3}
        {...form.getInputProps("cues")}
      />
      <TextInput
        label="Look at"
        description="What to look at when judging whether it counts."
        size="md"
        {...form.getInputProps("look")}
      />
      <OurFields
        value={form.values}
        usual={{
          id: skill.id,
          strand: strandOf(skill.id),
          faults: shipped.faults,
          skillClass: skill.skillClass,
          skill,
        }}
        mayHide
        onChange={(change) => form.setValues(change)}
      />
      {!preview.ok && (
        <Alert color="red" title="This cannot be taught" role="alert">
          {preview.faults.map(({ message }) => message).join(" ")}
        </Alert>
      )}
      <Affected changes={preview.ok && form.isDirty() ? [{ subject: skill.id, is }] : []} />
      {refusal !== null && (
        <Alert color="red" title="Not saved" role="alert">
          {refusal}
        </Alert>
      )}
      <Group>
        <Button type="submit" size="md" disabled={!preview.ok || !form.isDirty()} loading={isPending}>
          Save our way
        </Button>
        {about.was !== null && (
          <Button
            variant="default"
            size="md"
            onClick={() => save(null, `${capital(shipped.name)} is as it ships again.`)}
          >
            Back to the usual
          </Button>
        )}
        <Button variant="default" size="md" onClick={leave}>
          Cancel
        </Button>
      </Group>
    </form>
  );
}

function ownWords(entry: OverlayEntry | null): string {
  if (entry === null) return "";
  return entry.kind === "own"
    ? "A skill of your studio’s own."
    : "As your studio teaches it: some of it is your own.";
}

interface OurWayProps {
  readonly skill: Skill;
  /** Whether it is being changed just now. */
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
}

/** How the studio has a skill: its own, or one that ships, taught otherwise; for whoever may change it. */
export function OurWay({ skill, isOpen, onOpen }: OurWayProps) {
  const mayTeach = useMayTeach();
  const paths = usePaths();
  const navigate = useNavigate();
  const removal = useSkillChange(() => void navigate(paths.skills));
  const entry = ownWayOf(skill.id);
  const isOwn = isOwnSkill(skill.id);
  const leave = () => onOpen(false);
  if (isOpen) {
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
  const told = ownWords(entry);
  return (
    <Group gap="sm">
      <CatchingUp />
      {told !== "" && <Text className={classes.quiet}>{told}</Text>}
      {mayTeach && (
        <Button variant="default" size="sm" onClick={() => onOpen(true)}>
          {isOwn ? "Edit the skill" : "Teach it our way"}
        </Button>
      )}
      {mayTeach && entry?.kind === "own" && (
        <Button
          variant="subtle"
          size="sm"
          loading={removal.isPending}
          onClick={() => {
            const done = `${capital(skill.name)} is removed.`;
            removal.mutate({ changes: [{ subject: skill.id, was: entry, is: null }], done });
          }}
        >
          Remove the skill
        </Button>
      )}
      {removal.isError && (
        <Alert color="red" title="Not removed" role="alert">
          {removal.error.message}
        </Alert>
      )}
    </Group>
  );
}
