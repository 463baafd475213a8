import type { ClassStudentView } from "@mirrup/contract";
import type { ClassBefore, ClassPlan } from "@mirrup/core/planning";
import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Asked } from "./asked.js";
import { planInWorker, type Planning } from "./plan-in-worker.js";

const keyOf = (lessonId: string, asked: Asked, students: readonly ClassStudentView[]) => [
  "class-plan",
  lessonId,
  asked,
  students,
];

/** The best plan for what is asked, made in a worker; the one before stays on the page meanwhile. */
export function useClassPlan(
  lessonId: string,
  asked: Asked,
  students: readonly ClassStudentView[] | undefined,
  before: ClassBefore | null = null,
) {
  const client = useQueryClient();
  const [planning, setPlanning] = useState<Planning | null>(null);
  const query = useQuery({
    queryKey: [...keyOf(lessonId, asked, students ?? []), before],
    queryFn: ({ signal }) => planInWorker({ asked, students: students ?? [], before }, setPlanning, signal),
    enabled: students !== undefined,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  /** What another asking came to, where it was planned. */
  const usefulOf = (other: Asked): number | undefined =>
    client.getQueryData<ClassPlan>([...keyOf(lessonId, other, students ?? []), before])?.useful;
  return { ...query, planning, usefulOf };
}
