import type { Side } from "@mirrup/core";
import { useParams } from "react-router";

export type StudentPage = "session" | "outline" | "placement" | "record" | "schools";

/** The addresses of the studio that this tab is in. */
export interface Paths {
  readonly students: string;
  readonly importing: string;
  readonly student: (id: string) => string;
  /** A page of the student: session, outline, placement, record or schools. */
  readonly studentPage: (id: string, page: StudentPage) => string;
  readonly class: (groupId?: string) => string;
  /** One drill for all of a group at once; `all` for everybody. */
  readonly round: (groupId: string | undefined, subject: string) => string;
  /** The five parts of the base test as one drill. */
  readonly baseTest: (id: string) => string;
  readonly floor: (id: string, subject: string, side: Side) => string;
  readonly skills: string;
  readonly skill: (id: string) => string;
  readonly studio: string;
}

export function pathsOf(studioId: string): Paths {
  const root = `/${studioId}`;
  return {
    students: `${root}/students`,
    importing: `${root}/students/import`,
    studentPage: (id, page) => `${root}/students/${id}/${page}`,
    round: (groupId, subject) => `${root}/class/${groupId ?? "all"}/round/${subject}`,
    class: (groupId) => (groupId === undefined ? `${root}/class` : `${root}/class/${groupId}`),
    student: (id) => `${root}/students/${id}`,
    baseTest: (id) => `${root}/students/${id}/base-test`,
    floor: (id, subject, side) => `${root}/students/${id}/floor/${subject}/${side}`,
    skills: `${root}/skills`,
    skill: (id) => `${root}/skills/${id}`,
    studio: `${root}/studio`,
  };
}

export function usePaths(): Paths {
  const { studioId = "" } = useParams();
  return pathsOf(studioId);
}
