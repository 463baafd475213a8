import { FREESTYLE_LIMITS } from "@mirrup/core/combos";
import { Button, Checkbox, Group, MultiSelect, Skeleton, Text } from "@mantine/core";
import { Link, useSearchParams } from "react-router";
import { NumberField } from "../app/number-field.js";
import { ofCatalogue } from "../app/catalogue.js";
import { currentParams } from "../app/current-params.js";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { capital } from "../app/words.js";
import classes from "./freestyle.module.css";
import { FreestyleRound } from "./freestyle-round.js";
import { useFreestyle } from "./use-freestyle.js";

const skillOptions = ofCatalogue(({ skills }) =>
  [...skills.values()]
    .filter((skill) => skill.score !== null)
    .map((skill) => ({ value: skill.id, label: capital(skill.name) })),
);

/** Several combos in a round of up to three minutes, with rests between. */
export function FreestylePage() {
  const [params, setParams] = useSearchParams();
  const paths = usePaths();
  const { combos, shelf, student, plan, seconds, rest, out, goals } = useFreestyle();
  const set = (key: string, values: readonly string[]) =>
    setParams(
      () => {
        const after = currentParams();
        after.delete(key);
        values.forEach((value) => after.append(key, value));
        return after;
      },
      { replace: true },
    );
  const failure = failureOf(combos);
  if (failure !== null)
    return (
      <Fault title="The combos could not be read" onRetry={() => void combos.refetch()}>
        {failure.message}
      </Fault>
    );
  if (combos.isPending) return <Skeleton height={320} mt="md" />;
  return (
    <div className={classes.page}>
      <div className={classes.asked}>
        <Group align="end">
          <NumberField
            label="Length, seconds"
            w={160}
            min={10}
            max={FREESTYLE_LIMITS.seconds}
            value={seconds}
            onSay={(value) => set("seconds", [String(value)])}
          />
          <NumberField
            label="Rest between, seconds"
            w={180}
            min={0}
            max={FREESTYLE_LIMITS.rest}
            value={rest}
            onSay={(value) => set("rest", [String(value)])}
          />
        </Group>
        <MultiSelect
          label="Skills that have to come"
          description={student === undefined ? undefined : `At first the goals of ${student.name}.`}
          searchable
          clearable
          data={skillOptions()}
          value={goals}
          onChange={(value) => set("goal", value.length === 0 ? [""] : value)}
        />
        <fieldset className={classes.combos}>
          <legend>Of these combos</legend>
          {shelf.length === 0 && (
            <Text>No combo is saved yet. Save some from the bench, or have some suggested.</Text>
          )}
          {shelf.map((combo) => (
            <Checkbox
              key={combo.id}
              label={combo.name}
              checked={!out.includes(combo.id)}
              onChange={(event) =>
                set(
                  "out",
                  event.currentTarget.checked ? out.filter((id) => id !== combo.id) : [...out, combo.id],
                )
              }
            />
          ))}
        </fieldset>
      </div>
      <div>
        <FreestyleRound
          plan={plan}
          seconds={seconds}
          nameOf={(id) => shelf.find((combo) => combo.id === id)?.name ?? ""}
        />
        {plan.pieces.length > 0 && (
          <Button component={Link} to={`${paths.freestyleClock}?${params.toString()}`} size="md" mt="md">
            Run the round by the clock
          </Button>
        )}
      </div>
    </div>
  );
}
