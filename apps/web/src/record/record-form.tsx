import { CAUTIONS, SCHOOLS } from "@mirrup/catalogue";
import { HOME_STEPS, type StudentChange, type StudentDetail } from "@mirrup/contract";
import { studentChange } from "@mirrup/contract/schemas";
import { ROPE_USES, SCHOOL_IDS, type CautionCode } from "@mirrup/core";
import {
  Alert,
  Button,
  Checkbox,
  Fieldset,
  Group,
  MultiSelect,
  NativeSelect,
  NumberInput,
  Text,
  Textarea,
  TextInput,
} from "@mantine/core";
import { useForm } from "@mantine/form";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { isProblem, patch } from "../app/api.js";
import { fits } from "../app/joi-form.js";
import { readAnew } from "../app/read-anew.js";
import { UnsavedNote, useUnsaved, useUnsavedForm } from "../device/index.js";
import { capital, SCHOOL_NAMES, skillName } from "../app/words.js";
import { groupsQuery, useSettings } from "../students/index.js";
import { GoalsField } from "./goals-field.js";
import { changeOf, formErrors, valuesOf, type RecordValues } from "./record-values.js";
import { ROPE_USE_WORDS } from "./rope-fit.js";
import { SchoolPreview } from "./school-preview.js";
import { SettingsField } from "./settings-field.js";
import classes from "./record-page.module.css";

/** Cautions that an instructor talks through with a student or whoever brings one. */
const TALKED_THROUGH: readonly CautionCode[] = ["condition", "shoes", "growth", "pain", "face", "neck"];
const HANDS = [
  { value: "", label: "not known" },
  { value: "left", label: "left" },
  { value: "right", label: "right" },
];

function isDetail(value: unknown): value is StudentDetail {
  return typeof value === "object" && value !== null && "version" in value && "gates" in value;
}

/** Everything that is written down about a student; a name is enough, the rest can wait. */
export function RecordForm({ detail }: { readonly detail: StudentDetail }) {
  const { unit } = useSettings();
  // Keyed by unit alone: what is typed outlives a change that somebody else makes.
  return <Fields key={unit} detail={detail} />;
}

