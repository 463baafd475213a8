import type { ClassProgressView, ProgressView, RefitView, SideProgressView } from "@mirrup/contract";
import type { SideName } from "@mirrup/core";
import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { get } from "../app/api.js";
import type { Period } from "./period.js";

export const progressQuery = (id: string, { from, to }: Period) =>
  queryOptions({
    queryKey: ["students", id, "progress", from, to],
    queryFn: ({ signal }) => get<ProgressView>(`/students/${id}/progress?from=${from}&to=${to}`, signal),
    placeholderData: keepPreviousData,
  });

export const sideProgressQuery = (id: string, subject: string, side: SideName) =>
  queryOptions({
    queryKey: ["students", id, "progress", "side", subject, side],
    queryFn: ({ signal }) =>
      get<SideProgressView>(`/students/${id}/progress/side?subject=${subject}&side=${side}`, signal),
  });

/** A group's period, everybody's where none is named. */
export const classProgressQuery = (groupId: string | undefined, { from, to }: Period) =>
  queryOptions({
    queryKey: ["groups", groupId ?? "all", "progress", from, to],
    queryFn: ({ signal }) => {
      const group = groupId === undefined ? "" : `&group=${groupId}`;
      return get<ClassProgressView>(`/progress?from=${from}&to=${to}${group}`, signal);
    },
    placeholderData: keepPreviousData,
  });

/** What the studio's own log has made of the numbers by which odds are said. */
export const refitQuery = queryOptions({
  queryKey: ["studio", "refit"],
  queryFn: ({ signal }) => get<RefitView>("/progress/refit", signal),
});
