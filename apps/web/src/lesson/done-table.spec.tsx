import { afterEach, describe, expect, it } from "@jest/globals";
import type { DoneSide, LessonView } from "@mirrup/contract";
import { coachWay, type Place } from "@mirrup/core/planning";
import { cleanup, screen, within } from "@testing-library/react";
import { drawn, Refused } from "../testing/drawn.js";
import { DoneTable } from "./done-table.js";
import type { ShownPlan } from "./shown.js";
import { TurnsFigure } from "./turns-figure.js";

const NAMES: Readonly<Record<string, string>> = { a: "Zoë Marchbank", b: "Ada Lowe", c: "Cy Lorne" };
const nameOf = (id: string) => NAMES[id] ?? "Somebody";
const place = (station: number, count: number): Place => ({
  ...{ station, side: "left", use: "frontier", drill: { kind: "streak", count } },
  ...{ cautions: [], chance: null, reason: null },
});
const stations = ["cross", "side-swing"].map((subject) => ({ subject, watchedBy: "nobody" as const }));
const PLAN: ShownPlan = {
  ...{ warmUpMinutes: 5, closeMinutes: 2 },
  rotations: [8, 7].map((minutes) => ({ minutes, stations })),
  students: [
    { id: "a", places: [place(0, 5), place(1, 12)] },
    { id: "b", places: [place(1, 9), null] },
  ],
};
const LESSON = {
  ...{ id: "l", startTime: "17:30" },
  students: [
    { studentId: "a", attendance: "present", places: [] },
    { studentId: "c", attendance: "absent", places: [] },
  ],
} as unknown as LessonView;
const side = (studentId: string, subject: string): DoneSide => ({
  ...{ studentId, subject, side: "left", sets: 1, tries: 6, clean: 4, bestStreak: 3 },
});

afterEach(cleanup);

describe("what was planned and what was done", () => {
  const table = (items: unknown) =>
    drawn(<DoneTable lesson={LESSON} plan={PLAN} nameOf={nameOf} />, {
      answers: { "GET /lessons/l/done": items },
    });

  it("stand side by side, by name, with what was done beside the plan", async () => {
    table({ items: [side("a", "cross"), side("b", "skier")] });
    const rows = within(
      await screen.findByRole("table", { name: "Planned and done by student" }),
    ).getAllByRole("row");
    expect(rows.slice(1).map((row) => [...row.children].map((cell) => cell.textContent))).toEqual([
      ["Ada Lowe", "1", "Side swing, left side: 9 in a row", "not written down"],
      ["Ada Lowe", "beside", "Skier, left side", "4 clean of 6, best 3 in a row"],
      ["Zoë Marchbank", "1", "Cross, left side: 5 in a row", "4 clean of 6, best 3 in a row"],
      ["Zoë Marchbank", "2", "Side swing, left side: 12 in a row", "not written down"],
    ]);
    expect(rows.map((row) => row.getAttribute("data-first")).slice(1)).toEqual([
      "true",
      "false",
      "true",
      "false",
    ]);
    expect(screen.getByText("1 of 3 planned turns are written down. Away: Cy Lorne.")).toBeDefined();
  });

  it("say so where it could not be read", async () => {
    table(new Refused(500, "It broke."));
    expect((await screen.findByRole("alert")).textContent).toBe("What was done could not be read. It broke.");
  });
});

describe("who goes where, as a picture", () => {
  const texts = (startTime: string | null, coaches: number) => {
    drawn(<TurnsFigure {...{ plan: PLAN, way: coachWay(PLAN, coaches), startTime, nameOf }} />);
    return [...document.querySelectorAll("svg text")].map((one) => one.textContent);
  };

  it("names the turns with their hours, the stations with their drills, and everybody once", () => {
    const said = texts("17:30", 1);
    expect(said.slice(0, 2)).toEqual(["1 · 17:35", "2 · 17:43"]);
    expect(said.filter((one) => one.startsWith("Station"))).toEqual(["Station 1", "Station 2"]);
    expect(said.filter((one) => one === "cross")).toHaveLength(2);
    expect(said.filter((one) => Object.values(NAMES).includes(one)).sort()).toEqual([
      "Ada Lowe",
      "Zoë Marchbank",
    ]);
    expect(document.querySelector("figcaption")?.textContent).toContain("the coach");
    expect(document.querySelector("figure")?.getAttribute("aria-hidden")).toBe("true");
  });

  it("counts minutes where no hour is set, and has a line for each coach", () => {
    expect(texts(null, 2).slice(0, 2)).toEqual(["1 · 5 min", "2 · 13 min"]);
    expect(document.querySelector("figcaption")?.textContent).toContain("the coaches");
    expect(document.querySelectorAll("path[data-second]")).toHaveLength(2);
  });
});
