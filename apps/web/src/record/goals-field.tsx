import type { Goal } from "@mirrup/core/teaching";
import { Button, NativeSelect, Select, Text } from "@mantine/core";
import { useState } from "react";
import { catalogue, programmes } from "../app/catalogue.js";
import { byAnyName, skillOptions } from "../app/skill-options.js";
import { goalWords } from "../app/words.js";
import classes from "./record-page.module.css";

type GoalSide = Goal["side"];
const SIDE_NAMES: readonly GoalSide[] = ["left", "right", "both"];

/** Skills, and the programmes that are worked at. */
function goalOptions() {
  const going = [...programmes()].filter(([, { isEnded }]) => isEnded !== true);
  if (going.length === 0) return skillOptions();
  return [
    { group: "Programmes", items: going.map(([value, { name }]) => ({ value, label: name })) },
    { group: "Skills", items: skillOptions() },
  ];
}

interface GoalsFieldProps {
  readonly goals: readonly Goal[];
  readonly leadingSide: "left" | "right";
  readonly error: unknown;
  readonly onChange: (goals: readonly Goal[]) => void;
}

/** The skills a student wants, each on a side, and programmes; the stronger side is offered first. */
export function GoalsField({ goals, leadingSide, error, onChange }: GoalsFieldProps) {
  const [subject, setSubject] = useState<string | null>(null);
  const [side, setSide] = useState<GoalSide>(leadingSide);
  const isTwoSided = subject !== null && catalogue().skills.get(subject)?.twoSided === true;
  const add = () => {
    if (subject === null) return;
    const goal: Goal = { subject, side: isTwoSided ? side : "whole" };
    if (!goals.some((one) => one.subject === goal.subject && one.side === goal.side))
      onChange([...goals, goal]);
    setSubject(null);
  };
  return (
    <div>
      <ul className={classes.goals}>
        {goals.map((goal) => (
          <li key={`${goal.subject} ${goal.side}`}>
            {goalWords(goal)}
            <Button
              variant="subtle"
              onClick={() => onChange(goals.filter((one) => one !== goal))}
              aria-label={`Remove the goal ${goalWords(goal)}`}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <div className={classes.pair}>
        <Select
          label="Another goal"
          placeholder="Any of its names"
          size="md"
          searchable
          filter={byAnyName}
          limit={40}
          data={goalOptions()}
          value={subject}
          onChange={setSubject}
          nothingFoundMessage="No skill or programme has this name."
        />
        {isTwoSided && (
          <NativeSelect
            label="On"
            size="md"
            value={side}
            data={SIDE_NAMES.map((value) => ({
              value,
              label: value === "both" ? "both sides" : `${value} side`,
            }))}
            onChange={(event) =>
              setSide(SIDE_NAMES.find((one) => one === event.currentTarget.value) ?? "both")
            }
          />
        )}
        <Button variant="default" size="md" disabled={subject === null} onClick={add}>
          Add the goal
        </Button>
      </div>
      {typeof error === "string" && (
        <Text c="red.9" size="sm" mt={4} role="alert">
          {error}
        </Text>
      )}
    </div>
  );
}
