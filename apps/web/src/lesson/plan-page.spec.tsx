import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { LessonChange, LessonView, Membership } from "@mirrup/contract";
import type { ClassAsked, ClassPlan, ClassStudent } from "@mirrup/core/planning";
import { act, cleanup, screen, waitFor } from "@testing-library/react";
import { Route, Routes, useNavigate } from "react-router";
import { outbox } from "../device/index.js";
import { drawn, Refused, signedIn } from "../testing/drawn.js";
import { closeChannels, workedBy } from "../testing/worker.js";
import { askedOf } from "./asked.js";
import { PlanPage } from "./plan-page.js";

const place = { ...{ station: 0, side: "left", use: "frontier", drill: { kind: "streak", count: 5 } } };
const rotations = [15, 15].map((minutes) => ({
  minutes,
  stations: [{ subject: "cross", watchedBy: "coach" }],
}));
const FIRST = askedOf(
  { plan: null, minutes: 40, students: [] } as unknown as LessonView,
  { coaches: 1, helpers: [], ropes: null, floor: null },
  "late",
);
const { placePins: _none, ...ASKED } = FIRST;
const placed = { ...place, cautions: [], chance: null, reason: null };
const LESSON = {
  ...{ id: "l", version: 3, groupId: null, title: "Juniors", day: "2026-06-01", startTime: "17:30" },
  ...{ minutes: 40, place: "Hall 2", progress: null, finishedAt: null },
  students: ["ada", "bo"].map((studentId) => ({
    ...{ studentId, attendance: "present", places: [placed, placed] },
  })),
  plan: {
    asked: ASKED,
    ...{ warmUpMinutes: 5, closeMinutes: 5, room: null, minutes: 20, useful: 20, sameForAll: 8, most: 30 },
    rotations,
  },
} as unknown as LessonView;

/** A studio whose server has this lesson and takes plans, and whose plans come when they are let go. */
function studio(role: Membership["role"] = "coach") {
  let now = LESSON;
  let letGo: (() => void) | null = null;
  let isHeld = false;
  const planned: ClassAsked[] = [];
  workedBy({
    plan: async (asked: ClassAsked, students: readonly ClassStudent[]): Promise<ClassPlan> => {
      planned.push(asked);
      if (isHeld) await new Promise<void>((resolve) => (letGo = resolve));
      return {
        ...{ warmUpMinutes: 5, closeMinutes: 5, room: null, minutes: asked.minutes, useful: asked.minutes },
        ...{ sameForAll: 8, most: 90, faults: [], rotations },
        students: students.map(({ id }) => ({ id, places: [placed, placed] })),
      } as unknown as ClassPlan;
    },
  });
  const theirs = (change: Partial<LessonView>) => (now = { ...now, ...change, version: now.version + 1 });
  const take = (body: unknown) => {
    const { version, students: _places, ...fields } = body as LessonChange;
    return version === now.version
      ? theirs(fields)
      : new Refused(409, "It was changed.", { type: "stale-change", detail: "It was changed." });
  };
  const option = (id: string, name: string) => ({
    ...{ id, name, options: [], heightMm: null, landingsLeft: null, multiplesLeft: null, hasStopped: false },
    ...{ ropeMm: null, hasOwnRope: false, apart: [], together: [] },
  });
  const open = () => {
    let go: ReturnType<typeof useNavigate>;
    function Elsewhere() {
      return <p>Elsewhere</p>;
    }
    function Way() {
      go = useNavigate();
      return null;
    }
    const view = drawn(
      <>
        <Way />
        <Routes>
          <Route path="lessons/:lessonId/plan" element={<PlanPage />} />
          <Route path="*" element={<Elsewhere />} />
        </Routes>
      </>,
      {
        at: "/lessons/l/plan",
        answers: {
          "GET /auth/session": signedIn(role),
          "GET /lessons/l": () => structuredClone(now),
          "GET /lessons/l/options": { items: [option("ada", "Ada Lowe"), option("bo", "Bo Wick")] },
          "GET /students": { items: [{ id: "ada", name: "Ada Lowe" }] },
          "GET /students/archived": { items: [] },
          "GET /settings": { items: [] },
          "GET /pairs": { items: [] },
          "PATCH /lessons/l": take,
        },
      },
    );
    const plans = () => view.sent.flatMap(({ body }) => (body as LessonChange).plan?.asked.minutes ?? []);
    const leave = async () => {
      act(() => void go("/elsewhere"));
      await screen.findByText("Elsewhere");
    };
    return { ...view, plans, leave };
  };
  return {
    ...{ open, theirs, planned, now: () => now },
    hold: () => (isHeld = true),
    /** The plan that is being made is there. */
    letGo: async () => {
      isHeld = false;
      await act(async () => {
        letGo?.();
        await Promise.resolve();
      });
    },
  };
}

