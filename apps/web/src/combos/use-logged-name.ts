import { comboKey, comboSubject, type SideName } from "@mirrup/core";
import { useQuery } from "@tanstack/react-query";
import { useCallback } from "react";
import { subjectName } from "../app/words.js";
import { combosQuery, namesOf } from "./queries.js";
import { loggedName } from "./words.js";

/** What a line of the log is about, in words: a combo by its own name. */
export function useLoggedName(): (subject: string, side: SideName) => string {
  const { data } = useQuery(combosQuery);
  return useCallback(
    (subject, side) => {
      const about = comboSubject(subject);
      const name = about === null ? undefined : namesOf(data).get(comboKey(about.id));
      return about === null || name === undefined
        ? subjectName(subject, side)
        : loggedName(name, side, about.link !== null);
    },
    [data],
  );
}
