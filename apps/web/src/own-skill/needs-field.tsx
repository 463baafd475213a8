import { printNeeds, sidesOf, skillOf, type Need, type NeedSides, type Skill } from "@mirrup/core";
import type { ProposalReason } from "@mirrup/core/combos";
import { Button, CloseButton, Fieldset, NativeSelect, Select, Text } from "@mantine/core";
import { useState, type ReactNode } from "react";
import { NumberField } from "../app/number-field.js";
import { catalogue } from "../app/catalogue.js";
import { byAnyName, skillOptions } from "../app/skill-options.js";
import { capital, skillName } from "../app/words.js";
import { needsIn } from "./draft.js";
import classes from "./own-skill.module.css";

const REASONS: Readonly<Record<ProposalReason, string>> = {
  held: "it stands in the score",
  slower: "it stands in the score, jumped slower",
  alike: "the simplest that has something of it",
};
const SIDES: Readonly<Record<NeedSides, string>> = {
  same: "the same side",
  other: "the other side",
  both: "both sides",
};
const isSides = (text: string): text is NeedSides => Object.hasOwn(SIDES, text);

/** A need as one says it. */
export function needWords({ anyOf }: Need): string {
  return anyOf
    .map(({ skill, sides, atLeast }) => {
      const side = sides === "same" ? "" : `, ${SIDES[sides]}`;
      return `${skillName(skill)}${side}${atLeast === null ? "" : `, ${atLeast} in a row`}`;
    })
    .join(" or ");
}

interface NeedsFieldProps {
  /** As the handbook writes them. */
  readonly value: string;
  readonly of: Pick<Skill, "twoSided">;
  /** The skill itself, which needs no one but others. */
  readonly except: string | null;
  readonly reasons?: ReadonlyMap<string, ProposalReason>;
  readonly error?: ReactNode;
  readonly onChange: (value: string) => void;
}

/** What a skill needs: a line a need, each with its reason where it was proposed. */
export function NeedsField({ value, of, except, reasons, error, onChange }: NeedsFieldProps) {
  const [subject, setSubject] = useState<string | null>(null);
  const [sides, setSides] = useState<NeedSides>("same");
  const [count, setCount] = useState<number | null>(null);
  const { needs, helps } = needsIn(value);
  const put = (next: readonly Need[]) => onChange(printNeeds({ needs: next, helps }));
  const isTwoSided = subject !== null && sidesOf(skillOf(catalogue(), subject)).length > 1;
  const add = () => {
    if (subject === null) return;
    const asked = isTwoSided ? sides : "same";
    const term = { skill: subject, sides: asked, atLeast: count };
    put([...needs.filter(({ anyOf }) => anyOf.every(({ skill }) => skill !== subject)), { anyOf: [term] }]);
    setSubject(null);
    setCount(null);
  };
  return (
    <Fieldset legend="Needs">
      {needs.length === 0 && <Text className={classes.quiet}>Nothing: it can be begun at once.</Text>}
      <ul className={classes.needs}>
        {needs.map((need, place) => {
          const [only] = need.anyOf;
          const reason = need.anyOf.length === 1 && only !== undefined ? reasons?.get(only.skill) : undefined;
          return (
            <li key={needWords(need)}>
              <span>
                {capital(needWords(need))}
                {reason !== undefined && <span className={classes.quiet}> – {REASONS[reason]}</span>}
              </span>
              <CloseButton
                size="lg"
                aria-label={`Remove the need of ${needWords(need)}`}
                onClick={() => put(needs.filter((_, other) => other !== place))}
              />
            </li>
          );
        })}
      </ul>
      {error != null && (
        <Text role="alert" className={classes.fault}>
          {error}
        </Text>
      )}
      <div className={classes.adding}>
        <Select
          aria-label="Another need"
          placeholder="A skill that it needs"
          searchable
          filter={byAnyName}
          limit={30}
          nothingFoundMessage="No skill has this name."
          data={skillOptions().filter((option) => option.value !== except)}
          value={subject}
          onChange={setSubject}
        />
        {isTwoSided && (
          <NativeSelect
            aria-label="On which side"
            data={(of.twoSided ? (["same", "other", "both"] as const) : (["same", "both"] as const)).map(
              (one) => ({
                value: one,
                label: of.twoSided ? SIDES[one] : one === "same" ? "either side" : SIDES[one],
              }),
            )}
            value={sides}
            onChange={({ currentTarget }) => isSides(currentTarget.value) && setSides(currentTarget.value)}
          />
        )}
        <NumberField
          aria-label="So many in a row"
          placeholder="to its gate"
          suffix=" in a row"
          min={1}
          max={999}
          mayBeEmpty
          value={count}
          onSay={setCount}
        />
        <Button variant="default" disabled={subject === null} onClick={add}>
          Add the need
        </Button>
      </div>
    </Fieldset>
  );
}
