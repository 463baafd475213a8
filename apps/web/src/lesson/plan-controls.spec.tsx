import { afterEach, describe, expect, it } from "@jest/globals";
import type { StudentPair } from "@mirrup/contract";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { useState } from "react";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { askedOf, type Asked } from "./asked.js";
import { PlanControls } from "./plan-controls.js";

const STUDENTS = ["Ada", "Bo", "Cy"].map((name) => ({ id: name.toLowerCase(), name }));
const FIRST = {
  ...askedOf(
    { plan: null, minutes: 60, students: [] } as unknown as Parameters<typeof askedOf>[0],
    { coaches: 1, helpers: [], ropes: null, floor: null },
    "late",
  ),
  stations: 3,
  // At the third station.
  placePins: [{ rotation: 0, station: 2, student: "ada" }],
};

function controls(first: Partial<Asked> = {}, answers: Answers = {}) {
  const said: Asked[] = [];
  function Controls() {
    const [asked, ask] = useState<Asked>({ ...FIRST, ...first });
    return (
      <PlanControls
        asked={asked}
        students={STUDENTS}
        onAsk={(next) => {
          said.push(next);
          ask(next);
        }}
      />
    );
  }
  return {
    ...drawn(<Controls />, {
      answers: { "GET /auth/session": signedIn("coach"), "GET /pairs": { items: [] }, ...answers },
    }),
    said,
  };
}

const field = (name: string) => screen.getByRole("textbox", { name });
const open = (name: string | RegExp) => screen.findByRole("button", { name });

afterEach(cleanup);

