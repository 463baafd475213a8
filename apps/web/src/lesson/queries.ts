import type { ClassStudentView, DoneSide, Items, LessonView, StudentPair } from "@mirrup/contract";
import type { Precaution } from "@mirrup/core/planning";
import { queryOptions } from "@tanstack/react-query";
import { get } from "../app/api.js";

/** The lessons from a day to a day, both included. */
export const lessonsQuery = (from: string, to: string) =>
  queryOptions({
    queryKey: ["lessons", { from, to }],
    queryFn: async ({ signal }) =>
      (await get<Items<LessonView>>(`/lessons?from=${from}&to=${to}`, signal)).items,
  });

export const lessonQuery = (id: string) =>
  queryOptions({
    queryKey: ["lessons", id],
    queryFn: ({ signal }) => get<LessonView>(`/lessons/${id}`, signal),
  });

/** Who is to be apart or together. */
export const pairsQuery = queryOptions({
  queryKey: ["pairs"],
  queryFn: async ({ signal }) => (await get<Items<StudentPair>>("/pairs", signal)).items,
});

/** What the lesson's students did on its day. */
export const doneQuery = (id: string) =>
  queryOptions({
    queryKey: ["lessons", id, "done"],
    queryFn: async ({ signal }) => (await get<Items<DoneSide>>(`/lessons/${id}/done`, signal)).items,
  });

/** What each student of a lesson could do at a station today; read anew when somebody joins it. */
export const classOptionsQuery = (
  { id, students }: Pick<LessonView, "id" | "students">,
  missing: readonly Precaution[],
) =>
  queryOptions({
    queryKey: ["lessons", id, "options", missing, students.map((one) => one.studentId).sort()],
    queryFn: async ({ signal }) => {
      const asked = new URLSearchParams(missing.map((one) => ["missing", one]));
      return (await get<Items<ClassStudentView>>(`/lessons/${id}/options?${asked.toString()}`, signal)).items;
    },
  });
