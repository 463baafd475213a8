import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useNewcomers, useStops } from "../device/index.js";
import { withNewcomers, withStops } from "./newcomers.js";
import { studentsQuery } from "./queries.js";

/** Everybody of the studio, with who was added, and for whom jumping has ended, on this device and nowhere else yet. */
export function useStudents() {
  const newcomers = useNewcomers();
  const isStopped = useStops();
  const read = useQuery(studentsQuery);
  const { data } = read;
  const all = useMemo(
    () => (data === undefined ? undefined : withNewcomers(data, newcomers)),
    [data, newcomers],
  );
  return { ...read, data: all && withStops(all, isStopped) };
}
