import type { StandingItem } from "@mirrup/contract";
import { frontierOf, type FrontierBead, type StatusOfSides } from "@mirrup/core/teaching";
import { Skeleton } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useMemo } from "react";
import { useParams } from "react-router";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { syllabus } from "../app/syllabus.js";
import { goalWords, standingWords } from "../app/words.js";
import { BeadKey, beadState, bySkill, type SkillStanding } from "../beads/index.js";
import { MapPanel, skillsOnPath, usePicked } from "../strands/index.js";
import { nextQuery, pathQuery, standingsQuery, studentQuery } from "../students/index.js";
import { FrontierFilters, useAsked } from "./frontier-filters.js";
import { FrontierMap } from "./frontier-map.js";
import classes from "./frontier-page.module.css";
import { columnWords } from "./words.js";

const HELP =
  "Press a bead: all that it needs and all that it leads to is lit. Drag the map, or roll the wheel; with Ctrl it comes closer.";
const UNKNOWN = { status: "locked", isStuck: false } as const;

const headOf = (step: number) => columnWords(step, "one");
const noNote = () => "";

function statusesOf(skills: ReadonlyMap<string, SkillStanding>): StatusOfSides {
  return ({ subject, side }) => skills.get(subject)?.get(side) ?? UNKNOWN;
}

function aloudOf(standing: SkillStanding | undefined): string {
  return [...(standing?.values() ?? [])].map((item: StandingItem) => standingWords(item)).join("; ");
}

/** What opens what for one student: cleared, open, and what that opens; or the way to a goal, step by step. */
export function FrontierPage() {
  const { studentId = "" } = useParams();
  const student = useQuery(studentQuery(studentId));
  const standings = useQuery(standingsQuery(studentId));
  const next = useQuery(nextQuery(studentId));
  const picked = usePicked();
  const { held, goal, pick } = picked;
  const path = useQuery({ ...pathQuery(studentId, goal === null ? [] : [goal]), enabled: goal !== null });
  const asked = useAsked();
  useHotkeys([["Escape", () => pick(null, held === null ? null : goal)]]);
  const skills = useMemo(() => bySkill(standings.data ?? []), [standings.data]);
  const way = goal === null ? null : path.data;
  const frontier = useMemo(() => {
    const onWay = way == null ? null : new Set(skillsOnPath(way));
    const wanted = onWay === null ? asked : { ahead: null, isAsked: (subject: string) => onWay.has(subject) };
    return frontierOf(syllabus(), [statusesOf(skills)], wanted);
  }, [skills, asked, way]);
  const stateOf = useCallback((subject: string) => beadState(skills.get(subject)), [skills]);
  const aloud = ({ subject }: FrontierBead) => aloudOf(skills.get(subject));

  const failed = [standings, next].find((query) => failureOf(query) !== null);
  if (failed?.error) {
    const retry = () => void Promise.all([standings.refetch(), next.refetch()]);
    return (
      <Fault title="This student's frontier could not be read" onRetry={retry}>
        {failed.error.message}
      </Fault>
    );
  }
  const name = student.data?.name ?? "Student";
  return (
    <div className={classes.page}>
      <div className={classes.main}>
        {standings.data === undefined ? (
          <div role="status" aria-label="Reading the frontier" className={classes.waiting}>
            <Skeleton height="100%" />
          </div>
        ) : (
          <FrontierMap
            frontier={frontier}
            title={goal === null ? `${name}, frontier` : `${name}, the way to ${goalWords(goal)}`}
            headOf={headOf}
            stateOf={stateOf}
            noteOf={noNote}
            aloud={aloud}
            held={held}
            next={next.data?.[0]?.subject ?? null}
            onHold={(subject) => pick(subject, goal)}
          >
            <FrontierFilters isWay={goal !== null} />
          </FrontierMap>
        )}
        <BeadKey />
      </div>
      <MapPanel studentId={studentId} skills={skills} picked={picked} help={HELP} />
    </div>
  );
}
