import { describe, expect, it } from "@jest/globals";
import type { GroupView, LessonView } from "@mirrup/contract";
import { asTheyMeet, lessonOfGroup, meetingsOn, weekdayOf } from "./day.js";

const group = (changes: Partial<GroupView>): GroupView => ({
  id: "00000000-0000-4000-8000-000000000001",
  version: 1,
  name: "Beginners",
  weekday: 1,
  startTime: "16:30",
  place: "Small hall",
  members: ["a", "b"],
  archived: false,
  ...changes,
});
const MONDAY = "2026-06-01";

describe("what meets on a day", () => {
  it("counts weekdays from Monday", () => {
    expect([weekdayOf(MONDAY), weekdayOf("2026-06-07")]).toEqual([1, 7]);
  });

  it("is a group's lesson to be, with whoever is in it, under one id wherever it is made", () => {
    const lesson = lessonOfGroup(group({}), MONDAY);
    expect(lesson).toMatchObject({
      title: "Beginners",
      day: MONDAY,
      startTime: "16:30",
      place: "Small hall",
    });
    expect(lesson.students?.map((one) => one.studentId)).toEqual(["a", "b"]);
    expect(lessonOfGroup(group({ name: "Renamed" }), MONDAY).id).toBe(lesson.id);
    expect(lessonOfGroup(group({}), "2026-06-08").id).not.toBe(lesson.id);
  });

  it("expects nobody who is archived, though they stay in their group", () => {
    const [met] = asTheyMeet([group({ members: ["a", "b", "c"] })], [{ id: "c" }, { id: "a" }]);
    expect(met && lessonOfGroup(met, MONDAY).students?.map((one) => one.studentId)).toEqual(["a", "c"]);
  });

  it("has the lessons that are there, and the groups that have none yet, by the hour", () => {
    const early = group({ id: "00000000-0000-4000-8000-000000000002", name: "Dawn", startTime: "07:00" });
    const other = group({ id: "00000000-0000-4000-8000-000000000003", name: "Tuesday", weekday: 2 });
    const gone = group({ id: "00000000-0000-4000-8000-000000000004", archived: true });
    const { students = [], ...fields } = lessonOfGroup(group({}), MONDAY);
    const rest = { version: 1, plan: null, progress: null, finishedAt: null, students };
    const held = { startTime: null, place: "", groupId: null, ...fields, ...rest } satisfies LessonView;
    const meetings = meetingsOn(
      MONDAY,
      [group({}), early, other, gone],
      [held, { ...held, day: "2026-06-02" }],
    );
    expect(meetings.map(({ kind, lesson }) => [kind, lesson.title])).toEqual([
      ["group", "Dawn"],
      ["lesson", "Beginners"],
    ]);
  });
});
