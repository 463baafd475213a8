import type { ChangeView, Topic } from "@mirrup/contract";
import type { QueryKey } from "@tanstack/react-query";

type Of = Pick<ChangeView, "studentIds">;

/** Which of the readings that a page keeps may be another after a change of each kind. */
const TOUCHES: Readonly<Record<Topic, (key: QueryKey, of: Of) => boolean>> = {
  students: ([root, id, part], { studentIds }) =>
    (root === "students" && (typeof id !== "string" || studentIds.length === 0 || studentIds.includes(id))) ||
    // How a class stands, and what each could do in a lesson.
    (root === "groups" && id !== undefined) ||
    (root === "lessons" && (part === "options" || part === "done")),
  lessons: ([root]) => root === "lessons",
  groups: ([root]) => root === "groups",
  combos: ([root, , part]) =>
    root === "combos" || (root === "students" && (part === "combos" || part === "plan")),
  pairs: ([root, , part]) => root === "pairs" || (root === "lessons" && part === "options"),
  // What is taught now is read before all else; this is who changed it.
  catalogue: ([root, part]) => root === "catalogue" && part !== undefined,
  presence: ([root]) => root === "presence",
  // Its name, and who may do what in it, stand with the session too.
  studio: ([root]) => root === "studio" || root === "session",
};

/** Whether what was read under a key may be another after a change. */
export function isTouched(key: QueryKey, change: Pick<ChangeView, "topics" | "studentIds">): boolean {
  return change.topics.some((topic) => TOUCHES[topic](key, change));
}
