/** Who of a class stands where with one skill. */
import { isMet } from "@mirrup/core/teaching";
import type { GridStudent } from "./grid.js";

/** In the order in which they are told. */
export const STANDS = [
  { id: "stuck", name: "Stuck" },
  { id: "open", name: "Open" },
  { id: "locked", name: "Locked" },
  { id: "cleared", name: "Cleared" },
] as const;

export type Stand = (typeof STANDS)[number]["id"];

function standOf(student: GridStudent, subject: string): Stand {
  const sides = student.bySkill.get(subject) ?? [];
  if (sides.some(({ coded }) => coded.isStuck)) return "stuck";
  if (sides.some(({ coded }) => coded.status === "ready" || coded.status === "working")) return "open";
  return sides.length > 0 && sides.every(({ coded }) => isMet(coded.status)) ? "cleared" : "locked";
}

/** Each student once, by how they stand, in the order in which they came. */
export function standsWith(
  students: readonly GridStudent[],
  subject: string,
): Readonly<Record<Stand, readonly GridStudent[]>> {
  const at = (stand: Stand) => students.filter((student) => standOf(student, subject) === stand);
  return { stuck: at("stuck"), open: at("open"), locked: at("locked"), cleared: at("cleared") };
}
