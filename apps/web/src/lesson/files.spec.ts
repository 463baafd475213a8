import { describe, expect, it } from "@jest/globals";
import type { GroupView, LessonView } from "@mirrup/contract";
import { readCalendar, writeCalendar } from "./calendar-file.js";
import { readLesson, writeLesson } from "./lesson-file.js";

const LESSON: LessonView = {
  id: "019ab000-0000-7000-8000-000000000001",
  version: 3,
  groupId: "019ab000-0000-7000-8000-000000000002",
  title: "Evening; class, one",
  day: "2026-06-01",
  startTime: "17:30",
  minutes: 75,
  place: "Main hall",
  plan: {
    asked: {
      ...{ minutes: 75, turns: null, stations: 1, coaches: 1, helpers: [], floor: null, hardSkill: "late" },
      ...{ bans: [], stationPins: [], seed: 1, missing: [] },
    },
    ...{ warmUpMinutes: 5, closeMinutes: 2, room: null, minutes: 8, useful: 4, sameForAll: 3, most: 5 },
    rotations: [{ minutes: 8, stations: [{ subject: "cross", watchedBy: "coach" }] }],
  },
  students: [
    {
      studentId: "019ab000-0000-7000-8000-00000000000a",
      attendance: "present",
      places: [
        {
          ...{ station: 0, side: "left", use: "frontier", cautions: [], chance: 0.5, pinned: true },
          ...{ drill: { kind: "streak", count: 5 }, reason: { code: "new", opens: [] } },
        },
      ],
    },
    { studentId: "019ab000-0000-7000-8000-00000000000b", attendance: "expected", places: [null] },
  ],
  progress: null,
  finishedAt: null,
};
const GROUP: GroupView = {
  ...{ id: "019ab000-0000-7000-8000-000000000002", version: 1, name: LESSON.title, weekday: 1 },
  ...{ startTime: "17:30", place: "", members: [], archived: false },
};
const CONTEXT = { groups: [GROUP], timeZone: "Europe/London", today: "2026-05-30", days: 56 };
const STAMP = new Date("2026-05-30T10:00:00Z");

const calendar = (...events: readonly string[]) =>
  ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//x//y//EN", ...events, "END:VCALENDAR"].join("\r\n");
const event = (...lines: readonly string[]) => ["BEGIN:VEVENT", ...lines, "END:VEVENT"].join("\r\n");

describe("lessons as a calendar", () => {
  it("are read back as they were written, under the same id", () => {
    const text = writeCalendar([LESSON, { ...LESSON, startTime: null, id: GROUP.id }], STAMP);
    expect(text).toContain("DESCRIPTION:Turn 1\\, 8 min: cross");
    const read = readCalendar(text, CONTEXT);
    const { id, title, day, startTime, minutes, place, groupId } = LESSON;
    expect(read).toEqual({
      ok: true,
      unread: 0,
      lessons: [
        { id, title, day, startTime, minutes, place, groupId },
        { id: GROUP.id, title, day, startTime: null, minutes: 60, place, groupId },
      ],
    });
  });

  it("are read from an event that repeats, each day once however often it is read", () => {
    const weekly = event(
      "UID:weekly",
      "DTSTART:20260504T163000",
      "DTEND:20260504T173000",
      "RRULE:FREQ=WEEKLY;COUNT=100",
      "EXDATE:20260615T163000",
      "SUMMARY:Somebody’s class",
    );
    const read = [readCalendar(calendar(weekly), CONTEXT), readCalendar(calendar(weekly, weekly), CONTEXT)];
    const lessons = read[0]?.ok === true ? read[0].lessons : [];
    expect(lessons.map((lesson) => lesson.day)).toEqual([
      ...["2026-06-01", "2026-06-08", "2026-06-22", "2026-06-29", "2026-07-06", "2026-07-13", "2026-07-20"],
    ]);
    expect(lessons[0]).toMatchObject({ startTime: "16:30", minutes: 60, groupId: null });
    expect(read[1]?.ok === true ? read[1].lessons : []).toEqual(lessons);
  });

  it("have the hour of the studio's zone where the event has another", () => {
    const far = event("UID:far", "DTSTART:20260601T230000Z", "SUMMARY:Late");
    const read = readCalendar(calendar(far), CONTEXT);
    expect(read.ok ? read.lessons : []).toMatchObject([{ day: "2026-06-02", startTime: "00:00" }]);
  });

  it("are read without an event that has no day", () => {
    const good = event("UID:good", "DTSTART:20260601T170000", "SUMMARY:Good");
    const read = readCalendar(calendar(event("UID:none", "SUMMARY:None"), good), CONTEXT);
    expect(read).toMatchObject({ ok: true, unread: 1, lessons: [{ title: "Good" }] });
  });

  it.each([
    ["", /not a calendar/],
    ["BEGIN:VCALENDAR", /not a calendar|No lesson/],
    [calendar(), /No lesson/],
    [calendar(event("UID:old", "DTSTART:20200101T100000", "SUMMARY:Old")), /No lesson/],
    [calendar(event("UID:none", "SUMMARY:Without a day")), /calendar/],
    [calendar(event("UID:bad", "DTSTART:someday", "SUMMARY:Bad")), /calendar/],
  ])("refuse %j with what to do", (text, message) => {
    const read = readCalendar(text, CONTEXT);
    expect(read.ok ? "" : read.message).toMatch(message);
  });
});

describe("a plan as a file", () => {
  const known = [
    { id: LESSON.students[0]?.studentId ?? "", name: "Wren Alder" },
    { id: "019ab000-0000-7000-8000-00000000000c", name: "Somebody Else" },
  ];
  const nameOf = (id: string) => known.find((one) => one.id === id)?.name ?? "Not Here";
  const text = writeLesson(LESSON, nameOf);

  it("is read back onto another day, without who is not in the studio", () => {
    const read = readLesson(text, known, "2026-07-01");
    expect(read).toMatchObject({
      ok: true,
      unknown: ["Not Here"],
      lesson: {
        ...{ title: LESSON.title, day: "2026-07-01", minutes: 75, groupId: null, plan: LESSON.plan },
        students: [{ ...LESSON.students[0], attendance: "expected" }],
      },
    });
    expect(read.ok ? read.lesson.id : "").not.toBe(LESSON.id);
  });

  it.each([
    ["{", /not JSON/],
    ["[]", /not a lesson/],
    ['{"format":"mirrup-lesson","students":[],"lesson":{}}', /newer/],
    [text.replace('"version": 1', '"version": 2'), /newer/],
    [text.replace('"minutes": 75', '"minutes": 7500'), /damaged/],
    [text.replace('"station": 0', '"station": "door"'), /damaged/],
    [text.replace('"students": [', '"students": [null, '), /damaged|not a lesson/],
  ])("refuses %#, and says what to do", (bad, message) => {
    const read = readLesson(bad, known, "2026-07-01");
    expect(read.ok ? "" : read.message).toMatch(message);
  });
});
