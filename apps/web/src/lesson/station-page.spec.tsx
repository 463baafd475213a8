import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { LessonView, SetRequest } from "@mirrup/contract";
import { cleanup, screen, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { outbox } from "../device/index.js";
import { drawn, Refused, SILENT, signedIn, type Answers } from "../testing/drawn.js";
import { emptyOutbox } from "../testing/outbox.js";
import { StationPage } from "./station-page.js";

const place = (station: number, side: string, count: number) => ({
  ...{ station, side, use: "frontier", drill: { kind: "streak", count } },
  ...{ cautions: [], chance: null, reason: null },
});
const LESSON = {
  ...{ id: "l", version: 3, groupId: null, title: "Juniors", day: "2026-06-01", startTime: "17:30" },
  ...{ minutes: 15, place: "", progress: null, finishedAt: null },
  students: [
    { studentId: "ada", attendance: "present", places: [place(0, "left", 5)] },
    { studentId: "bo", attendance: "present", places: [place(1, "left", 9)] },
    { studentId: "cy", attendance: "present", places: [place(0, "right", 3)] },
  ],
  plan: {
    asked: { minutes: 15, coaches: 1, helpers: [], ropes: null, floor: null, missing: [], bans: [] },
    ...{ warmUpMinutes: 5, closeMinutes: 2 },
    rotations: [
      {
        minutes: 8,
        stations: [
          { subject: "cross", watchedBy: "coach" },
          { subject: "side-swing", watchedBy: "nobody" },
        ],
      },
    ],
  },
} as unknown as LessonView;
const option = (id: string, name: string) => ({
  ...{ id, name, options: [], heightMm: null, landingsLeft: null, multiplesLeft: null, hasStopped: false },
  ...{ ropeMm: null, hasOwnRope: false, apart: [], together: [] },
});
const NAMES = [option("ada", "Ada Lowe"), option("bo", "Bo Wick"), option("cy", "Cy Marsh")];

function station(at = "1/1", more: Answers = {}) {
  return drawn(
    <Routes>
      <Route path="lessons/:lessonId/:turn/:station" element={<StationPage />} />
    </Routes>,
    {
      at: `/lessons/l/${at}`,
      answers: {
        "GET /auth/session": signedIn("coach"),
        "GET /lessons/l": LESSON,
        "GET /lessons/l/options": { items: NAMES },
        "GET /students": { items: NAMES },
        "GET /presence": { items: [] },
        "POST /sets": SILENT,
        "GET /health": SILENT,
        ...more,
      },
    },
  );
}
const names = () => screen.getAllByRole("group").map((one) => one.getAttribute("aria-label"));

beforeEach(() => outbox.read());
afterEach(async () => {
  cleanup();
  await emptyOutbox();
  localStorage.clear();
});

describe("a station of a turn", () => {
  it("has those who are there, each with what they are to do", async () => {
    const { user } = station();
    expect(await screen.findByText("Juniors, turn 1, station 1, 2 students")).toBeDefined();
    expect(names()).toEqual(["Ada Lowe", "Cy Marsh"]);
    const task = (name: string) => screen.getByRole("group", { name }).closest("li")?.textContent ?? "";
    expect(task("Ada Lowe")).toMatch(/left side, 5 in a row/);
    expect(task("Cy Marsh")).toMatch(/right side, 3 in a row/);
    for (const name of ["Ada Lowe", "Cy Marsh"])
      await user.click(within(screen.getByRole("group", { name })).getByRole("button", { name: "Made it" }));
    await user.click(screen.getByRole("button", { name: /^Finish the round/ }));
    await screen.findByRole("heading", { name: "2 sets of this round" });
    const sets = outbox
      .current()
      .waiting.flatMap(({ command }): SetRequest[] => (command.kind === "set" ? [command.set] : []));
    expect(sets.map(({ studentId, subject, side, clean }) => [studentId, subject, side, clean])).toEqual([
      ["ada", "cross", "left", 5],
      ["cy", "cross", "right", 3],
    ]);
  });

  it("has nobody who is not here, and nothing where the lesson has no such station", async () => {
    const away = LESSON.students.map((one) =>
      one.studentId === "ada" ? { ...one, attendance: "absent" as const } : one,
    );
    station("1/1", { "GET /lessons/l": { ...LESSON, students: away } });
    await screen.findByText("Juniors, turn 1, station 1, 1 student");
    expect(names()).toEqual(["Cy Marsh"]);
    cleanup();
    for (const at of ["1/3", "2/1", "x/y"]) {
      station(at);
      expect(await screen.findByText("There is nothing at this station")).toBeDefined();
      cleanup();
    }
  });

  it("says what could not be read, and that it is being read", async () => {
    station("1/1", { "GET /students": new Refused(422, "Ask otherwise.") });
    expect(await screen.findByText("The class could not be read")).toBeDefined();
    cleanup();
    station("1/1", { "GET /lessons/l": new Refused(422, "No lesson.") });
    expect(await screen.findByText("The lesson could not be read")).toBeDefined();
    cleanup();
    station("1/1", { "GET /students": () => new Promise(() => undefined) });
    expect((await screen.findByRole("status")).textContent).toBe("Opening …");
  });

  it("keeps what somebody had done whom something hurts since, and asks nothing more of them", async () => {
    const { user } = station("1/1", { "PUT /students/ada/stop": SILENT, "PUT /students/cy/stop": SILENT });
    const ada = within(await screen.findByRole("group", { name: "Ada Lowe" }));
    await user.click(ada.getByRole("button", { name: "Made it" }));
    await user.click(screen.getByRole("button", { name: "Pain: stop today, Ada Lowe" }));
    await user.click(screen.getByRole("button", { name: "Pain: stop today, Cy Marsh" }));
    expect(screen.queryAllByRole("group")).toEqual([]);
    expect(screen.getByText("Jumping ends today. What was done until then is kept.")).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Finish the round: 1 of 2" }));
    await screen.findByRole("heading", { name: "1 set of this round" });
    expect(
      outbox
        .current()
        .waiting.flatMap(({ command }) => (command.kind === "set" ? [command.set.studentId] : [])),
    ).toEqual(["ada"]);
  });
});
