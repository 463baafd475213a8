import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { LessonRun, LessonView, Membership } from "@mirrup/contract";
import { act, cleanup, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, signedIn, SILENT, type Answers } from "../testing/drawn.js";
import { outbox } from "../device/index.js";
import { HallPage } from "./hall-page.js";

const place = (station: number, count: number) => ({
  ...{ station, side: "left", use: "frontier", drill: { kind: "streak", count } },
  ...{ cautions: [], chance: null, reason: null },
});
const stations = [
  { subject: "cross", watchedBy: "coach" },
  { subject: "side-swing", watchedBy: "nobody" },
];
const STUDENTS = [
  { studentId: "ada", attendance: "present", places: [place(0, 5), place(1, 12)] },
  { studentId: "bo", attendance: "present", places: [place(1, 9), place(0, 3)] },
];
const LESSON = {
  ...{
    id: "l",
    version: 3,
    groupId: null,
    title: "Juniors",
    day: "2026-06-01",
    startTime: "17:30",
    minutes: 22,
  },
  ...{ place: "Hall 2", progress: null, finishedAt: null, students: STUDENTS },
  plan: {
    asked: { minutes: 22, coaches: 1, helpers: [], ropes: null, floor: null, missing: [], bans: [] },
    ...{ warmUpMinutes: 5, closeMinutes: 2, rotations: [8, 7].map((minutes) => ({ minutes, stations })) },
  },
} as unknown as LessonView;
const option = (id: string, name: string) => ({
  ...{ id, name, options: [], heightMm: null, landingsLeft: null, multiplesLeft: null, hasStopped: false },
  ...{ ropeMm: null, hasOwnRope: false, apart: [], together: [] },
});
const ago = (minutes: number) => new Date(Date.now() - 60_000 * minutes).toISOString();
/** Under way for so many minutes: each step before took ten. */
const at = (step: number, begun: number) => ({
  ...{ step, minutes: 8, skipped: [], startedAt: ago(begun) },
  trail: Array.from({ length: step }, (_, before) => ({
    ...{ step: before, minutes: 5, startedAt: ago(begun + 10 * (step - before)) },
  })),
});

function hall(changes: Partial<LessonView> = {}, role: Membership["role"] = "coach", more: Answers = {}) {
  let now = { ...LESSON, ...changes };
  const take = (run: unknown) => {
    const { progress, finished } = run as LessonRun;
    now = {
      ...now,
      ...(progress === undefined ? {} : { progress }),
      ...(finished === undefined ? {} : { finishedAt: finished ? ago(0) : null }),
    };
    return now;
  };
  const view = drawn(
    <Routes>
      <Route path="lessons/:lessonId" element={<HallPage />} />
    </Routes>,
    {
      at: "/lessons/l",
      answers: {
        "GET /auth/session": signedIn(role),
        "GET /health": { status: "ok" },
        "GET /lessons/l": () => now,
        "GET /lessons/l/options": { items: [option("ada", "Ada Lowe"), option("bo", "Bo Wick")] },
        "GET /lessons/l/done": { items: [] },
        "GET /students": {
          items: [
            { id: "ada", name: "Ada Lowe" },
            { id: "bo", name: "Bo Wick" },
          ],
        },
        "GET /students/archived": { items: [] },
        "GET /presence": { items: [] },
        "PATCH /lessons/l/run": take,
        ...more,
      },
    },
  );
  const runs = () =>
    view.sent.filter(({ path }) => path === "/lessons/l/run").map(({ body }) => body as LessonRun);
  return { ...view, runs };
}
const button = (name: string) => screen.findByRole("button", { name });
const heading = (name: string) => screen.findByRole("heading", { name });

beforeEach(() => outbox.read());
afterEach(async () => {
  for (const one of [...outbox.current().waiting, ...outbox.current().refused])
    await act(() => outbox.discard(one));
  cleanup();
});

describe("a class in the hall", () => {
  it("begins with the warm-up once it is said so, and goes on to who is where", async () => {
    const { user, runs } = hall();
    await heading("Who is here?");
    await user.click(await button("Begin with the warm-up"));
    await heading("Warm-up together");
    await user.click(await button("Next: turn 1"));
    await heading("Turn 1");
    const [first] = screen.getAllByRole("list").filter((one) => within(one).queryByText("Ada Lowe") !== null);
    expect(first?.textContent).toMatch(/1 Cross.*Ada Lowe.*2 Side swing.*Bo Wick/);
    // What waited of the warm-up is said better by the turn.
    await waitFor(() => expect(runs().at(-1)).toMatchObject({ progress: { step: 1, trail: [{ step: 0 }] } }));
  });

  it("goes back from a step that began by mistake, to the one before with its clock running on", async () => {
    const progress = at(2, 1);
    const { user, runs } = hall({ progress });
    await heading("Turn 2");
    await user.click(await button("Back to turn 1"));
    await heading("Turn 1");
    await waitFor(() => expect(runs()).toHaveLength(1));
    expect(runs()[0]).toMatchObject({
      takesBack: progress.startedAt,
      progress: { step: 1, minutes: 5, startedAt: progress.trail[1]?.startedAt },
    });
    await user.click(await button("Back to the warm-up"));
    await heading("Warm-up together");
    expect(screen.queryByRole("button", { name: /^Back to/ })).toBeNull();
  });

  it("goes back also without a network, by a key too", async () => {
    const { user } = hall({ progress: at(1, 1) }, "coach", { "PATCH /lessons/l/run": SILENT });
    await button("Next: turn 2");
    await user.keyboard("n");
    await heading("Turn 2");
    await user.keyboard("b");
    await heading("Turn 1");
  });

  it("offers no way back where none is known, and none to a viewer", async () => {
    const { trail: _, ...older } = at(2, 1);
    hall({ progress: older });
    await button("Next: close together");
    expect(screen.queryByRole("button", { name: /^Back to/ })).toBeNull();
    cleanup();
    hall({ progress: at(2, 1) }, "viewer");
    await heading("Turn 2");
    expect(screen.queryByRole("button", { name: /Next|Back to|Finish/ })).toBeNull();
  });

  it("has more minutes, is left with a skipped turn, and ends, all of it while nobody answers", async () => {
    const { user } = hall({ progress: at(1, 1) }, "coach", { "PATCH /lessons/l/run": SILENT });
    await heading("Turn 1");
    expect(screen.getByRole("timer").textContent).toMatch(/^(7:00|6:5\d)$/);
    await user.click(await button("2 min more"));
    await waitFor(() => expect(screen.getByRole("timer").textContent).toMatch(/^(9:00|8:5\d)$/));
    await user.click(await button("Skip"));
    await heading("Turn 2");
    const strip = within(screen.getByRole("list", { name: "Steps of the lesson" })).getAllByRole("listitem");
    expect(strip.map((one) => one.getAttribute("data-state"))).toEqual(["done", "skipped", "now", "ahead"]);
    await user.click(await button("Next: close together"));
    await heading("Close together");
    await user.click(await button("Finish the class"));
    await heading("Planned and done");
    await user.click(await button("Go on with the lesson"));
    await heading("Close together");
  });

  it("says so where nothing is planned, and what went wrong where it cannot be read", async () => {
    hall({ plan: null });
    await heading("Not planned yet");
    expect(screen.getByRole("link", { name: "plan the class" }).getAttribute("href")).toMatch(
      /\/lessons\/l\/plan$/,
    );
    cleanup();
    hall({}, "coach", { "GET /lessons/l": SILENT });
    expect(await screen.findByText("The lesson could not be read")).toBeDefined();
  });
});
