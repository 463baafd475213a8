import type { SetView } from "@mirrup/contract";
import { useQuery } from "@tanstack/react-query";
import { ownDay } from "../app/own-day.js";
import { dateWords } from "../app/words.js";
import { lastSetsQuery } from "../students/index.js";
import type { RunSubject } from "../app/floor-run.js";
import classes from "./floor.module.css";

/** The last set of this side to which anything was noted. */
export function useLastNoted({ studentId, subject, side }: RunSubject): SetView | undefined {
  return useQuery(lastSetsQuery(studentId, subject, side)).data?.find((set) => set.note !== "");
}

/** What was noted to a set. */
export function Noted({ set: { at, note } }: { readonly set: Pick<SetView, "at" | "note"> }) {
  return (
    <p className={classes.look}>
      <strong>Noted</strong> {dateWords(ownDay(at))}: {note}
    </p>
  );
}
