import type { RungItem } from "@mirrup/contract";
import type { SideName } from "@mirrup/core";
import { Skeleton } from "@mantine/core";
import { IconCheck, IconPlayerPlayFilled } from "@tabler/icons-react";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { ladderWords, oddsWords } from "../app/drill-words.js";
import { usePaths } from "../app/paths.js";
import { capital } from "../app/words.js";
import { floorAddress } from "../app/drill-address.js";
import { ladderQuery } from "../students/index.js";
import classes from "./ladder.module.css";

interface LadderProps {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
}

function stateWords({ state, isNext }: RungItem): string {
  if (isNext) return "here";
  return state === "passed" ? "passed" : state === "tried" ? "tried, not passed" : "ahead";
}

/** A side's drills as rungs: passed, here, ahead, each with its own odds. Any of them can be started. */
export function Ladder({ studentId, subject, side }: LadderProps) {
  const paths = usePaths();
  const ladder = useQuery(ladderQuery(studentId, subject, side));
  const rungs = ladder.data ?? [];
  if (ladder.isLoading)
    return <Skeleton role="status" className={classes.waiting} aria-label="Reading the ladder" />;
  if (rungs.length === 0) return null;
  const words = ladderWords(subject, side, rungs);
  const passed = rungs.filter((rung) => rung.state === "passed").length;
  return (
    <details className={classes.ladder}>
      <summary>
        Ladder: {passed} of {rungs.length} rungs passed
      </summary>
      <ol className={classes.rungs}>
        {rungs.map((rung, place) => {
          const { id, drill, chance, state, isNext } = rung;
          return (
            <li key={id} data-state={state} data-next={isNext}>
              <Link
                to={`${paths.floor(studentId, subject, side)}${floorAddress(drill)}`}
                className={classes.rung}
              >
                <span className={classes.mark} aria-hidden>
                  {state === "passed" ? (
                    <IconCheck size={16} />
                  ) : isNext ? (
                    <IconPlayerPlayFilled size={14} />
                  ) : null}
                </span>
                <span>
                  {capital(words[place]?.name ?? "")}
                  {words[place]?.pattern !== null && (
                    <span className={classes.quiet}>{words[place]?.pattern}</span>
                  )}
                  <span className={classes.quiet}>
                    {stateWords(rung)}
                    {state !== "passed" && `, ${oddsWords(chance)}`}
                  </span>
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
    </details>
  );
}