const minutes = () => screen.findByRole<HTMLInputElement>("textbox", { name: "Minutes" });
async function ask({ user }: ReturnType<typeof drawn>, many: string) {
  await user.clear(await minutes());
  await user.type(await minutes(), `${many}{Enter}`);
}
/** Somebody else's change is heard of. */
const hear = (view: ReturnType<typeof drawn>) =>
  act(async () => {
    await view.client.invalidateQueries({ queryKey: ["lessons", "l"] });
  });

beforeEach(() => {
  sessionStorage.clear();
  localStorage.clear();
  return outbox.read();
});
afterEach(() => {
  cleanup();
  closeChannels();
});

describe("a class's plan, changed", () => {
  it("is planned and stored, change by change, and as it was before once that is undone", async () => {
    const { open, now } = studio();
    const view = open();
    await ask(view, "50");
    await waitFor(() => expect(now().plan?.asked.minutes).toBe(50));
    await ask(view, "45");
    await waitFor(() => expect(now().minutes).toBe(45));
    expect(await screen.findByText("The last change costs 5 useful minutes.")).toBeTruthy();
    await view.user.click(screen.getByRole("button", { name: "Undo" }));
    await waitFor(() => expect(now().minutes).toBe(50));
    await view.user.click(screen.getByRole("button", { name: "Redo" }));
    await waitFor(() => expect(now().minutes).toBe(45));
    expect(await screen.findByText("Saved")).toBeTruthy();
    expect(sessionStorage.length).toBe(0);
  });

  it("is asked again where the page was left before it was planned", async () => {
    const { open, hold, now, letGo } = studio();
    hold();
    const first = open();
    await ask(first, "50");
    await screen.findByRole("button", { name: "Undo" });
    await first.leave();
    expect(first.sent).toEqual([]);
    cleanup();
    const second = open();
    expect((await minutes()).value).toBe("50");
    await waitFor(() => letGo().then(() => expect(now().minutes).toBe(50)));
    expect(second.plans()).toEqual([50]);
    await waitFor(() => expect(sessionStorage.length).toBe(0));
  });

  it("is asked too where a number was typed in the very moment of leaving", async () => {
    const { open, now } = studio();
    const first = open();
    await first.user.clear(await minutes());
    await first.user.type(await minutes(), "55");
    await first.leave();
    cleanup();
    open();
    await waitFor(() => expect(now().minutes).toBe(55));
  });

  it("is not asked again where the page was left while it was stored", async () => {
    const { open, now } = studio();
    const first = open();
    await ask(first, "50");
    await waitFor(() => expect(now().minutes).toBe(50));
    await first.leave();
    await waitFor(() => expect(sessionStorage.length).toBe(0));
    cleanup();
    const second = open();
    await minutes();
    expect(screen.queryByText("What you last asked for is not in this plan")).toBeNull();
    expect(second.sent).toEqual([]);
  });

  it("is offered again, and not put over theirs, where somebody else changed the lesson meanwhile", async () => {
    const { open, hold, theirs, letGo, now } = studio();
    hold();
    const first = open();
    await ask(first, "50");
    await first.leave();
    cleanup();
    theirs({ minutes: 60, plan: { ...LESSON.plan, asked: { ...ASKED, minutes: 60 } } as LessonView["plan"] });
    await letGo();
    const second = open();
    expect(await screen.findByText("What you last asked for is not in this plan")).toBeTruthy();
    expect((await minutes()).value).toBe("60");
    await second.user.click(screen.getByRole("button", { name: "Ask for it again" }));
    await waitFor(() => expect(now().minutes).toBe(50));
    expect(screen.queryByText("What you last asked for is not in this plan")).toBeNull();
  });

  it("is let go where it is discarded", async () => {
    const { open, hold, theirs, letGo } = studio();
    hold();
    const first = open();
    await ask(first, "50");
    await first.leave();
    cleanup();
    theirs({ title: "Seniors" });
    await letGo();
    const second = open();
    await second.user.click(await screen.findByRole("button", { name: "Discard it" }));
    expect(sessionStorage.length).toBe(0);
    expect(second.sent).toEqual([]);
  });
});

