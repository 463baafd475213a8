/** What meets on a day: the lessons that are there, and the groups that meet then and have none yet. */
import type { GroupView, LessonView, NewLesson } from "@mirrup/contract";
import type { LocalDate } from "@mirrup/core";
import { v5 as uuidOf } from "uuid";

/** Of the ids of a group's meetings, so that two devices that open the same one make one lesson. */
const NAMESPACE = "7d2f7f0e-8a5b-4a58-9f6c-6f1e6f2b7a42";
const USUAL_MINUTES = 60;

export type Meeting =
  | { readonly kind: "lesson"; readonly lesson: LessonView }
  /** A group that meets on this day, and what its lesson would be. */
  | { readonly kind: "group"; readonly lesson: NewLesson };

/** From 1 for Monday. */
export function weekdayOf(day: LocalDate): number {
  return new Date(`${day}T12:00:00Z`).getUTCDay() || 7;
}

/** The lesson that a group would have on a day. */
export function lessonOfGroup(group: GroupView, day: LocalDate): NewLesson {
  const { id, name, startTime, place, members } = group;
  return {
    id: uuidOf(`${id} ${day}`, NAMESPACE),
    groupId: id,
    title: name,
    day,
    startTime,
    minutes: USUAL_MINUTES,
    place,
    students: members.map((studentId) => ({ studentId, attendance: "expected", places: [] })),
  };
}

/** Groups as they meet: whoever is archived stays a member of theirs, and is not expected. */
export function asTheyMeet(
  groups: readonly GroupView[],
  students: readonly { readonly id: string }[],
): readonly GroupView[] {
  const present = new Set(students.map(({ id }) => id));
  return groups.map((group) => ({ ...group, members: group.members.filter((id) => present.has(id)) }));
}

/** The day's meetings in the order of the hours. */
export function meetingsOn(
  day: LocalDate,
  groups: readonly GroupView[],
  lessons: readonly LessonView[],
): readonly Meeting[] {
  const held = lessons.filter((lesson) => lesson.day === day);
  const known = new Set(held.map((lesson) => lesson.groupId));
  const due = groups.filter(
    (group) => !group.archived && group.weekday === weekdayOf(day) && !known.has(group.id),
  );
  const meetings: Meeting[] = [
    ...held.map((lesson) => ({ kind: "lesson" as const, lesson })),
    ...due.map((group) => ({ kind: "group" as const, lesson: lessonOfGroup(group, day) })),
  ];
  const when = ({ lesson }: Meeting) => `${lesson.startTime ?? "99"} ${lesson.title}`;
  return meetings.sort((one, other) => when(one).localeCompare(when(other)));
}