describe("what a class is planned with", () => {
  it("is asked once a number is typed to its end: no pin is lost to a 1 on the way to 12", async () => {
    const { user, said } = controls();
    await user.clear(field("Stations"));
    await user.type(field("Stations"), "12");
    await user.tab();
    expect(said.map(({ stations }) => stations)).toEqual([12]);
    expect(said.at(-1)?.placePins).toHaveLength(1);
    await user.clear(field("Stations"));
    await user.type(field("Stations"), "2{Enter}");
    expect(said.at(-1)?.placePins).toEqual([]);
    await user.clear(field("Minutes"));
    await user.type(field("Minutes"), "45{Enter}");
    await user.clear(field("Coaches"));
    await user.type(field("Coaches"), "2{Enter}");
    expect(said.at(-1)).toMatchObject({ minutes: 45, stations: 2, coaches: 2 });
  });

  it("knows the floor once both its sides are typed, and no more once one is taken away", async () => {
    const { user, said } = controls();
    await user.type(field("Floor, width"), "12.5{Enter}");
    expect(said).toEqual([]);
    expect((field("Floor, width") as HTMLInputElement).value).toBe("12.5 m");
    await user.type(field("Floor, length"), "20{Enter}");
    expect(said.map(({ floor }) => floor)).toEqual([{ widthMetres: 12.5, lengthMetres: 20 }]);
    await user.clear(field("Floor, width"));
    await user.tab();
    expect(said.at(-1)?.floor).toBeNull();
    expect((field("Floor, length") as HTMLInputElement).value).toBe("20 m");
    await user.type(field("Floor, width"), "8{Enter}");
    expect(said.at(-1)?.floor).toEqual({ widthMetres: 8, lengthMetres: 20 });
  });

  it("lets a helper look at what is ticked for them, and at nothing for another", async () => {
    const { user, said } = controls();
    expect(screen.queryByRole("button", { name: "What helpers may look at" })).toBeNull();
    await user.clear(field("Helpers"));
    await user.type(field("Helpers"), "2{Enter}");
    await user.click(await open("What helpers may look at"));
    const second = within(await screen.findByRole("group", { name: "Helper 2", hidden: true }));
    const [first] = second.getAllByRole("checkbox", { hidden: true });
    await user.click(first ?? document.body);
    const [one, other] = said.at(-1)?.helpers ?? [];
    expect(one?.mayLead).toEqual([]);
    expect(other?.mayLead).toHaveLength(1);
    const [, next] = second.getAllByRole("checkbox", { hidden: true });
    await user.click(next ?? document.body);
    await user.click(first ?? document.body);
    expect(said.at(-1)?.helpers[1]?.mayLead).toHaveLength(1);
    expect(said.at(-1)?.helpers[1]?.mayLead).not.toEqual(other?.mayLead);
  });

  it("has so many ropes, or tells them apart by kind and length, line by line", async () => {
    const { user, said } = controls();
    await user.type(field("Ropes"), "6");
    expect(said.at(-1)?.ropes).toEqual([{ kind: null, lengthMm: null, many: 6 }]);
    await user.click(await open("Ropes: kinds and lengths"));
    const line = (place: number) =>
      within(screen.getByRole("group", { name: `Ropes, line ${String(place)}`, hidden: true }));
    await user.click(await screen.findByRole("button", { name: "Another kind or length", hidden: true }));
    await user.type(line(2).getByRole("textbox", { name: "Length, cm", hidden: true }), "240");
    await user.selectOptions(line(2).getByRole("combobox", { name: "Kind", hidden: true }), "beaded");
    await user.clear(line(2).getByRole("textbox", { name: "How many", hidden: true }));
    await user.type(line(2).getByRole("textbox", { name: "How many", hidden: true }), "3");
    expect(said.at(-1)?.ropes).toEqual([
      { kind: null, lengthMm: null, many: 6 },
      { kind: "beaded", lengthMm: 2400, many: 3 },
    ]);
    // Told apart, their sum is no field any more.
    expect(screen.queryByRole("textbox", { name: "Ropes" })).toBeNull();
    expect(screen.getByText("9")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Remove line 1", hidden: true }));
    expect(said.at(-1)?.ropes).toEqual([{ kind: "beaded", lengthMm: 2400, many: 3 }]);
    await user.click(screen.getByRole("button", { name: "Remove line 1", hidden: true }));
    expect(said.at(-1)?.ropes).toBeNull();
  });

  it("keeps two apart, and says of whom it knows; what is refused is told", async () => {
    const pair: StudentPair = { students: ["bo", "ada"], wish: "together" } as unknown as StudentPair;
    const elsewhere: StudentPair = { students: ["ada", "zed"], wish: "apart" } as unknown as StudentPair;
    const { user, sent } = controls(
      {},
      {
        "GET /pairs": { items: [pair, elsewhere] },
        "PUT /pairs": (body: unknown) =>
          (body as { wish: string | null }).wish === null
            ? { items: [elsewhere] }
            : new Refused(409, "Too many."),
      },
    );
    await user.click(await open("Pairs: 1"));
    expect(await screen.findByText("together", { selector: "strong" })).toBeTruthy();
    const save = screen.getByRole<HTMLButtonElement>("button", { name: "Save the rule", hidden: true });
    expect(save.disabled).toBe(true);
    await user.click(screen.getByRole("button", { name: "Remove the rule for Ada and Bo", hidden: true }));
    expect(await screen.findByText(/^Nobody here is kept apart or together/)).toBeTruthy();
    expect(sent.at(-1)).toMatchObject({ path: "/pairs", body: { students: ["bo", "ada"], wish: null } });
    const choose = async (label: string, name: string) => {
      await user.click(screen.getByRole("combobox", { name: label, hidden: true }));
      const list = within(await screen.findByRole("listbox", { name: label, hidden: true }));
      await user.click(list.getByRole("option", { name, hidden: true }));
    };
    await choose("One", "Cy");
    await choose("The other", "Ada");
    await user.click(save);
    await waitFor(() => expect(screen.getByText("Too many.")).toBeTruthy());
    expect(sent.at(-1)?.body).toEqual({ students: ["cy", "ada"], wish: "apart" });
  });
});
