import type { ComboView, StudentView } from "@mirrup/contract";
import type { SideName } from "@mirrup/core";
import { sidesOfScore } from "@mirrup/core/combos";
import { Button, SegmentedControl, Skeleton, Text, Title } from "@mantine/core";
import { IconCheck } from "@tabler/icons-react";
import { Link, useSearchParams } from "react-router";
import { counted } from "../app/plural.js";
import { currentParams } from "../app/current-params.js";
import { usePaths } from "../app/paths.js";
import { drillWords, oddsWords } from "../app/drill-words.js";
import { capital, dateWords, STATUS_NAMES } from "../app/words.js";
import { ComboBead } from "./combo-card.js";
import classes from "./combo.module.css";
import { useLearning } from "./use-learning.js";
import { comboSideName, stepName, type ComboNames } from "./words.js";

interface LearnProps {
  readonly combo: ComboView;
  readonly student: Pick<StudentView, "id" | "name" | "dominantHand"> | undefined;
  /** Whether it is not known yet who the student is. */
  readonly isReading: boolean;
  readonly tempo: number;
  readonly names: ComboNames;
}

/** The side of a combo that an address asks for; as written where it asks for none. */
export function askedSide(params: URLSearchParams, sides: readonly SideName[]): SideName {
  return (
    sides.find((side) => side === params.get("side")) ?? sides.find((side) => side !== "left") ?? "whole"
  );
}

/** How a combo is learned: its ladder, and how far the student has come on it. */
export function Learn({ combo, student, isReading, tempo, names }: LearnProps) {
  const paths = usePaths();
  const [params, setParams] = useSearchParams();
  const sides = sidesOfScore(combo.parts);
  const side = askedSide(params, sides);
  const { learning, linkNames, chances, standings, sets } = useLearning({
    combo,
    side,
    tempo,
    names,
    student,
  });
  const own = (standings.data ?? []).filter((one) => one.comboId === combo.id);
  const standing = own.find((one) => one.side === side);
  return (
    <section className={classes.section} aria-label="Learn it">
      <div className={classes.sectionHead}>
        <Title order={2}>Learn it</Title>
        {sides.length > 1 && (
          <SegmentedControl
            aria-label="Which side"
            value={side}
            data={[
              { value: "right", label: "as written" },
              { value: "left", label: "mirrored" },
            ]}
            onChange={(value) =>
              setParams(
                () => {
                  const after = currentParams();
                  after.set("side", value);
                  return after;
                },
                { replace: true },
              )
            }
          />
        )}
      </div>
      {isReading || (student !== undefined && (standings.isPending || sets.isPending)) ? (
        <Skeleton height={48} />
      ) : student === undefined ? (
        <Text>Choose a student above to put the ladder on the floor and to see how far it has come.</Text>
      ) : (
        standing !== undefined && (
          <div className={classes.standing}>
            <ComboBead standings={own} size={44} />
            <p>
              <strong>
                {student.name}: {STATUS_NAMES[standing.status]}
                {comboSideName(side) === "" ? "" : ` ${comboSideName(side)}`}.
              </strong>{" "}
              {standing.status === "locked"
                ? "More than one of its skills is not cleared yet."
                : `Gate: 4 clean of 5; best so far ${standing.gateBest}. A clean try comes ${oddsWords(standing.cleanChance)}.`}
              {standing.reviewDue !== null && ` Review due ${dateWords(standing.reviewDue)}.`}
            </p>
          </div>
        )
      )}
      {learning.failing !== null && (
        <p className={classes.failing}>
          The link {linkNames.get(learning.failing.place)} keeps missing: it comes first again, alone and
          spaced, and the combo is built up anew from there.
        </p>
      )}
      <ol className={classes.steps}>
        {learning.steps.map((step) => {
          const isNext = step.id === learning.next;
          return (
            <li key={step.id} data-next={isNext} data-passed={step.isPassed}>
              <span
                className={classes.stepMark}
                role="img"
                aria-label={step.isPassed ? "passed" : isNext ? "next" : "to come"}
              >
                {step.isPassed && <IconCheck size={22} aria-hidden />}
              </span>
              <div>
                <strong>{capital(stepName(step, linkNames))}</strong>
                <code>{step.score}</code>
                <span className={classes.quiet}>
                  {capital(drillWords(step.drill))}
                  {chances.has(step.id) && `; it comes off ${oddsWords(chances.get(step.id) ?? 0)}`}
                  {step.misses > 0 && `; missed ${counted(step.misses, "time")} in the whole`}
                </span>
              </div>
              {student !== undefined && standing?.status !== "locked" && (
                <Button
                  component={Link}
                  variant={isNext ? "filled" : "default"}
                  to={paths.comboFloor(student.id, combo.id, step.side, step.id)}
                >
                  Go to the floor
                </Button>
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
