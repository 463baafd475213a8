import type { PathChoiceItem, PathStepItem, PathView } from "@mirrup/contract";
import type { SubjectSide } from "@mirrup/core";
import type { Goal } from "@mirrup/core/teaching";
import { CloseButton, Group, Skeleton, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { counted } from "../app/plural.js";
import { usePaths } from "../app/paths.js";
import {
  capital,
  gateWords,
  goalWords,
  listWords,
  skillName,
  STATUS_NAMES,
  subjectName,
  triesWords,
} from "../app/words.js";
import { pathQuery } from "../students/index.js";
import classes from "./path-panel.module.css";

/** The skills of a path in order, each once, whatever its sides. */
export function skillsOnPath(path: PathView | undefined): readonly string[] {
  return [...new Set((path?.steps ?? []).map((step) => step.subject))];
}

function wayWords(way: readonly SubjectSide[]): string {
  return listWords(way.map(({ subject, side }) => subjectName(subject, side)));
}

/** Ways that differ only in the side of the same skill are no choice worth telling. */
function isWorthTelling({ taken, passed }: PathChoiceItem): boolean {
  return passed.some((way) => way.some((one) => !taken.some((other) => other.subject === one.subject)));
}

function Step({
  studentId,
  step,
  number,
}: {
  readonly studentId: string;
  readonly step: PathStepItem;
  readonly number: number;
}) {
  const paths = usePaths();
  const isBaseTest = step.subject === "base-test";
  const address = isBaseTest ? paths.baseTest(studentId) : paths.floor(studentId, step.subject, step.side);
  const name = isBaseTest ? "Base test" : capital(subjectName(step.subject, step.side));
  return (
    <li className={classes.step}>
      <span className={classes.number}>{number}</span>
      <span>
        {step.status !== "locked" ? (
          <Link to={address} className={classes.name}>
            {name}
          </Link>
        ) : (
          <strong>{name}</strong>
        )}
        <span className={classes.quiet}>
          {STATUS_NAMES[step.status]}, {gateWords(step.gate)}: {triesWords(step.tries)}
        </span>
      </span>
    </li>
  );
}

interface PathPanelProps {
  readonly studentId: string;
  readonly goal: Goal;
  readonly onClose: () => void;
}

/** The cheapest way to a goal: what stands before it, in order, and what it may take. */
export function PathPanel({ studentId, goal, onClose }: PathPanelProps) {
  const path = useQuery(pathQuery(studentId, [goal]));
  const skills = skillsOnPath(path.data);
  return (
    <section>
      <Group justify="space-between" wrap="nowrap" align="flex-start">
        <div>
          <Text size="sm" className={classes.quiet}>
            The way to
          </Text>
          <Title order={2}>{capital(goalWords(goal))}</Title>
        </div>
        <CloseButton size="xl" aria-label="Close the path" onClick={onClose} />
      </Group>
      {path.isError && <Text role="alert">{path.error.message}</Text>}
      {path.isPending && <Skeleton height={200} mt="sm" />}
      {path.data?.steps.length === 0 && <Text mt="sm">It is cleared already.</Text>}
      {path.data !== undefined && path.data.steps.length > 0 && (
        <>
          <Text mt="xs">
            {counted(skills.length, "skill")}, {triesWords(path.data.tries)} in all, by this student’s record.
          </Text>
          <ol className={classes.steps}>
            {path.data.steps.map((step) => (
              <Step
                key={`${step.subject} ${step.side}`}
                studentId={studentId}
                step={step}
                number={skills.indexOf(step.subject) + 1}
              />
            ))}
          </ol>
          {path.data.choices.filter(isWorthTelling).map(({ subject, side, taken, passed }) => (
            <Text key={`${subject} ${side} ${wayWords(taken)}`} size="sm" className={classes.choice}>
              {capital(skillName(subject))} takes either: {wayWords(taken)} is nearer than{" "}
              {passed.map(wayWords).join(" or ")}.
            </Text>
          ))}
        </>
      )}
    </section>
  );
}
