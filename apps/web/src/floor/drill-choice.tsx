import { DRILL_ROWS, doseOf, MISS_RULES, type Drill, type Gate, type SideName } from "@mirrup/core";
import { ActionIcon, NativeSelect } from "@mantine/core";
import { IconMinus, IconPlus } from "@tabler/icons-react";
import { useMemo } from "react";
import { drillOfWords, drillWords, patternWords } from "../app/drill-words.js";
import { capital, MISS_RULE_NAMES } from "../app/words.js";
import { addressOf, withAim } from "../app/drill-address.js";
import classes from "./drill-choice.module.css";
import { drillOptions } from "./drill-options.js";

const MOST = 500;

/** What the number of a drill counts, for whoever cannot see it beside its buttons. */
function aimName({ kind }: Drill): string {
  switch (DRILL_ROWS[kind].measure) {
    case "rungs":
      return "Top rung";
    case "in-a-row":
      return "How many in a row";
    case "clock":
      return kind === "hold" ? "Seconds" : "How many in the time";
    case "rounds":
      return "Rounds";
    case "in-time":
      return "How many in time";
    case "tries":
      return "How many tries";
  }
}

interface DrillChoiceProps {
  readonly subject: string;
  readonly side: SideName;
  readonly gate: Gate;
  readonly drill: Drill;
  readonly onChange: (drill: Drill) => void;
}

/** Before the first tap: the drill as proposed, or any other of the skill's ladder. */
export function DrillChoice({ subject, side, gate, drill, onChange }: DrillChoiceProps) {
  const options = useMemo(() => drillOptions(subject, side, gate), [subject, side, gate]);
  const aim = doseOf(drill);
  const pattern = patternWords(drill);
  const address = addressOf(drill).toString();
  // The number can be changed by itself; whatever it is, the drill is the same one of the list.
  const same =
    options.find((one) => one.id === address) ??
    options.find((one) => addressOf(withAim(one.drill, aim)).toString() === address);
  const said = [same?.manner ?? "", pattern === null ? "" : `${pattern}.`]
    .filter((text) => text !== "")
    .join(" ");
  return (
    <div className={classes.choice}>
      <NativeSelect
        aria-label="Drill"
        size="md"
        value={same?.id ?? "as-is"}
        data={[
          ...(same === undefined ? [{ value: "as-is", label: capital(drillWords(drill)) }] : []),
          // With its number as it is now.
          ...options.map(({ id, name }) => ({
            value: id,
            label: id === same?.id && id !== address ? capital(drillOfWords(subject, side, drill)) : name,
          })),
        ]}
        onChange={(event) => {
          const chosen = options.find((one) => one.id === event.currentTarget.value);
          if (chosen !== undefined) onChange(chosen.drill);
          // The keys belong to the counting from here on.
          event.currentTarget.blur();
        }}
        classNames={{ root: classes.kinds, input: classes.ruleInput }}
      />
      <div className={classes.aim} role="group" aria-label={aimName(drill)}>
        <ActionIcon
          size={48}
          className={classes.step}
          aria-label="One less"
          disabled={aim <= 1}
          onClick={() => onChange(withAim(drill, aim - 1))}
        >
          <IconMinus aria-hidden />
        </ActionIcon>
        <output>{aim}</output>
        <ActionIcon
          size={48}
          className={classes.step}
          aria-label="One more"
          disabled={aim >= MOST}
          onClick={() => onChange(withAim(drill, aim + 1))}
        >
          <IconPlus aria-hidden />
        </ActionIcon>
      </div>
      {"onMiss" in drill && (
        <NativeSelect
          label="After a miss"
          size="md"
          value={drill.onMiss}
          data={MISS_RULES.map((rule) => ({ value: rule, label: MISS_RULE_NAMES[rule] }))}
          onChange={(event) => {
            const onMiss = MISS_RULES.find((one) => one === event.currentTarget.value) ?? "repeat";
            onChange({ ...drill, onMiss });
          }}
          classNames={{ root: classes.rule, input: classes.ruleInput }}
        />
      )}
      {said !== "" && <p className={classes.manner}>{said}</p>}
    </div>
  );
}
