import type { Items, JumpMeasure, StudentView } from "@mirrup/contract";
import type { Jumping } from "@mirrup/core/combos";
import { queryOptions, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { get } from "../app/api.js";
import { handOf } from "../app/hand-of.js";
import { measuredHeights } from "../app/measured-heights.js";
import { useJumps } from "../device/index.js";

const jumpsQuery = (studentId: string) =>
  queryOptions({
    queryKey: ["students", studentId, "jumps"],
    queryFn: async ({ signal }) =>
      (await get<Items<JumpMeasure>>(`/students/${studentId}/jumps`, signal)).items,
  });

const NO_JUMPS: readonly JumpMeasure[] = [];

/** A student's measured jumps, the newest first, with what is not with the server yet; none of nobody. */
export function useMeasuredJumps(studentId: string | null): readonly JumpMeasure[] {
  const stored = useQuery({ ...jumpsQuery(studentId ?? ""), enabled: studentId !== null });
  return useJumps(studentId, stored.data ?? NO_JUMPS);
}

/** How a student jumps at whatever tempo: with which hand on top, and how high where it was measured. */
export function useJumper(
  student: Pick<StudentView, "id" | "dominantHand"> | undefined,
): Required<Omit<Jumping, "tempo">> {
  const jumps = useMeasuredJumps(student?.id ?? null);
  const dominant = handOf(student);
  return useMemo(() => ({ dominant, heights: measuredHeights(jumps) }), [dominant, jumps]);
}