describe("a class's plan that a colleague changes at another desk", () => {
  const asked60 = {
    ...LESSON.plan,
    asked: { ...ASKED, minutes: 60, coaches: 2 },
    rotations: rotations.map((turn) => ({ ...turn, stations: [{ subject: "skier", watchedBy: "nobody" }] })),
  } as unknown as LessonView["plan"];

  it("is shown as they left it, and the next change is one of theirs", async () => {
    const { open, theirs, now } = studio();
    const view = open();
    await ask(view, "50");
    await waitFor(() => expect(now().minutes).toBe(50));
    await screen.findByText("Saved");
    theirs({ minutes: 60, plan: asked60 });
    await hear(view);
    expect(await screen.findByText(/^Somebody else changed this lesson/)).toBeTruthy();
    expect((await minutes()).value).toBe("60");
    expect(screen.getAllByTitle("skier")).toHaveLength(2);
    await ask(view, "70");
    await waitFor(() => expect(now().minutes).toBe(70));
    // Their second coach is still there.
    expect(now().plan?.asked.coaches).toBe(2);
  });

  it("is not written over by what was asked for before it was heard of", async () => {
    const { open, hold, letGo, theirs, now } = studio();
    hold();
    const view = open();
    await ask(view, "50");
    theirs({ minutes: 60, plan: asked60 });
    await hear(view);
    await letGo();
    expect(await screen.findByText(/Somebody else changed this plan meanwhile/)).toBeTruthy();
    expect(now().minutes).toBe(60);
    // And it is still there to be asked for on their plan.
    cleanup();
    const second = open();
    await second.user.click(await screen.findByRole("button", { name: "Ask for it again" }));
    await waitFor(() => expect(now().minutes).toBe(50));
  });

  it("keeps their name for it where only the place is changed here", async () => {
    const { open, theirs, now } = studio();
    const view = open();
    await view.user.click(await screen.findByText("Name, day, hour and place"));
    const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name);
    await view.user.clear(field("Name"));
    await view.user.type(field("Name"), "Seniors{Enter}");
    await waitFor(() => expect(now().title).toBe("Seniors"));
    await view.user.click(document.body);
    theirs({ title: "Elders" });
    await hear(view);
    await waitFor(() => expect(field("Name").value).toBe("Elders"));
    await view.user.clear(field("Where"));
    await view.user.type(field("Where"), "Hall 3");
    await view.user.tab();
    await view.user.click(document.body);
    await waitFor(() => expect(now().place).toBe("Hall 3"));
    expect(now().title).toBe("Elders");
    // The change of one's own is none of somebody else's.
    expect(view.sent.at(-1)?.body).toEqual({ version: 5, place: "Hall 3" });
  });

  it("keeps a name where it is left empty, and may have no hour", async () => {
    const { open, now } = studio();
    const view = open();
    await view.user.click(await screen.findByText("Name, day, hour and place"));
    await view.user.clear(screen.getByLabelText("Name"));
    await view.user.click(document.body);
    expect(screen.getByLabelText<HTMLInputElement>("Name").value).toBe("Juniors");
    expect(view.sent).toEqual([]);
    await view.user.clear(screen.getByLabelText("Begins"));
    await view.user.click(document.body);
    await waitFor(() => expect(now().startTime).toBeNull());
  });

  it("is shown to somebody who may not change it, without anything to change", async () => {
    const { open } = studio("viewer");
    open();
    expect(await screen.findByRole("table", { name: "The class by turns and stations" })).toBeTruthy();
    expect(screen.queryByRole("textbox", { name: "Minutes" })).toBeNull();
    expect(screen.queryByText("Name, day, hour and place")).toBeNull();
  });
});
