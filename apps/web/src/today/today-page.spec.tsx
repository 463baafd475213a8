import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import type { GroupView, LessonView, Membership, StudentView } from "@mirrup/contract";
import { act, cleanup, screen, waitFor, within } from "@testing-library/react";
import { sayStop } from "../device/index.js";
import { drawn, Refused, SILENT, signedIn, type Answers } from "../testing/drawn.js";
import { emptyOutbox } from "../testing/outbox.js";
import { TodayPage } from "./today-page.js";

/** A Tuesday. */
const NOW = new Date("2026-06-02T12:00:00Z");
const student = (name: string, more: Partial<StudentView> = {}) =>
  ({
    ...{ id: name.toLowerCase(), name, archived: false, hasStopped: false, reviewsDue: 0, stuck: 0 },
    ...{ next: null, nextCodes: "", lastPractisedAt: "2026-06-01T17:00:00Z", ...more },
  }) as unknown as StudentView;
const ADA = student("Ada", {
  ...{ reviewsDue: 2, stuck: 1 },
  next: {
    ...{ subject: "cross", side: "left", drill: { kind: "streak", count: 10 }, chance: 0.9 },
    reason: { code: "near-gate", best: 12, gate: 15 },
  } as never,
});
const JUNIORS = {
  ...{ id: "g", name: "Juniors", archived: false, weekday: 2, startTime: "17:00", place: "Small hall" },
  members: ["ada"],
} as unknown as GroupView;
const lesson = (more: Partial<LessonView> = {}) =>
  ({
    ...{ id: "l", version: 1, groupId: "g", title: "Juniors", day: "2026-06-02", startTime: "17:00" },
    ...{ minutes: 60, place: "", plan: null, progress: null, finishedAt: null },
    students: [{ studentId: "ada", attendance: "expected", places: [] }],
    ...more,
  }) as unknown as LessonView;
const PLAN = { rotations: [{ minutes: 8, stations: [{}, {}] }] } as never;

function page(
  {
    groups = [],
    lessons = [],
    students = [ADA],
    role = "coach",
  }: {
    groups?: readonly GroupView[];
    lessons?: readonly LessonView[];
    students?: readonly StudentView[];
    role?: Membership["role"];
  },
  more: Answers = {},
) {
  const [first] = lessons;
  return drawn(<TodayPage />, {
    at: "/today",
    answers: {
      "GET /auth/session": signedIn(role),
      "GET /studio": { id: "s", name: "Tannery Yard", timeZone: "UTC", school: "steady-hold", settings: {} },
      "GET /students": { items: students },
      "GET /students/archived": { items: [] },
      "GET /groups": { items: groups },
      "GET /lessons": { items: lessons },
      ...(first === undefined ? {} : { [`GET /lessons/${first.id}`]: first }),
      ...more,
    },
  });
}

beforeEach(() => {
  jest.useFakeTimers({
    now: NOW,
    doNotFake: ["setTimeout", "setInterval", "queueMicrotask", "nextTick", "setImmediate"],
  });
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

describe("today", () => {
  it("names the day and the studio, and says so where nobody meets", async () => {
    page({});
    expect((await screen.findByRole("heading", { level: 1 })).textContent).toBe("Tuesday 2 June");
    expect(screen.getByText("Tannery Yard")).toBeDefined();
    expect(screen.getByText(/No group meets today\./)).toBeDefined();
  });

  it("has a group's class on its day, with what each does next and what to mind", async () => {
    page({ groups: [JUNIORS] });
    const meeting = within(await screen.findByRole("region", { name: "Juniors" }));
    expect(meeting.getByText("17:00")).toBeDefined();
    expect(meeting.getByText("60 minutes, Small hall. Not planned yet.")).toBeDefined();
    expect(meeting.getByText("2 reviews due, stuck on 1")).toBeDefined();
    expect(
      meeting.getByRole("link", { name: /^cross, left side: 10 in a row 9 in 10$/ }).getAttribute("href"),
    ).toMatch(/students\/ada\/floor\/cross\/left/);
  });

  it.each<[string, Partial<LessonView>, string, string]>([
    ["not planned", {}, "Not planned yet.", "Plan the class"],
    ["planned", { plan: PLAN }, "Planned: 1 turn at 2 stations.", "Start the lesson"],
    ["under way", { plan: PLAN, progress: { step: 1 } as never }, "Under way: step 2 of 3.", "Go on"],
    ["over", { plan: PLAN, finishedAt: "2026-06-02T18:00:00Z" }, "Held.", "Planned and done"],
  ])("shows a lesson that is %s, and what can be done with it", async (_, more, state, action) => {
    page({ lessons: [lesson(more)] });
    const meeting = within(await screen.findByRole("region", { name: "Juniors" }));
    expect(meeting.getByText(new RegExp(state))).toBeDefined();
    expect(meeting.getByRole("link", { name: action })).toBeDefined();
  });

  it("makes the lesson by the first tap on a class that nobody has opened", async () => {
    const { user, sent } = page({ groups: [JUNIORS] }, { "POST /lessons": { items: [] } });
    await user.click(await screen.findByRole("button", { name: "Here" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({
      lessons: [{ groupId: "g", day: "2026-06-02", students: [{ studentId: "ada", attendance: "present" }] }],
    });
  });

  it("opens the plan of a class once its lesson is made", async () => {
    const { user, sent, address } = page({ groups: [JUNIORS] }, { "POST /lessons": { items: [] } });
    await user.click(await screen.findByRole("button", { name: "Plan the class" }));
    await waitFor(() => expect(address()).toMatch(/^\/lessons\/.+\/plan$/));
    const { lessons } = sent[0]?.body as { lessons: { id: string }[] };
    expect(address()).toBe(`/lessons/${lessons[0]?.id ?? ""}/plan`);
  });

  it("lists the seven days ahead", async () => {
    page({ groups: [{ ...JUNIORS, weekday: 4 }] });
    const coming = await screen.findByText("Thursday 4 June, 17:00");
    expect(coming.parentElement?.textContent).toContain("Juniors");
    expect(screen.getByRole("button", { name: "Plan it" })).toBeDefined();
  });

  it("lets a viewer look, and mark or plan nothing", async () => {
    page({ lessons: [lesson()], role: "viewer" });
    expect(await screen.findByText("1 student is expected.")).toBeDefined();
    expect(screen.queryByRole("button", { name: "Here" })).toBeNull();
    expect(screen.queryByLabelText("Plan a class out of turn, for today")).toBeNull();
  });

  it("leads a new studio to its first steps, and no other", async () => {
    page({ students: [student("Ada", { lastPractisedAt: null })] });
    expect(await screen.findByRole("link", { name: "The first steps" })).toBeDefined();
    cleanup();
    page({});
    await screen.findByRole("heading", { level: 1 });
    expect(screen.queryByRole("link", { name: "The first steps" })).toBeNull();
  });

  it("says what could not be read", async () => {
    page({}, { "GET /groups": new Refused(500, "It broke.") });
    expect(await screen.findByText("Today could not be read")).toBeDefined();
  });

  it("offers no drill to whom something hurts, at once and whatever was read", async () => {
    page({ groups: [JUNIORS] }, { "PUT /students/ada/stop": SILENT, "GET /health": SILENT });
    await screen.findByRole("link", { name: /cross, left side: 10 in a row/ });
    act(() => sayStop("ada", true));
    await waitFor(() => expect(screen.queryByRole("link", { name: /cross, left side/ })).toBeNull());
    expect(screen.getByText("stopped for today")).toBeDefined();
    await emptyOutbox();
  });
});
