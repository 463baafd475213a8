import { OWN_SKILL_LIMITS } from "@mirrup/contract";
import { SKILL_CLASSES, type CatalogueFault, type SkillClass } from "@mirrup/core";
import { isMet } from "@mirrup/core/teaching";
import { Alert, Button, Group, NativeSelect, Text, Textarea, TextInput } from "@mantine/core";
import { useForm } from "@mantine/form";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { v7 as uuid } from "uuid";
import { counted } from "../app/plural.js";
import { capital, listWords } from "../app/words.js";
import { catalogue } from "../app/catalogue.js";
import { gridOf } from "../class/index.js";
import { UnsavedNote, useUnsaved } from "../device/index.js";
import { ScoreDesk } from "../skill-book/index.js";
import { gridQuery } from "../students/index.js";
import { Affected } from "./affected.js";
import {
  draftOf,
  EMPTY_DRAFT,
  jumpable,
  openTo,
  previewOf,
  settled,
  type Draft,
  type OwnEntry,
  type Preview,
} from "./draft.js";
import { HandLadderField } from "./hand-ladder-field.js";
import { NeedsField } from "./needs-field.js";
import { OurFields } from "./our-fields.js";
import classes from "./own-skill.module.css";
import { useEntryForm, type Opened } from "./use-entry-form.js";
import { CLASS_NAMES } from "./words.js";

/** Where a fault of the catalogue stands in the form. */
const FIELD_OF: Readonly<Record<CatalogueFault["code"], keyof Draft>> = {
  ...{ "duplicate-name": "name", "duplicate-id": "name", role: "name", "bad-score": "score", cues: "cues" },
  ...{
    "bad-needs": "needs",
    "unknown-need": "needs",
    "self-need": "needs",
    "sides-of-need": "needs",
    cycle: "needs",
  },
  // A programme asks for a side that the skill would not have any more.
  ...{ "strand-order": "strand", ladder: "class", programme: "sides", "hidden-need": "name" },
};

function faultsByField(faults: readonly CatalogueFault[]): Partial<Record<keyof Draft, string>> {
  return Object.fromEntries(faults.map(({ code, message }) => [FIELD_OF[code], message]));
}

/** Who could begin it today. */
function Openers({
  preview,
  level,
}: {
  readonly preview: Extract<Preview, { readonly ok: true }>;
  readonly level: number;
}) {
  const grid = useQuery(gridQuery(undefined));
  const students = useMemo(
    () => (grid.data === undefined ? [] : gridOf(grid.data, catalogue(), "strand").students),
    [grid.data],
  );
  const open = students.filter(({ bySkill }) =>
    openTo(preview, ({ subject, side }) =>
      (bySkill.get(subject) ?? []).some((one) => one.side === side && isMet(one.coded.status)),
    ),
  );
  const names = open.slice(0, 6).map(({ name }) => name);
  const more = open.length - names.length;
  return (
    <Text>
      <strong>Level {level}.</strong>{" "}
      {open.length === 0
        ? "Open to nobody yet."
        : `Open to ${counted(open.length, "student")} today: ${listWords([...names, ...(more > 0 ? [`${more} more`] : [])])}.`}
    </Text>
  );
}

interface OwnSkillFormProps {
  /** Null for a new one. */
  readonly skill: { readonly id: string; readonly entry: OwnEntry } | null;
  /** The score that a new one begins with. */
  readonly score?: string;
  readonly onDone: (id: string) => void;
  readonly onLeave: () => void;
}

