/** How far a new studio is on its first way: derived from what is there, so that nothing has to be ticked. */
import type { GroupView, StudentView } from "@mirrup/contract";

/** In the order in which they follow from each other. */
export const FIRST_STEPS = ["teaching", "students", "group", "placement", "lesson"] as const;
export type FirstStep = (typeof FIRST_STEPS)[number];

export interface Begun {
  readonly students: readonly StudentView[];
  readonly groups: readonly GroupView[];
}

const isPlaced = ({ counts }: StudentView) => counts.cleared > 0;

/** Which of the steps are done. How one teaches is settled when the studio is made, and can be settled anew. */
export function doneOf({ students, groups }: Begun): ReadonlySet<FirstStep> {
  const isDone: Readonly<Record<FirstStep, boolean>> = {
    teaching: true,
    students: students.length > 0,
    group: groups.some(({ archived }) => !archived),
    placement: students.some(isPlaced),
    lesson: students.some(({ lastPractisedAt }) => lastPractisedAt !== null),
  };
  return new Set(FIRST_STEPS.filter((step) => isDone[step]));
}

/** The first that is still to do; null once all are done. */
export function nextStep(begun: Begun): FirstStep | null {
  const done = doneOf(begun);
  return FIRST_STEPS.find((step) => !done.has(step)) ?? null;
}

/** A studio is new until somebody has jumped: from then on it is run from Today. */
export function isNew(students: readonly StudentView[]): boolean {
  return students.every(({ lastPractisedAt }) => lastPractisedAt === null);
}

/** Who is to be placed first: whoever comes first by name and stands nowhere yet; else whoever comes first. */
export function firstToPlace(students: readonly StudentView[]): StudentView | undefined {
  return students.find((student) => !isPlaced(student)) ?? students[0];
}
