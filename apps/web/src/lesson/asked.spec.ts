import { describe, expect, it } from "@jest/globals";
import type { LessonPlace, LessonView } from "@mirrup/contract";
import type { PlannedStudent } from "@mirrup/core/planning";
import {
  askedOf,
  letGo,
  swapped,
  withBan,
  withNumbers,
  withSkillAt,
  withStudentAt,
  withTurn,
  type Asked,
} from "./asked.js";
import { USUALLY_AT_HAND } from "./means.js";

const PLACE: LessonPlace = {
  station: 2,
  side: "whole",
  use: "frontier",
  drill: { kind: "streak", count: 5 },
  cautions: [],
  chance: null,
  reason: null,
  pinned: true,
};

const LESSON: LessonView = {
  id: "lesson",
  version: 1,
  groupId: null,
  title: "Evening",
  day: "2026-06-01",
  startTime: "17:30",
  minutes: 60,
  place: "",
  plan: null,
  students: ["a", "b", "c", "d", "e"].map((studentId) => ({
    studentId,
    attendance: "expected",
    places: [],
  })),
  progress: null,
  finishedAt: null,
};
const ASKED = askedOf(LESSON, USUALLY_AT_HAND, "late");

const at = (id: string, station: number): PlannedStudent => ({
  id,
  places: [{ ...PLACE, station }],
});

describe("what is asked of a class plan", () => {
  it("suits the number of students at first", () => {
    expect(ASKED).toMatchObject({ minutes: 60, stations: 2, coaches: 1, floor: null, placePins: [] });
    expect(askedOf({ ...LESSON, students: [] }, USUALLY_AT_HAND, "early").stations).toBe(1);
    const [student] = LESSON.students;
    const stations = (many: number) =>
      askedOf(
        { ...LESSON, students: new Array<typeof student>(many).fill(student) as LessonView["students"] },
        USUALLY_AT_HAND,
        "late",
      ).stations;
    // Whoever is one of four is one of a pair, nobody is alone, and no more than six are asked for by themselves.
    expect([1, 2, 3, 4, 9, 24, 60].map(stations)).toEqual([1, 1, 1, 2, 3, 6, 6]);
  });

  it("is what the lesson was planned with, pins among it", () => {
    const { placePins: _, ...asked } = { ...ASKED, stations: 5, bans: ["cross"] };
    const plan = {
      ...{ asked, warmUpMinutes: 5, closeMinutes: 2, room: null, minutes: 1, useful: 1, sameForAll: 1 },
      ...{ most: 1, rotations: [] },
    };
    const students = [
      { studentId: "a", attendance: "expected", places: [null, PLACE] } as const,
      { studentId: "b", attendance: "expected", places: [{ ...PLACE, pinned: false }] } as const,
    ];
    const read = askedOf({ ...LESSON, plan, students }, USUALLY_AT_HAND, "late");
    expect(read).toEqual({ ...asked, placePins: [{ rotation: 1, station: 2, student: "a" }] });
  });

  it("holds a student at one station of a turn, or lets go", () => {
    const first = withStudentAt(ASKED, { rotation: 0, station: 1, student: "a" });
    const moved = withStudentAt(first, { rotation: 0, station: 0, student: "a" });
    const both = withStudentAt(moved, { rotation: 1, station: 1, student: "a" });
    expect(both.placePins).toHaveLength(2);
    expect(letGo(both, 0, "a").placePins).toEqual([{ rotation: 1, station: 1, student: "a" }]);
  });

  it("swaps two students of a turn, and leaves who is not there alone", () => {
    const students = [at("a", 0), at("b", 1), at("c", 1)];
    expect(swapped(ASKED, students, 0, ["a", "b"]).placePins).toEqual([
      { rotation: 0, station: 1, student: "a" },
      { rotation: 0, station: 0, student: "b" },
    ]);
    expect(swapped(ASKED, students, 0, ["b", "c"])).toBe(ASKED);
    expect(swapped(ASKED, students, 0, ["a", "nobody"])).toBe(ASKED);
  });

  it("has a skill done at a station, and a skill done nowhere", () => {
    const pinned = withSkillAt(ASKED, 0, 1, "cross");
    expect(withSkillAt(pinned, 0, 1, "swing").stationPins).toEqual([
      { rotation: 0, station: 1, subject: "swing" },
    ]);
    expect(withSkillAt(pinned, 0, 1, null).stationPins).toEqual([]);
    const banned = withBan(pinned, "cross", true);
    expect([banned.bans, banned.stationPins]).toEqual([["cross"], []]);
    expect(withBan(banned, "cross", false).bans).toEqual([]);
  });

  it("lets go of pins that have no place any more", () => {
    const pinned: Asked = withSkillAt(
      withStudentAt(ASKED, { rotation: 4, station: 1, student: "a" }),
      0,
      1,
      "x",
    );
    expect(withNumbers(pinned, { stations: 1 })).toMatchObject({ stationPins: [], placePins: [] });
    expect(withNumbers(pinned, { minutes: 20 })).toMatchObject({ placePins: [], turns: null });
    expect(withNumbers(pinned, { coaches: 3 })).toMatchObject({ coaches: 3, placePins: pinned.placePins });
  });

  it("lengthens a turn by what the later ones give", () => {
    const [first, second] = withTurn(ASKED, 0, 3).turns ?? [];
    expect((first ?? 0) - (second ?? 0)).toBeCloseTo(3.5, 9);
    expect(withTurn(ASKED, 6, 1)).toBe(ASKED);
  });
});
