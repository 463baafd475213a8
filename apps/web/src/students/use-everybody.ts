import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { archivedQuery, studentsQuery } from "./queries.js";
import { useStudents } from "./use-students.js";

/** Somebody of the studio by name, whether they still come or are archived. */
export interface Named {
  readonly id: string;
  readonly name: string;
  readonly isArchived: boolean;
  /** The record of the same child that theirs is part of; null for one of its own. */
  readonly sameAs: string | null;
}

/** A name in a list that has both. */
export function namedWords({ name, isArchived }: Named): string {
  return isArchived ? `${name} (archived)` : name;
}

/**
 * Who is in the studio's records: those who come, and those who are archived after them. Null until those who come
 * are known; without those who are archived where they could not be read.
 */
export function useEverybody(): readonly Named[] | null {
  const present = useQuery(studentsQuery).data;
  const archived = useQuery(archivedQuery).data;
  return useMemo(() => {
    if (present === undefined) return null;
    return [
      ...present.map(({ id, name }) => ({ id, name, isArchived: false, sameAs: null })),
      ...(archived ?? []).map(({ id, name, sameAs }) => ({ id, name, isArchived: true, sameAs })),
    ];
  }, [present, archived]);
}

/** What somebody is called: who comes, who is archived, and who was added on this device alone. */
export function useNames(): (id: string) => string {
  const present = useStudents().data;
  const archived = useQuery(archivedQuery).data;
  return useMemo(() => {
    const all = [...(archived ?? []), ...(present ?? [])];
    const names = new Map(all.map(({ id, name }) => [id, name]));
    return (id) => names.get(id) ?? "Somebody";
  }, [present, archived]);
}
