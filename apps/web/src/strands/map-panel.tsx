import type { NextItem } from "@mirrup/contract";
import type { Goal } from "@mirrup/core/teaching";
import { Button, Skeleton, Text, Title } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { Fragment } from "react";
import { Link } from "react-router";
import { usePaths } from "../app/paths.js";
import { goalWords } from "../app/words.js";
import type { SkillStanding } from "../beads/index.js";
import { ProgrammeGoal } from "../programmes/index.js";
import { nextQuery, studentQuery } from "../students/index.js";
import { NextCard } from "./next-card.js";
import { PathPanel } from "./path-panel.js";
import { SkillPanel } from "./skill-panel.js";
import classes from "./strands-page.module.css";
import type { Picked } from "./use-picked.js";

const PROPOSALS = 4;

interface GoalsProps {
  readonly studentId: string;
  readonly onPath: (goal: Goal) => void;
}

function Goals({ studentId, onPath }: GoalsProps) {
  const paths = usePaths();
  const { data: student } = useQuery(studentQuery(studentId));
  const goals = student?.goals ?? [];
  return (
    <section>
      <Title order={2}>Goals</Title>
      {goals.map((goal) => (
        <Fragment key={`${goal.subject} ${goal.side}`}>
          <Button
            variant="default"
            fullWidth
            justify="flex-start"
            mt="xs"
            size="md"
            className={classes.goal}
            onClick={() => onPath(goal)}
          >
            The way to {goalWords(goal)}
          </Button>
          <ProgrammeGoal studentId={studentId} subject={goal.subject} />
        </Fragment>
      ))}
      {goals.length === 0 && (
        <Text size="sm" className={classes.sub}>
          None yet. <Link to={paths.studentPage(studentId, "record")}>Set one in the record</Link>, or press
          any bead and ask for the way to it.
        </Text>
      )}
    </section>
  );
}

function Proposals({ studentId, next }: { readonly studentId: string; readonly next?: readonly NextItem[] }) {
  return (
    <section>
      <Title order={2}>Next</Title>
      {next === undefined && <Skeleton height={90} mt="sm" />}
      {next?.length === 0 && <Text>Everything on these strands is cleared.</Text>}
      {next?.slice(0, PROPOSALS).map((one, index) => (
        <NextCard
          key={`${one.subject} ${one.side}`}
          studentId={studentId}
          next={one}
          named
          first={index === 0}
        />
      ))}
    </section>
  );
}

interface MapPanelProps {
  readonly studentId: string;
  readonly skills: ReadonlyMap<string, SkillStanding>;
  readonly picked: Picked;
  /** How the map is moved. */
  readonly help: string;
}

/** What stands beside a student's map: the bead in hand, the way to a goal, or what comes next. */
export function MapPanel({ studentId, skills, picked: { held, goal, pick }, help }: MapPanelProps) {
  const { data: next } = useQuery(nextQuery(studentId));
  return (
    <aside className={classes.panel} aria-label={held === null ? "What comes next" : "The bead in hand"}>
      {held !== null && (
        <SkillPanel
          key={held}
          studentId={studentId}
          subject={held}
          standing={skills.get(held)}
          next={next ?? []}
          onClose={() => pick(null, goal)}
          onHold={(subject) => pick(subject, goal)}
          onPath={(way) => pick(null, way)}
        />
      )}
      {held === null && goal !== null && (
        <PathPanel studentId={studentId} goal={goal} onClose={() => pick(null, null)} />
      )}
      {held === null && goal === null && (
        <>
          <Proposals studentId={studentId} {...(next === undefined ? {} : { next })} />
          <Goals studentId={studentId} onPath={(way) => pick(null, way)} />
          <Text size="sm" className={classes.sub}>
            {help}
          </Text>
        </>
      )}
    </aside>
  );
}
