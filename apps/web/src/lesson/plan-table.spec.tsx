import { afterEach, describe, expect, it } from "@jest/globals";
import type { ClassStudentView } from "@mirrup/contract";
import type { Place } from "@mirrup/core/planning";
import { cleanup, screen, within } from "@testing-library/react";
import { useState } from "react";
import { drawn } from "../testing/drawn.js";
import { askedOf, type Asked } from "./asked.js";
import { PlanTable } from "./plan-table.js";
import type { ShownPlan } from "./shown.js";

const NAMES: Readonly<Record<string, string>> = { ada: "Ada Lowe", bo: "Bo Wick", cy: "Cy Lorne" };
const nameOf = (id: string) => NAMES[id] ?? "Somebody";
const place = (station: number, more: Partial<Place> = {}): Place => ({
  ...{ station, side: "left", use: "frontier", drill: { kind: "streak", count: 5 } },
  ...{ cautions: [], chance: null, reason: null },
  ...more,
});
const stations = [
  { subject: "cross", watchedBy: "coach" as const },
  { subject: "side-swing", watchedBy: "nobody" as const },
];
const PLAN: ShownPlan = {
  ...{ warmUpMinutes: 6, closeMinutes: 4 },
  rotations: [25, 25].map((minutes) => ({ minutes, stations })),
  students: [
    { id: "ada", places: [place(0), place(1)] },
    { id: "bo", places: [place(1, { use: "keep" }), place(0)] },
    { id: "cy", places: [null, place(0)] },
  ],
};
const OPTIONS = ["ada", "bo", "cy"].map((id) => ({
  ...{ id, name: nameOf(id) },
  options: [{ subject: id === "bo" ? "side-swing" : "cross", side: "left", use: "frontier" }],
})) as unknown as readonly ClassStudentView[];
const FIRST: Asked = {
  ...askedOf(
    { plan: null, minutes: 60, students: [] } as unknown as Parameters<typeof askedOf>[0],
    { coaches: 1, helpers: [], ropes: null, floor: null },
    "late",
  ),
  stations: 2,
  turns: [25, 25],
};

function table(first: Partial<Asked> = {}, mayEdit = true) {
  const said: Asked[] = [];
  function Table() {
    const [asked, ask] = useState<Asked>({ ...FIRST, ...first });
    return (
      <PlanTable
        {...{ plan: PLAN, asked, options: OPTIONS, startTime: "17:30", mayEdit, nameOf }}
        beadOf={() => null}
        onAsk={(next) => {
          said.push(next);
          ask(next);
        }}
      />
    );
  }
  return { ...drawn(<Table />), said };
}
const row = (turn: number) => within(screen.getAllByRole("row")[turn] ?? document.body);
/** What the menu of somebody in a turn offers. */
async function menuOf({ user }: ReturnType<typeof table>, turn: number, name: RegExp) {
  await user.click(row(turn).getByRole("button", { name }));
  return (await screen.findAllByRole("menuitem")).map((one) => one.textContent);
}
const item = (name: string) => screen.findByRole("menuitem", { name });

afterEach(cleanup);

describe("a class's plan as a table", () => {
  it("has turns down and stations across, with when each begins and who is where", () => {
    table({}, false);
    expect(
      row(0)
        .getAllByRole("columnheader")
        .map((one) => one.textContent),
    ).toEqual(["Turn", "Station 1", "Station 2"]);
    expect(row(1).getByRole("rowheader").textContent).toBe("117:3625 min");
    expect(row(2).getByRole("rowheader").textContent).toBe("218:0125 min");
    const cells = row(1).getAllByRole("cell");
    expect(cells[0]?.textContent).toMatch(/^Crosscoach.*Ada Lowe/);
    expect(cells[1]?.textContent).toMatch(/^Side swingBo Wick/);
    // Who comes late is in no cell before.
    expect(row(1).queryByText("Cy Lorne")).toBeNull();
    expect(row(2).getByText("Cy Lorne")).toBeDefined();
  });

  it("only shows what cannot be changed any more", async () => {
    const view = table({}, false);
    expect(screen.queryAllByRole("combobox")).toEqual([]);
    expect(screen.queryByRole("button", { name: /a minute/ })).toBeNull();
    await view.user.click(row(1).getByRole("button", { name: /Ada Lowe/ }));
    expect(screen.queryByRole("menuitem")).toBeNull();
  });

  it("gives a turn a minute that the later ones lose, and takes it back", async () => {
    const { user, said } = table();
    await user.click(screen.getByRole("button", { name: "Turn 1 a minute longer" }));
    expect(said.at(-1)?.turns?.[0]).toBe(26);
    await user.click(screen.getByRole("button", { name: "Turn 1 a minute shorter" }));
    expect(said.at(-1)?.turns?.[0]).toBe(25);
  });

  it("moves somebody to another station of the turn, and keeps or lets go of them", async () => {
    const view = table();
    expect(await menuOf(view, 1, /Ada Lowe/)).toEqual([
      "Keep here",
      "To station 2: another drill for it",
      "Bo Wick",
    ]);
    await view.user.click(await item("To station 2: another drill for it"));
    expect(view.said.at(-1)?.placePins).toEqual([{ rotation: 0, station: 1, student: "ada" }]);
    cleanup();
    const pinned = table({ placePins: [{ rotation: 0, station: 0, student: "ada" }] });
    expect(row(1).getByLabelText("put here by hand")).toBeDefined();
    expect((await menuOf(pinned, 1, /Ada Lowe/))[0]).toBe("Let the plan decide again");
    await pinned.user.click(await item("Let the plan decide again"));
    expect(pinned.said.at(-1)?.placePins).toEqual([]);
  });

  it("lets two of a turn change places, of those alone who are elsewhere in it", async () => {
    const view = table();
    // Cy is not there in the first turn, and at the same station in the second.
    expect(await menuOf(view, 2, /Bo Wick/)).toEqual(["Keep here", "To station 2: side swing", "Ada Lowe"]);
    await view.user.click(await item("Ada Lowe"));
    expect(view.said.at(-1)?.placePins).toEqual([
      { rotation: 1, station: 1, student: "bo" },
      { rotation: 1, station: 0, student: "ada" },
    ]);
  });

  it("has another drill at a station, by how many it is useful to, or none of it today", async () => {
    const view = table();
    /** An option of that drill's own list; those of the others are there too, unseen. */
    const option = async (name: RegExp) => {
      const drill = screen.getByRole("combobox", { name: "Turn 1, station 2: the drill" });
      await view.user.click(drill);
      const list = document.getElementById(drill.getAttribute("aria-controls") ?? "");
      return within(list ?? document.body).findByRole("option", { name, hidden: true });
    };
    const cross = await option(/^cross/);
    expect(cross.textContent).toBe("crossuseful to 2");
    await view.user.click(cross);
    expect(view.said.at(-1)?.stationPins).toEqual([{ rotation: 0, station: 1, subject: "cross" }]);
    await view.user.click(await option(/^Let the plan choose$/));
    expect(view.said.at(-1)?.stationPins).toEqual([]);
    await view.user.click(await option(/^No side swing today$/));
    expect(view.said.at(-1)?.bans).toEqual(["side-swing"]);
  });
});
