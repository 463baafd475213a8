/** Students with what was said of them on this device, among those that were read. Pure. */
import type { StudentView } from "@mirrup/contract";
import { byName } from "@mirrup/core";
import type { Newcomer } from "../device/index.js";

/** Somebody of whom nothing but a name is known. */
function newStudent({ id, name }: Newcomer): StudentView {
  return {
    ...{ id, name, leadingSide: "right", dominantHand: null, ropeMisfitMm: null, archived: false },
    ...{ groups: [], goals: [], hasStopped: false, level: 0, stuck: 0, reviewsDue: 0, lastPractisedAt: null },
    ...{ counts: { cleared: 0, working: 0, ready: 0, locked: 0 }, next: null, nextCodes: "" },
  };
}

/** All students by name, with those who were added here and whom the server does not know yet. */
export function withNewcomers(
  students: readonly StudentView[],
  newcomers: readonly Newcomer[],
): readonly StudentView[] {
  const known = new Set(students.map((student) => student.id));
  const fresh = newcomers.filter(({ id }) => !known.has(id));
  if (fresh.length === 0) return students;
  return [...students, ...fresh.map(newStudent)].sort((one, other) => byName(one.name, other.name));
}

/** A student as they are told of where jumping has ended for them today: nothing is next. */
export function withStop(student: StudentView, hasStopped: boolean): StudentView {
  if (student.hasStopped === hasStopped) return student;
  return { ...student, hasStopped, ...(hasStopped && { next: null, nextCodes: "" }) };
}

/** All of them so; the same list where nobody stands otherwise than it says. */
export function withStops(
  students: readonly StudentView[],
  isStopped: (id: string, isStored: boolean) => boolean,
): readonly StudentView[] {
  const all = students.map((one) => withStop(one, isStopped(one.id, one.hasStopped)));
  return all.some((one, place) => one !== students[place]) ? all : students;
}
