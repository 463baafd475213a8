import type { ProgressView, SideProgressView } from "@mirrup/contract";
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
