import { afterEach, describe, expect, it } from "@jest/globals";
import type { LessonProgress } from "@mirrup/contract";
import { CLASS_LIMITS, coachWay, type Place } from "@mirrup/core/planning";
import { cleanup, screen, within } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import { CoachNow } from "./coach-now.js";
import type { ShownPlan } from "./shown.js";

const NAMES: Readonly<Record<string, string>> = { ada: "Ada Lowe", bo: "Bo Wick" };
const nameOf = (id: string) => NAMES[id] ?? "Somebody";
const place = (station: number): Place => ({
  ...{ station, side: "left", use: "frontier", drill: { kind: "streak", count: 5 } },
  ...{ cautions: [], chance: null, reason: null },
});
const PLAN: ShownPlan = {
  ...{ warmUpMinutes: 5, closeMinutes: 2 },
  rotations: [
    {
      minutes: 10,
      stations: [
        { subject: "cross", watchedBy: "nobody" },
        { subject: "side-swing", watchedBy: "nobody" },
      ],
    },
  ],
  students: [
    { id: "ada", places: [place(0)] },
    { id: "bo", places: [place(1)] },
  ],
};
const at = (step: number, minutesAgo: number): LessonProgress => ({
  ...{ step, minutes: 10, skipped: [] },
  startedAt: new Date(Date.now() - 60_000 * minutesAgo).toISOString(),
});
function shown(progress: LessonProgress, coaches = 1) {
  drawn(<CoachNow {...{ plan: PLAN, coaches, progress, nameOf }} />);
  const list = screen.queryByRole("list", { name: "Where the coaches are" });
  return list === null
    ? []
    : within(list)
        .getAllByRole("listitem")
        .map((one) => one.textContent);
}

afterEach(cleanup);

describe("where the coaches are", () => {
  it("is nowhere while everybody warms up", () => {
    expect(shown(at(0, 1))).toEqual([]);
  });

  it("is one station after the other, with whom to look at there and when to go on", () => {
    const looks = coachWay(PLAN, 1).turns[0] ?? [];
    expect(looks).toHaveLength(2);
    const [first, second] = looks;
    const words = (station = 0) => (station === 0 ? "Ada Lowe" : "Bo Wick");
    const [now] = shown(at(1, CLASS_LIMITS.change));
    expect(now).toContain(`You: station ${(first?.station ?? 0) + 1}`);
    expect(now).toContain(words(first?.station));
    expect(now).toMatch(new RegExp(`In \\d+:\\d\\d to station ${(second?.station ?? 0) + 1}\\.$`));
    cleanup();
    const [last] = shown(at(1, 9.5));
    expect(last).toContain(`You: station ${(second?.station ?? 0) + 1}`);
    expect(last).not.toContain("to station");
  });

  it("is told of each coach by their number where there are several", () => {
    const said = shown(at(1, 1), 2);
    expect(said.map((one) => one.slice(0, 7))).toEqual(["Coach 1", "Coach 2"]);
  });
});
