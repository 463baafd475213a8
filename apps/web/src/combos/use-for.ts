import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { currentParams } from "../app/current-params.js";
import { gridQuery, studentsQuery, useJumper } from "../students/index.js";
import { comboStudents, type ComboStudent } from "./combo-student.js";

/** Everybody with their statuses, from one reading of the class; undefined until it is there. */
export function useComboStudents(): readonly ComboStudent[] | undefined {
  const { data } = useQuery(gridQuery(undefined));
  return useMemo(() => (data === undefined ? undefined : comboStudents(data)), [data]);
}

/** For whom combos are looked at: a student's id in the address. */
export function useFor() {
  const [params, setParams] = useSearchParams();
  const students = useQuery(studentsQuery);
  const asked = params.get("for");
  const known = students.data ?? [];
  const student = known.find(({ id }) => id === asked);
  const isReading = asked !== null && students.data === undefined;
  return {
    /** Whoever the address asks for is not known yet: not the same as nobody. */
    isReading,
    /** For whom the pages beside are to be asked. */
    onward: isReading ? asked : (student?.id ?? null),
    id: student?.id ?? null,
    students: known,
    student,
    jumper: useJumper(student),
    choose: (id: string | null) =>
      setParams(
        () => {
          const after = currentParams();
          if (id === null) after.delete("for");
          else after.set("for", id);
          return after;
        },
        // Seen at once: the links to the pages beside go with whom it is for.
        { replace: true, flushSync: true },
      ),
  };
}
