import type { SideName } from "@mirrup/core";
import { useQuery } from "@tanstack/react-query";
import { ownDay } from "../app/own-day.js";
import { counted } from "../app/plural.js";
import { countsWords, evidenceWords, loggedDrillWords } from "../app/drill-words.js";
import { capital, dateWords } from "../app/words.js";
import classes from "./last-sets.module.css";
import { lastSetsQuery } from "./queries.js";

interface LastSetsProps {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
}

/** So many are read at a glance; the rest is in the export. */
const SHOWN = 10;

/** The last sets of a side as they were counted, newest first, each with what it counts for. */
export function LastSets({ studentId, subject, side }: LastSetsProps) {
  const sets = useQuery(lastSetsQuery(studentId, subject, side));
  const last = (sets.data ?? []).slice(0, SHOWN);
  if (last.length === 0) return null;
  return (
    <details className={classes.sets}>
      <summary>{last.length === 1 ? "The last set" : `The last ${counted(last.length, "set")}`}</summary>
      <ol className={classes.list}>
        {last.map((set) => (
          <li key={set.id}>
            <span>
              {dateWords(ownDay(set.at))}: {loggedDrillWords(set.drill)}
            </span>
            <span className={classes.quiet}>
              {capital(countsWords(set))}. {evidenceWords(set)}
            </span>
            {set.note !== "" && <span>“{set.note}”</span>}
          </li>
        ))}
      </ol>
    </details>
  );
}
