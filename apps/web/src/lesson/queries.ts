import type { ClassStudentView, DoneSide, Items, LessonView } from "@mirrup/contract";
import type { Precaution } from "@mirrup/core";
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

/** What the lesson's students did on its day. */
export const doneQuery = (id: string) =>
  queryOptions({
    queryKey: ["lessons", id, "done"],
    queryFn: async ({ signal }) => (await get<Items<DoneSide>>(`/lessons/${id}/done`, signal)).items,
  });

/** What each student of a group, or of the studio, could do at a station today. */
export const classOptionsQuery = (groupId: string | null, missing: readonly Precaution[]) =>
  queryOptions({
    queryKey: ["groups", groupId ?? "all", "options", missing],
    queryFn: async ({ signal }) => {
      const asked = new URLSearchParams(groupId === null ? {} : { group: groupId });
      missing.forEach((one) => asked.append("missing", one));
      return (await get<Items<ClassStudentView>>(`/class-options?${asked.toString()}`, signal)).items;
    },
  });
