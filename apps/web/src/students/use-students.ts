import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useNewcomers } from "../device/index.js";
import { withNewcomers } from "./newcomers.js";
import { studentsQuery } from "./queries.js";

/** Everybody of the studio, also who was added on this device and is not with the server yet. */
export function useStudents() {
  const newcomers = useNewcomers();
  const read = useQuery(studentsQuery);
  const { data } = read;
  const all = useMemo(
    () => (data === undefined ? undefined : withNewcomers(data, newcomers)),
    [data, newcomers],
  );
  return { ...read, data: all };
}
