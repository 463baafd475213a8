import type { SideName } from "@mirrup/core";
import { useParams } from "react-router";

/** What a student's pages are called, in the order in which they stand. */
export const STUDENT_PAGE_NAMES = {
  frontier: "Frontier",
  session: "Session",
  weeks: "Weeks",
  outline: "Outline",
  placement: "Placement",
  progress: "Progress",
  report: "Report",
  home: "Home",
  log: "Log",
  record: "Record",
  schools: "Schools",
} as const;

export type StudentPage = keyof typeof STUDENT_PAGE_NAMES;

export const STUDENT_PAGES = Object.keys(STUDENT_PAGE_NAMES) as readonly StudentPage[];

export type ComboPage = "bench" | "make" | "freestyle";

/** The addresses of the studio that this tab is in. */
export interface Paths {
  /** The first steps of a new studio. */
  readonly start: string;
  /** Who is here today, and what does each do next. */
  readonly today: string;
  /** A class in the hall: its turns, who is where. */
  readonly lesson: (id: string) => string;
  readonly lessonPlan: (id: string) => string;
  /** One station of a turn, to count at; both from 0. */
  readonly station: (lessonId: string, turn: number, station: number) => string;
  readonly students: string;
  readonly importing: string;
  /** Sets that were counted elsewhere. */
  readonly importingSets: string;
  readonly student: (id: string) => string;
  /** A student's strands with one bead in hand. */
  readonly bead: (studentId: string, skillId: string) => string;
  /** A page of the student, by its own name. */
  readonly studentPage: (id: string, page: StudentPage) => string;
  /** The planned session of a student while it is held. */
  readonly led: (id: string) => string;
  readonly class: (groupId?: string) => string;
  /** How far a group has come; everybody where none is named. */
  readonly classProgress: (groupId: string | undefined) => string;
  readonly season: (groupId: string | undefined) => string;
  /** A group's weeks toward a show. */
  readonly classWeeks: (groupId: string) => string;
  /** One drill for all of a group at once; `all` for everybody. */
  readonly round: (groupId: string | undefined, subject: string) => string;
  /** A combo, tried by all of a group at once. */
  readonly comboRound: (groupId: string | undefined, comboId: string) => string;
  /** Work and rest by the clock, for one student. */
  readonly clock: (studentId: string) => string;
  /** The same for a class; everybody where no group is named. */
  readonly classClock: (groupId: string | undefined) => string;
  /** The five parts of the base test as one drill. */
  readonly baseTest: (id: string) => string;
  readonly floor: (id: string, subject: string, side: SideName) => string;
  readonly combos: string;
  /** A freestyle round by the clock. */
  readonly freestyleClock: string;
  readonly combo: (id: string) => string;
  /** Where combos are built, made up, and put into a round. */
  readonly comboPage: (page: ComboPage) => string;
  /** One step of a combo's ladder, on the floor. */
  readonly comboFloor: (studentId: string, comboId: string, side: SideName, step: string) => string;
  readonly programmes: string;
  /** A programme by its key, of everybody where no group is named. */
  readonly programme: (key: string, groupId?: string) => string;
  readonly newProgramme: string;
  /** The certificates of those who have finished it. */
  readonly certificates: (key: string, groupId?: string) => string;
  readonly skills: string;
  readonly skill: (id: string) => string;
  /** Which skills stand on which strand, in which order. */
  readonly skillOrder: string;
  /** Six frames of a score, to be printed. */
  readonly frames: string;
  /** When the hands move, how high one jumps, how fast the rope is. */
  readonly timing: string;
  readonly studio: string;
}

/** The key of a programme, as an address has it. */
const idOf = (key: string) => key.slice(key.indexOf(":") + 1);

export function pathsOf(studioId: string): Paths {
  const root = `/${studioId}`;
  return {
    start: `${root}/start`,
    today: `${root}/today`,
    lesson: (id) => `${root}/lessons/${id}`,
    lessonPlan: (id) => `${root}/lessons/${id}/plan`,
    station: (id, turn, station) => `${root}/lessons/${id}/turns/${turn + 1}/stations/${station + 1}`,
    students: `${root}/students`,
    importing: `${root}/students/import`,
    importingSets: `${root}/students/sets`,
    bead: (studentId, skillId) => `${root}/students/${studentId}?skill=${skillId}`,
    studentPage: (id, page) => `${root}/students/${id}/${page}`,
    round: (groupId, subject) => `${root}/class/${groupId ?? "all"}/round/${subject}`,
    comboRound: (groupId, comboId) => `${root}/class/${groupId ?? "all"}/combos/${comboId}`,
    class: (groupId) => (groupId === undefined ? `${root}/class` : `${root}/class/${groupId}`),
    classProgress: (groupId) => `${root}/class/${groupId ?? "all"}/progress`,
    season: (groupId) => `${root}/class/${groupId ?? "all"}/season`,
    classWeeks: (groupId) => `${root}/class/${groupId}/weeks`,
    student: (id) => `${root}/students/${id}`,
    clock: (studentId) => `${root}/students/${studentId}/clock`,
    classClock: (groupId) => `${root}/class/${groupId ?? "all"}/clock`,
    led: (id) => `${root}/students/${id}/session/now`,
    baseTest: (id) => `${root}/students/${id}/base-test`,
    floor: (id, subject, side) => `${root}/students/${id}/floor/${subject}/${side}`,
    combos: `${root}/combos`,
    freestyleClock: `${root}/combos/freestyle/clock`,
    combo: (id) => `${root}/combos/${id}`,
    comboPage: (page) => `${root}/combos/${page}`,
    comboFloor: (studentId, comboId, side, step) =>
      `${root}/students/${studentId}/combos/${comboId}/${side}/${step}`,
    programmes: `${root}/programmes`,
    programme: (key, groupId) =>
      `${root}/programmes/${idOf(key)}${groupId === undefined ? "" : `/${groupId}`}`,
    newProgramme: `${root}/programmes/new`,
    certificates: (key, groupId) =>
      `${root}/programmes/${idOf(key)}/certificates${groupId === undefined ? "" : `/${groupId}`}`,
    skills: `${root}/skills`,
    skill: (id) => `${root}/skills/${id}`,
    skillOrder: `${root}/skills/order`,
    frames: `${root}/frames`,
    timing: `${root}/timing`,
    studio: `${root}/studio`,
  };
}

export function usePaths(): Paths {
  const { studioId = "" } = useParams();
  return pathsOf(studioId);
}

/** Whether an address is of a page, whatever it asks of it. */
export function isSamePage(address: string, page: string): boolean {
  return address.split("?")[0] === page;
}
