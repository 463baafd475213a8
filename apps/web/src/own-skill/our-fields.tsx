import { FAULTS } from "@mirrup/catalogue";
import { OWN_SKILL_LIMITS } from "@mirrup/contract";
import { FAULT_CODES, type FaultCode, type SkillClass } from "@mirrup/core";
import { Checkbox, MultiSelect, NativeSelect, Textarea, TextInput } from "@mantine/core";
import type { ReactNode } from "react";
import { catalogue } from "../app/catalogue.js";
import { capital, skillName } from "../app/words.js";
import { STRAND_OPTIONS } from "../strands/index.js";
import { OwnGate } from "./own-gate.js";
import classes from "./own-skill.module.css";
import type { Ours } from "./ours.js";

const FAULT_OPTIONS = FAULT_CODES.map((value) => ({ value, label: capital(FAULTS[value].name) }));
const isFault = (text: string): text is FaultCode => FAULT_CODES.some((code) => code === text);

interface OurFieldsProps {
  readonly value: Ours;
  /** What it is by itself, where the studio says nothing. */
  readonly usual: {
    readonly id: string;
    readonly strand: string;
    readonly faults: readonly FaultCode[];
    readonly skillClass: SkillClass;
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
            ...others.map((id) => ({ value: id, label: skillName(id) })),
          ]}
          value={others.includes(value.after) ? value.after : ""}
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
