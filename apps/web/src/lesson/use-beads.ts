import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { beadsOf, type BeadOf } from "../beads/index.js";
import { gridQuery } from "../students/index.js";

/** Everybody's beads, guests' too; none until they are read, and without a network what was last read. */
export function useBeads(): BeadOf {
  const { data } = useQuery(gridQuery(undefined));
  return useMemo(() => beadsOf(data ?? { sides: [], students: [] }), [data]);
}
