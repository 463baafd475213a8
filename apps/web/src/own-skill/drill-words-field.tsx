import { coachingOf, DRILLS } from "@mirrup/catalogue";
import { OWN_SKILL_LIMITS } from "@mirrup/contract";
import { DRILL_KINDS, parseDrill, type DrillKind, type DrillWords, type Skill } from "@mirrup/core";
import { NativeSelect, TextInput } from "@mantine/core";
import { useState } from "react";
import { capital } from "../app/words.js";
import classes from "./own-skill.module.css";

interface DrillWordsFieldProps {
  readonly value: readonly DrillWords[];
  /** Whose drills they are; null for a skill that is not there yet. */
  readonly skill: Skill | null;
  /** The kinds of its ladder; all of them where that is not known. */
  readonly kinds: readonly DrillKind[];
  readonly onChange: (value: readonly DrillWords[]) => void;
}

/** The words with one of a kind changed; without it, where nothing is said of it any more. */
export function withWords(
  value: readonly DrillWords[],
  { kind, say = "", look = "" }: DrillWords,
): readonly DrillWords[] {
  const own: DrillWords = { kind, ...(say === "" ? {} : { say }), ...(look === "" ? {} : { look }) };
  const isEmpty = say === "" && look === "";
  const others = value.filter((one) => one.kind !== kind);
  const all = isEmpty ? others : [...others, own];
  return DRILL_KINDS.flatMap((one) => all.find((words) => words.kind === one) ?? []);
}

/** What is usually said of a drill of the skill. */
function usualOf(skill: Skill | null, kind: DrillKind): { readonly say: string; readonly look: string } {
  const drill = parseDrill({ kind });
  if (skill === null || drill === null) return { say: "", look: "" };
  return coachingOf({ ...skill, drills: [] }, drill);
}

/** What the studio says of one drill in its own words, one drill at a time. */
export function DrillWordsField({ value, skill, kinds, onChange }: DrillWordsFieldProps) {
  const [chosen, setChosen] = useState<DrillKind | "">("");
  const own = value.find(({ kind }) => kind === chosen);
  const usual = chosen === "" ? null : usualOf(skill, chosen);
  const nameOf = (kind: DrillKind) =>
    `${capital(DRILLS[kind].name)}${value.some((one) => one.kind === kind) ? " (in our words)" : ""}`;
  const change = (words: Partial<DrillWords>) =>
    chosen !== "" && onChange(withWords(value, { ...own, kind: chosen, ...words }));
  return (
    <div className={classes.fields}>
      <NativeSelect
        label="Words for one drill"
        description="What is said of it on the floor, on cards and at home."
        size="md"
        data={[
          { value: "", label: "as usual" },
          ...kinds.map((kind) => ({ value: kind, label: nameOf(kind) })),
        ]}
        value={chosen}
        onChange={({ currentTarget }) =>
          setChosen(DRILL_KINDS.find((kind) => kind === currentTarget.value) ?? "")
        }
      />
      {chosen !== "" && usual !== null && (
        <>
          <TextInput
            label="Say in this drill"
            description={usual.say === "" ? "A short cue." : `Usually: ${usual.say}`}
            size="md"
            maxLength={OWN_SKILL_LIMITS.cue}
            value={own?.say ?? ""}
            onChange={({ currentTarget }) => change({ say: currentTarget.value })}
          />
          <TextInput
            label="Look at in this drill"
            description={usual.look === "" ? "What tells whether it counts." : `Usually: ${usual.look}`}
            size="md"
            maxLength={OWN_SKILL_LIMITS.look}
            value={own?.look ?? ""}
            onChange={({ currentTarget }) => change({ look: currentTarget.value })}
          />
        </>
      )}
    </div>
  );
}