/** A skill of the studio's own: what its score says of it is proposed, and all of it can be said otherwise. */
export function OwnSkillForm({ skill, score = "", onDone, onLeave }: OwnSkillFormProps) {
  const [opened] = useState((): Opened<Draft> => ({
    values: skill === null ? { ...EMPTY_DRAFT, score } : draftOf(skill.entry),
    about: { subject: skill?.id ?? `own:${uuid()}`, was: skill?.entry ?? null },
  }));
  const unsaved = useUnsaved(`skill ${skill?.id ?? "new"}`, opened);
  const id = unsaved.found?.about.subject ?? opened.about.subject;
  const form = useForm<Draft>({
    initialValues: opened.values,
    validate: (values) => {
      if (values.name.trim() === "") return { name: "Give it a name." };
      if (values.name.trim().length > OWN_SKILL_LIMITS.name) {
        return { name: `A name has at most ${OWN_SKILL_LIMITS.name} letters.` };
      }
      const preview = previewOf(id, settled(values, skill?.id).entry);
      return preview.ok ? {} : faultsByField(preview.faults);
    },
  });
  const { isFound, drop, isPending, refusal, save: put } = useEntryForm(form, unsaved, opened, onDone);
  const { values } = form;
  const { entry, proposed } = useMemo(() => settled(values, skill?.id), [values, skill?.id]);
  const preview = useMemo(
    () => previewOf(id, entry.name === "" ? { ...entry, name: id } : entry),
    [id, entry],
  );
  const save = () => {
    const done =
      skill === null ? `${capital(entry.name)} is in the skill book.` : `${capital(entry.name)} is changed.`;
    put(entry, done);
  };
  return (
    <form
      className={classes.form}
      aria-label={skill === null ? "A new skill" : `The skill ${skill.entry.name}`}
      onSubmit={form.onSubmit(save)}
    >
      {isFound && <UnsavedNote onDrop={drop} />}
      <div className={classes.fields}>
        <TextInput label="Name" size="md" withAsterisk {...form.getInputProps("name")} />
      </div>
      <ScoreDesk
        skillId={skill?.id ?? null}
        original={skill?.entry.score ?? null}
        text={values.score}
        onChange={(text) => form.setFieldValue("score", text)}
      />
      {values.score.trim() === "" && (
        <Text className={classes.quiet}>
          Without a score it lies outside of the rope model, as floor moves do: say below what it needs.
        </Text>
      )}
      {form.errors.score !== undefined && (
        <Text role="alert" className={classes.fault}>
          {form.errors.score}
        </Text>
      )}
      <Text className={classes.quiet}>
        {jumpable(values.score) === null
          ? "Once the score can be jumped, what follows from it is proposed here."
          : "Proposed from the score. Change what you teach otherwise."}
      </Text>
      <div className={classes.fields}>
        <NativeSelect
          label="Sides"
          size="md"
          data={[
            { value: "two", label: "left and right, each by itself" },
            { value: "one", label: "none" },
          ]}
          value={entry.sides}
          onChange={({ currentTarget }) =>
            form.setFieldValue("sides", currentTarget.value === "two" ? "two" : "one")
          }
        />
        <NativeSelect
          label="Kind"
          description="It chooses the gate, and the drills where none are named."
          size="md"
          data={SKILL_CLASSES.map((one) => ({ value: one, label: CLASS_NAMES[one] }))}
          value={entry.class}
          onChange={({ currentTarget }) =>
            form.setFieldValue(
              "class",
              SKILL_CLASSES.find((one): one is SkillClass => one === currentTarget.value) ?? null,
            )
          }
        />
      </div>
      <NeedsField
        value={entry.needs}
        of={{ twoSided: entry.sides === "two" }}
        except={skill?.id ?? null}
        {...(values.needs === null ? { reasons: proposed.reasons } : {})}
        error={form.errors.needs}
        onChange={(needs) => form.setFieldValue("needs", needs)}
      />
      <Textarea
        label="Say"
        description="Two to five cues, a line each."
        size="md"
        autosize
        minRows={3}
        value={values.cues ?? proposed.cues}
        error={form.errors.cues}
        onChange={({ currentTarget }) => form.setFieldValue("cues", currentTarget.value)}
      />
      <TextInput
        label="Look at"
        description="What to look at when judging whether it counts."
        size="md"
        {...form.getInputProps("look")}
      />
      {values.score.trim() === "" && (
        <HandLadderField value={values.ladder} onChange={(ladder) => form.setFieldValue("ladder", ladder)} />
      )}
      <OurFields
        value={values}
        usual={{
          id,
          strand: proposed.strand,
          faults: proposed.faults,
          skillClass: entry.class,
          skill: catalogue().skills.get(id) ?? null,
        }}
        mayHide={skill !== null}
        errors={{ strand: form.errors.strand }}
        onChange={(change) => form.setValues(change)}
      />
      {preview.ok && preview.skill !== null && <Openers preview={preview} level={preview.skill.level} />}
      {skill !== null && (
        <Affected changes={preview.ok && form.isDirty() ? [{ subject: id, is: entry }] : []} />
      )}
      {refusal !== null && (
        <Alert color="red" title="Not saved" role="alert">
          {refusal}
        </Alert>
      )}
      <Group>
        <Button type="submit" size="md" loading={isPending}>
          {skill === null ? "Put it into the skill book" : "Save the skill"}
        </Button>
        <Button
          variant="default"
          size="md"
          onClick={() => {
            unsaved.keep(null);
            onLeave();
          }}
        >
          Cancel
        </Button>
      </Group>
    </form>
  );
}
