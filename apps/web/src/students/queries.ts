import type {
  ArchivedStudent,
  ClassWeeksView,
  DecisionView,
  DoneSide,
  GridView,
  GroupView,
  Items,
  LoadView,
  NextItem,
  PathView,
  ProgrammeProgress,
  RungItem,
  SchoolReading,
  SetView,
  StandingItem,
  StudentDetail,
  StudentView,
  StudioView,
  WeeksView,
} from "@mirrup/contract";
import type { SideName } from "@mirrup/core";
import type { StudentPlan } from "@mirrup/core/planning";
import type { Goal } from "@mirrup/core/teaching";
import { queryOptions } from "@tanstack/react-query";
import { get } from "../app/api.js";

export const studioQuery = queryOptions({
  queryKey: ["studio"],
  queryFn: ({ signal }) => get<StudioView>("/studio", signal),
  staleTime: 300_000,
});

export const studentsQuery = queryOptions({
  queryKey: ["students"],
  queryFn: async ({ signal }) => (await get<Items<StudentView>>("/students", signal)).items,
});

/** Those who are archived are in no other list. The key names no student. */
export const archivedQuery = queryOptions({
  queryKey: ["students", { archived: true }],
  queryFn: async ({ signal }) => (await get<Items<ArchivedStudent>>("/students/archived", signal)).items,
});

export const studentQuery = (id: string) =>
  queryOptions({
    queryKey: ["students", id],
    queryFn: ({ signal }) => get<StudentView>(`/students/${id}`, signal),
  });

export const standingsQuery = (id: string) =>
  queryOptions({
    queryKey: ["students", id, "standings"],
    queryFn: async ({ signal }) =>
      (await get<Items<StandingItem>>(`/students/${id}/standings`, signal)).items,
  });

export const nextQuery = (id: string) =>
  queryOptions({
    queryKey: ["students", id, "next"],
    queryFn: async ({ signal }) => (await get<Items<NextItem>>(`/students/${id}/next`, signal)).items,
  });

/** The record that people write; apart from the standings, since it is edited. */
export const detailQuery = (id: string) =>
  queryOptions({
    queryKey: ["students", id, "detail"],
    queryFn: ({ signal }) => get<StudentDetail>(`/students/${id}/detail`, signal),
  });

/** The cheapest path to some goals, or to the student's own. */
export const pathQuery = (id: string, goals?: readonly Goal[]) =>
  queryOptions({
    queryKey: ["students", id, "path", goals ?? "own"],
    queryFn: ({ signal }) => {
      const asked = (goals ?? []).map(({ subject, side }) => `goal=${subject}:${side}`);
      return get<PathView>(`/students/${id}/path${asked.length > 0 ? `?${asked.join("&")}` : ""}`, signal);
    },
  });

export const schoolsQuery = (id: string) =>
  queryOptions({
    queryKey: ["students", id, "schools"],
    queryFn: async ({ signal }) => (await get<Items<SchoolReading>>(`/students/${id}/schools`, signal)).items,
  });

export const decisionsQuery = (id: string) =>
  queryOptions({
    queryKey: ["students", id, "decisions"],
    queryFn: async ({ signal }) =>
      (await get<Items<DecisionView>>(`/students/${id}/decisions`, signal)).items,
  });

/** A side's ladder as the student stands on it. */
export const ladderQuery = (id: string, subject: string, side: SideName) =>
  queryOptions({
    queryKey: ["students", id, "ladder", subject, side],
    queryFn: async ({ signal }) =>
      (await get<Items<RungItem>>(`/students/${id}/ladder?subject=${subject}&side=${side}`, signal)).items,
  });

/** The last sets of one side, newest first. */
export const lastSetsQuery = (id: string, subject: string, side: SideName) =>
  queryOptions({
    queryKey: ["students", id, "sets", subject, side],
    queryFn: async ({ signal }) =>
      (await get<Items<SetView>>(`/students/${id}/sets?subject=${subject}&side=${side}`, signal)).items,
  });

export const loadQuery = (id: string) =>
  queryOptions({
    queryKey: ["students", id, "load"],
    queryFn: ({ signal }) => get<LoadView>(`/students/${id}/load`, signal),
  });

/** A student's session; `asked` is what is asked of it, as an address says it. */
export const planQuery = (id: string, asked: string) =>
  queryOptions({
    queryKey: ["students", id, "plan", asked],
    queryFn: ({ signal }) => get<StudentPlan>(`/students/${id}/plan?${asked}`, signal),
  });

/** What a student did today, side by side. */
export const doneTodayQuery = (id: string) =>
  queryOptions({
    queryKey: ["students", id, "done"],
    queryFn: async ({ signal }) => (await get<Items<DoneSide>>(`/students/${id}/done`, signal)).items,
  });

/** The weeks toward a date; `asked` is what is asked of them, as an address says it. */
export const weeksQuery = (id: string, asked: string) =>
  queryOptions({
    queryKey: ["students", id, "weeks", asked],
    queryFn: ({ signal }) => get<WeeksView>(`/students/${id}/weeks?${asked}`, signal),
  });

/** A group's weeks toward goals that all of them have. */
export const classWeeksQuery = (groupId: string, asked: string) =>
  queryOptions({
    queryKey: ["groups", groupId, "weeks", asked],
    queryFn: ({ signal }) => get<ClassWeeksView>(`/groups/${groupId}/weeks?${asked}`, signal),
  });

/** How far the students of a group are with a programme; everybody where none is named. */
export const programmeQuery = (key: string, groupId: string | undefined) =>
  queryOptions({
    queryKey: ["groups", groupId ?? "all", "programme", key],
    queryFn: async ({ signal }) => {
      const query = groupId === undefined ? "" : `?group=${groupId}`;
      return (await get<Items<ProgrammeProgress>>(`/programmes/${key}/progress${query}`, signal)).items;
    },
  });

/** The same of one student; undefined where the server has none such. */
export const studentProgrammeQuery = (studentId: string, key: string) =>
  queryOptions({
    queryKey: ["students", studentId, "programme", key],
    queryFn: async ({ signal }) => {
      const path = `/programmes/${key}/progress?student=${studentId}`;
      const [own] = (await get<Items<ProgrammeProgress>>(path, signal)).items;
      return own ?? null;
    },
  });

export const groupsQuery = queryOptions({
  queryKey: ["groups"],
  queryFn: async ({ signal }) => (await get<Items<GroupView>>("/groups", signal)).items,
});

export const gridQuery = (groupId: string | undefined) =>
  queryOptions({
    queryKey: ["groups", groupId ?? "all", "grid"],
    queryFn: ({ signal }) =>
      get<GridView>(`/grid${groupId === undefined ? "" : `?group=${groupId}`}`, signal),
  });
