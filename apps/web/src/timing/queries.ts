import type { Items, JumpMeasure } from "@mirrup/contract";
import { queryOptions } from "@tanstack/react-query";
import { get } from "../app/api.js";

export const jumpsQuery = (studentId: string) =>
  queryOptions({
    queryKey: ["students", studentId, "jumps"],
    queryFn: async ({ signal }) =>
      (await get<Items<JumpMeasure>>(`/students/${studentId}/jumps`, signal)).items,
  });
