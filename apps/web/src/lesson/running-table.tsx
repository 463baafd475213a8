import { coachWay, type Look, type RopeStock } from "@mirrup/core/planning";
import { Text, Title } from "@mantine/core";
import { useMemo } from "react";
import { listWords } from "../app/words.js";
import { useSettings } from "../students/index.js";
import { laidOut, type RopeOf } from "./laid-out.js";
import { clockWords, stepsOf, type ShownPlan } from "./shown.js";
import { TurnsFigure } from "./turns-figure.js";
import { laidOutWords, lookWords } from "./words.js";
import classes from "./running-table.module.css";

interface RunningTableProps {
  readonly plan: ShownPlan;
  readonly coaches: number;
  /** Null where everybody has a rope of their own. */
  readonly ropes: readonly RopeStock[] | null;
  readonly students: readonly RopeOf[];
  readonly startTime: string | null;
  readonly nameOf: (id: string) => string;
}

/** Turn by turn: where the coaches are and whom they look at, and which ropes lie where. */
export function RunningTable({ plan, coaches, ropes, students, startTime, nameOf }: RunningTableProps) {
  const way = useMemo(() => coachWay(plan, coaches), [plan, coaches]);
  const { turns, unseen } = way;
  const steps = stepsOf(plan).flatMap((step) => (step.kind === "turn" ? [step] : []));
  const { unit, value } = useSettings();
  return (
    <section className={classes.running}>
      <Title order={2}>Who goes where</Title>
      <TurnsFigure plan={plan} way={way} startTime={startTime} nameOf={nameOf} />
      {(coaches > 0 || ropes !== null) && (
        <Title order={2}>{ropes === null ? "The coach’s way" : "The coach’s way, and the ropes"}</Title>
      )}
      {coaches > 0 && unseen.length > 0 && (
        <Text>No coach comes by {listWords(unseen.map(nameOf))} in this lesson.</Text>
      )}
      {(coaches > 0 || ropes !== null) && (
        <ol className={classes.turns}>
          {steps.map(({ turn, from }) => (
            <li key={turn}>
              <h3>
                Turn {turn + 1}, {clockWords(startTime, from)}
              </h3>
              {coaches > 0 && <Looks looks={turns[turn] ?? []} coaches={coaches} nameOf={nameOf} />}
              {ropes !== null && (
                <ul className={classes.ropes} aria-label={`Ropes in turn ${turn + 1}`}>
                  {laidOut(plan, turn, ropes, students, { "fused-rope": value("fused-rope") }).map((one) => (
                    <li key={one.station}>
                      <b>{one.station + 1}</b> {laidOutWords(one, unit, nameOf)}
                    </li>
                  ))}
                </ul>
              )}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

interface LooksProps {
  readonly looks: readonly Look[];
  readonly coaches: number;
  readonly nameOf: (id: string) => string;
}

function Looks({ looks, coaches, nameOf }: LooksProps) {
  if (looks.length === 0) return <p className={classes.quiet}>No station asks for a coach.</p>;
  return (
    <ul className={classes.looks}>
      {looks.map((look) => (
        <li key={`${look.coach} ${look.station}`}>
          <b>{look.station + 1}</b>
          <span>
            {coaches > 1 && `Coach ${look.coach + 1}, `}
            {lookWords(look, nameOf)}
          </span>
        </li>
      ))}
    </ul>
  );
}
