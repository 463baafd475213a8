import { Skeleton } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useParams } from "react-router";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { BeadKey, bySkill } from "../beads/index.js";
import { nextQuery, pathQuery, standingsQuery, studentQuery } from "../students/index.js";
import { NO_FILTER, type MapFilter } from "./filter.js";
import { Filters } from "./filters.js";
import { MapPanel } from "./map-panel.js";
import { skillsOnPath } from "./path-panel.js";
import { StrandMap } from "./strand-map.js";
import classes from "./strands-page.module.css";
import { usePicked } from "./use-picked.js";

const HELP =
  "Press a bead to see its record, why it is locked, and what it opens. Drag the map, or roll the wheel; with Ctrl it comes closer.";

/** What can this student do, what is next, what does the goal need? */
export function StrandsPage() {
  const { studentId = "" } = useParams();
  const student = useQuery(studentQuery(studentId));
  const standings = useQuery(standingsQuery(studentId));
  const next = useQuery(nextQuery(studentId));
  const picked = usePicked();
  const { held, goal, pick } = picked;
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
            next={next.data ?? []}
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
      <MapPanel studentId={studentId} skills={skills} picked={picked} help={HELP} />
    </div>
  );
}
