import { CATALOGUE } from "@mirrup/catalogue";
import type { Goal } from "@mirrup/core/teaching";
import { Button, Skeleton, Text, Title } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { goalWords } from "../app/words.js";
import { BeadKey, bySkill } from "../beads/index.js";
import { nextQuery, pathQuery, standingsQuery, studentQuery } from "../students/index.js";
import { NO_FILTER, type MapFilter } from "./filter.js";
import { Filters } from "./filters.js";
import { NextCard } from "./next-card.js";
import { PathPanel, skillsOnPath } from "./path-panel.js";
import { SkillPanel } from "./skill-panel.js";
import { StrandMap } from "./strand-map.js";
import classes from "./strands-page.module.css";

const PROPOSALS = 4;
const GOAL_SIDES: readonly Goal["side"][] = ["left", "right", "both", "whole"];

/** The goal whose path is drawn, as the address names it: `cross:left`. */
function goalOf(text: string | null): Goal | null {
  const [subject = "", side = ""] = (text ?? "").split(":");
  const known = GOAL_SIDES.find((one) => one === side);
  return known !== undefined && CATALOGUE.skills.has(subject) ? { subject, side: known } : null;
}

/** What is in hand and whose path is drawn: both in the address, one at a time in the panel. */
function usePicked() {
  const [params, setParams] = useSearchParams();
  const asked = params.get("skill");
  const held = asked !== null && CATALOGUE.skills.has(asked) ? asked : null;
  const goal = goalOf(params.get("goal"));
  const pick = (skill: string | null, way: Goal | null) => {
    const picked = new URLSearchParams();
    if (skill !== null) picked.set("skill", skill);
    if (way !== null) picked.set("goal", `${way.subject}:${way.side}`);
    setParams(picked, { replace: true });
  };
  return { held, goal, pick };
}

function Goals({
  goals,
  onPath,
}: {
  readonly goals: readonly Goal[];
  readonly onPath: (goal: Goal) => void;
}) {
  const { studentId = "" } = useParams();
  const paths = usePaths();
  return (
    <section>
      <Title order={2}>Goals</Title>
      {goals.map((goal) => (
        <Button
          key={`${goal.subject} ${goal.side}`}
          variant="default"
          fullWidth
          justify="flex-start"
          mt="xs"
          size="md"
          onClick={() => onPath(goal)}
        >
          The way to {goalWords(goal)}
        </Button>
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

/** What can this student do, what is next, what does the goal need? */
export function StrandsPage() {
  const { studentId = "" } = useParams();
  const student = useQuery(studentQuery(studentId));
  const standings = useQuery(standingsQuery(studentId));
  const next = useQuery(nextQuery(studentId));
  const { held, goal, pick } = usePicked();
  const path = useQuery({ ...pathQuery(studentId, goal === null ? [] : [goal]), enabled: goal !== null });
  const [filter, setFilter] = useState<MapFilter>(NO_FILTER);
  useHotkeys([["Escape", () => pick(null, held === null ? null : goal)]]);
  const skills = useMemo(() => bySkill(standings.data ?? []), [standings.data]);

  const failed = [standings, next].find((query) => failureOf(query) !== null);
  if (failed?.error) {
    const retry = () => void Promise.all([standings.refetch(), next.refetch()]);
    return (
      <Fault title="This student's strands could not be read" onRetry={retry}>
        {failed.error.message}
      </Fault>
    );
  }
  const proposals = next.data ?? [];
  return (
    <div className={classes.page}>
      <div className={classes.main}>
        {standings.data === undefined ? (
          <div role="status" aria-label="Reading the strands" className={classes.waiting}>
            <Skeleton height="100%" />
          </div>
        ) : (
          <StrandMap
            standings={skills}
            next={proposals}
            held={held}
            path={goal === null ? [] : skillsOnPath(path.data)}
            filter={filter}
            leadingSide={student.data?.leadingSide ?? "right"}
            onHold={(subject) => pick(subject, goal)}
          >
            <Filters filter={filter} onChange={setFilter} />
          </StrandMap>
        )}
        <BeadKey />
      </div>
      <aside className={classes.panel} aria-label={held === null ? "What comes next" : "The bead in hand"}>
        {held !== null && (
          <SkillPanel
            key={held}
            studentId={studentId}
            subject={held}
            standing={skills.get(held)}
            next={proposals}
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
            <section>
              <Title order={2}>Next</Title>
              {next.data === undefined && <Skeleton height={90} mt="sm" />}
              {next.data?.length === 0 && <Text>Everything on these strands is cleared.</Text>}
              {proposals.slice(0, PROPOSALS).map((one, index) => (
                <NextCard
                  key={`${one.subject} ${one.side}`}
                  studentId={studentId}
                  next={one}
                  named
                  first={index === 0}
                />
              ))}
            </section>
            <Goals goals={student.data?.goals ?? []} onPath={(way) => pick(null, way)} />
            <Text size="sm" className={classes.sub}>
              Press a bead to see its record, why it is locked, and what it opens. Drag the map, or roll the
              wheel; with Ctrl it comes closer.
            </Text>
          </>
        )}
      </aside>
    </div>
  );
}
