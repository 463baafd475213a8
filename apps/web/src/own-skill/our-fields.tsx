import { FAULTS } from "@mirrup/catalogue";
import { OWN_SKILL_LIMITS } from "@mirrup/contract";
import {
  DRILL_KINDS,
  FAULT_CODES,
  type DrillKind,
  type FaultCode,
  type Skill,
  type SkillClass,
} from "@mirrup/core";
import { Checkbox, MultiSelect, NativeSelect, Textarea, TextInput } from "@mantine/core";
import type { ReactNode } from "react";
import { catalogue } from "../app/catalogue.js";
import { syllabus } from "../app/syllabus.js";
import { capital, skillName } from "../app/words.js";
import { STRAND_OPTIONS } from "../strands/index.js";
import { DrillWordsField } from "./drill-words-field.js";
import { OwnGate } from "./own-gate.js";
import classes from "./own-skill.module.css";
import type { Ours } from "./ours.js";

const FAULT_OPTIONS = FAULT_CODES.map((value) => ({ value, label: capital(FAULTS[value].name) }));
const isFault = (text: string): text is FaultCode => FAULT_CODES.some((code) => code === text);

/** The kinds of drills on a skill's ladder, in their order; all of them for one that has none yet. */
function kindsOf(skill: Skill | null): readonly DrillKind[] {
  const sides = skill === null ? [] : syllabus().sidesOf(skill.id);
  const kinds = new Set(sides.flatMap(({ ladder }) => ladder.map(({ drill }) => drill.kind)));
  return kinds.size === 0 ? DRILL_KINDS : DRILL_KINDS.filter((kind) => kinds.has(kind));
}

interface OurFieldsProps {
  readonly value: Ours;
  /** What it is by itself, where the studio says nothing. */
  readonly usual: {
    readonly id: string;
    readonly strand: string;
    readonly faults: readonly FaultCode[];
    readonly skillClass: SkillClass;
    /** As it is taught now; null where it is not yet. */
    readonly skill: Skill | null;
  };
  readonly mayHide: boolean;
  readonly errors?: { readonly [Field in keyof Ours]?: ReactNode };
  readonly onChange: (change: Partial<Ours>) => void;
}

/** Names, place, faults, note and gates of a skill, as the studio has them. */
export function OurFields({ value, usual, mayHide, errors = {}, onChange }: OurFieldsProps) {
  const strand = value.strand ?? usual.strand;
  const others = (catalogue().strands.find(({ id }) => id === strand)?.skills ?? []).filter(
    (id) => id !== usual.id,
  );
  return (
    <>
      <TextInput
        label="Other names"
        description="With commas between; all of them are found."
        size="md"
        value={value.also}
        error={errors.also}
        onChange={({ currentTarget }) => onChange({ also: currentTarget.value })}
      />
      <div className={classes.fields}>
        <NativeSelect
          label="Strand"
          description="Where it stands on the map."
          size="md"
          data={STRAND_OPTIONS.filter((option) => option.value !== "")}
          value={strand}
          error={errors.strand}
          onChange={({ currentTarget }) =>
            onChange({
              strand: currentTarget.value === usual.strand ? null : currentTarget.value,
              after: "",
            })
          }
        />
        <NativeSelect
          label="After"
          description="What it needs of the strand always comes before it."
          size="md"
          data={[
            { value: "", label: value.strand === null ? "as it stands" : "all others" },
            { value: strand, label: "the strand’s beginning" },
            ...others.map((id) => ({ value: id, label: skillName(id) })),
          ]}
          value={[strand, ...others].includes(value.after) ? value.after : ""}
          onChange={({ currentTarget }) => onChange({ after: currentTarget.value })}
        />
      </div>
      <MultiSelect
        label="What goes wrong in it"
        description="The usual fault first: it is offered first where a try misses."
        size="md"
        searchable
        data={FAULT_OPTIONS}
        value={[...(value.faults ?? usual.faults)]}
        onChange={(codes) => onChange({ faults: codes.filter(isFault) })}
        nothingFoundMessage="No fault of that name."
      />
      <Textarea
        label="A note of ours"
        description="What your coaches tell each other of it; it stands in the skill book and on the floor."
        size="md"
        autosize
        minRows={2}
        maxLength={OWN_SKILL_LIMITS.note}
        value={value.note}
        onChange={({ currentTarget }) => onChange({ note: currentTarget.value })}
      />
      <DrillWordsField
        value={value.drills}
        skill={usual.skill}
        kinds={kindsOf(usual.skill)}
        onChange={(drills) => onChange({ drills })}
      />
      <OwnGate value={value.own} of={usual.skillClass} onChange={(own) => onChange({ own })} />
      {mayHide && (
        <Checkbox
          label="Hidden: taught to nobody for now"
          checked={value.isHidden}
          onChange={({ currentTarget }) => onChange({ isHidden: currentTarget.checked })}
        />
      )}
    </>
  );
}