function Fields({ detail }: { readonly detail: StudentDetail }) {
  const client = useQueryClient();
  const { unit } = useSettings();
  const groups = useQuery(groupsQuery);
  const unsaved = useUnsaved(`record ${detail.id} ${unit}`, {
    values: valuesOf(detail, unit),
    about: detail,
  });
  // What was typed before is a change of what was read before: who saved since is told of as ever.
  const [base, setBase] = useState(unsaved.found?.about ?? detail);
  const [newer, setNewer] = useState<StudentDetail | null>(null);
  const form = useForm<RecordValues>({
    initialValues: valuesOf(base, unit),
    validate: (values) => formErrors(fits(studentChange)(changeOf(base, values, unit))),
  });
  const { isFound, drop } = useUnsavedForm(form, unsaved, base);
  const begin = (from: StudentDetail) => {
    setBase(from);
    setNewer(null);
    form.setInitialValues(valuesOf(from, unit));
    form.setValues(valuesOf(from, unit));
  };
  const save = useMutation({
    mutationFn: (change: StudentChange) => patch<StudentDetail>(`/students/${detail.id}`, change),
    onSuccess: async (saved) => {
      begin(saved);
      await readAnew(client, { topics: ["students", "groups"], studentIds: [detail.id] });
    },
    onError: (error) => {
      if (!isProblem(error)) return;
      const { type, current, errors = [] } = error.problem;
      if (type === "stale-change" && isDetail(current)) setNewer(current);
      form.setErrors(formErrors(Object.fromEntries(errors.map(({ field, message }) => [field, message]))));
    },
  });
  const submit = (values: RecordValues) => save.mutate(changeOf(base, values, unit));
  const age = base.birthYear === null ? null : new Date().getFullYear() - base.birthYear;
  return (
    <form className={classes.form} onSubmit={form.onSubmit(submit)} noValidate>
      {isFound && newer === null && (
        <UnsavedNote
          onDrop={() => {
            drop();
            begin(detail);
          }}
        />
      )}
      <Fieldset legend="Who">
        <div className={classes.pair}>
          <TextInput label="Name" size="md" withAsterisk {...form.getInputProps("name")} />
          <NumberInput
            label="Birth year"
            description={age === null ? "Only asked for the cautions" : `${age - 1} or ${age} years old`}
            size="md"
            hideControls
            allowDecimal={false}
            {...form.getInputProps("birthYear")}
          />
          <NumberInput
            label="Years of jumping"
            description="Helps placement guess"
            size="md"
            hideControls
            {...form.getInputProps("yearsJumping")}
          />
        </div>
        <div className={classes.pair}>
          <NumberInput label={`Height, ${unit}`} size="md" hideControls {...form.getInputProps("height")} />
          <NativeSelect
            label="Dominant hand"
            size="md"
            data={HANDS}
            {...form.getInputProps("dominantHand")}
          />
          <NativeSelect
            label="Stronger side"
            size="md"
            data={[{ value: "", label: "the dominant hand’s" }, ...HANDS.slice(1)]}
            {...form.getInputProps("strongerSide")}
          />
        </div>
        <div className={classes.pair}>
          <MultiSelect
            label="Groups"
            size="md"
            data={(groups.data ?? [])
              .filter((group) => !group.archived)
              .map(({ id, name }) => ({ value: id, label: name }))}
            value={[...form.values.groups]}
            onChange={(chosen) => form.setFieldValue("groups", chosen)}
          />
        </div>
      </Fieldset>
      <Fieldset legend="Rope and step">
        <div className={classes.pair}>
          <TextInput
            label="Rope"
            placeholder="beaded, thin cord …"
            size="md"
            {...form.getInputProps("ropeKind")}
          />
          <NumberInput
            label={`Rope length, ${unit}`}
            description="Handle tip to handle tip"
            size="md"
            hideControls
            {...form.getInputProps("ropeLength")}
          />
          <NativeSelect
            label="Rope for"
            size="md"
            data={ROPE_USES.map((value) => ({ value, label: ROPE_USE_WORDS[value] }))}
            {...form.getInputProps("ropeUse")}
          />
          <NativeSelect
            label="Home step"
            size="md"
            data={[
              { value: "", label: "not chosen" },
              ...HOME_STEPS.map((value) => ({ value, label: skillName(value) })),
            ]}
            {...form.getInputProps("homeStep")}
          />
        </div>
      </Fieldset>
      <Fieldset legend="Goals">
        <GoalsField
          goals={form.values.goals}
          leadingSide={base.strongerSide ?? base.dominantHand ?? "right"}
          error={form.errors.goals}
          onChange={(goals) => form.setFieldValue("goals", goals)}
        />
      </Fieldset>
      <Fieldset legend="Teaching">
        <NativeSelect
          label="School"
          description={
            form.values.school === ""
              ? "The studio’s, unless this student needs another"
              : SCHOOLS[SCHOOL_IDS.find((id) => id === form.values.school) ?? "quick-frontier"].reason
          }
          size="md"
          data={[
            { value: "", label: "the studio’s" },
            ...SCHOOL_IDS.map((value) => ({ value, label: SCHOOL_NAMES[value] })),
          ]}
          {...form.getInputProps("school")}
        />
        {form.values.school !== (base.school ?? "") && (
          <SchoolPreview
            studentId={detail.id}
            school={SCHOOL_IDS.find((id) => id === form.values.school) ?? null}
            keeps={form.values.keepCleared}
            onKeep={(keeps) => form.setFieldValue("keepCleared", keeps)}
          />
        )}
        <SettingsField
          chosen={form.values.settings}
          onChange={(settings) => form.setFieldValue("settings", settings)}
        />
        <Textarea mt="sm" label="Notes" size="md" autosize minRows={2} {...form.getInputProps("notes")} />
      </Fieldset>
      <Fieldset legend="Cautions talked through">
        <Text size="sm" mb="xs">
          Tick what was talked about. Of a condition nothing is kept but that a professional’s clearance was
          seen.
        </Text>
        {TALKED_THROUGH.map((code) => (
          <Checkbox
            key={code}
            size="md"
            mb="xs"
            label={capital(code)}
            description={CAUTIONS[code]}
            checked={form.values.cautions.includes(code)}
            onChange={(event) => {
              const others = form.values.cautions.filter((one) => one !== code);
              form.setFieldValue("cautions", event.currentTarget.checked ? [...others, code] : others);
            }}
          />
        ))}
      </Fieldset>
      {newer !== null && (
        <Alert color="yellow" role="alert" title="Somebody else changed this record in the meantime">
          <Text>What you typed is still here and not stored yet.</Text>
          <Group mt="xs">
            <Button
              onClick={() => save.mutate({ ...changeOf(base, form.values, unit), version: newer.version })}
            >
              Save my changes too
            </Button>
            <Button variant="default" onClick={() => begin(newer)}>
              Take theirs
            </Button>
          </Group>
        </Alert>
      )}
      {save.isError && newer === null && (
        <Alert color="red" role="alert" title="Not stored">
          {save.error.message}
        </Alert>
      )}
      <div className={classes.save}>
        <Button type="submit" size="md" disabled={!form.isDirty()} loading={save.isPending}>
          Save
        </Button>
        <Button variant="default" size="md" disabled={!form.isDirty()} onClick={form.reset}>
          Undo my changes
        </Button>
        {save.isSuccess && !form.isDirty() && <Text role="status">Saved.</Text>}
      </div>
    </form>
  );
}
