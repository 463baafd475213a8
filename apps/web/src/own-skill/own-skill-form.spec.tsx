import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { CATALOGUE, FAULTS } from "@mirrup/catalogue";
import type { SkillChanges } from "@mirrup/contract";
import { FAULT_CODES, sidesOf, type OverlayEntry } from "@mirrup/core";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { useState } from "react";
import { teach } from "../app/catalogue.js";
import { capital } from "../app/words.js";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import type { OwnEntry } from "./draft.js";
import { HiddenSkill } from "./hidden-skill.js";
import { OurWay } from "./our-way.js";
import { OwnSkillForm } from "./own-skill-form.js";

const ID = "own:0199c1b2-0000-7000-8000-000000000001";
const SIDES = [...CATALOGUE.skills.values()].flatMap((skill) =>
  sidesOf(skill).map((side) => ({ skill, side })),
);
const GRID = {
  sides: SIDES.map(({ skill, side }) => `${skill.id}:${side}`),
  students: [
    { id: "ada", name: "Ada", codes: SIDES.map(() => "c").join("") },
    { id: "bo", name: "Bo", codes: SIDES.map(() => "-").join("") },
  ],
};
const answers = (more: Answers = {}): Answers => ({
  "GET /auth/session": signedIn("coach"),
  "GET /studio": { id: "s", school: "steady-hold", settings: {} },
  "GET /grid": GRID,
  "GET /students": {
    items: [
      { id: "ada", name: "Ada" },
      { id: "bo", name: "Bo" },
    ],
  },
  "POST /catalogue/preview": { items: [] },
  "POST /catalogue/changes": { edition: 1, entries: {}, leftOut: [] },
  ...more,
});
const ENTRY: OwnEntry = {
  ...{ kind: "own", strand: "crosses", name: "tannery twist", sides: "two", score: "sr xr sl o" },
  ...{ needs: "cross", class: "fusion", cues: ["one", "two"], faults: ["narrow"], look: "Hands." },
};

function form(more: Partial<Parameters<typeof OwnSkillForm>[0]> = {}, asked: Answers = {}) {
  const calls = { onDone: jest.fn<(id: string) => void>(), onLeave: jest.fn() };
  const view = drawn(<OwnSkillForm skill={null} score="sr xr o sr xr sl o" {...calls} {...more} />, {
    answers: answers(asked),
  });
  return { ...view, ...calls };
}
const name = () => screen.getByRole("textbox", { name: "Name" });
const needs = () => within(screen.getByRole("group", { name: "Needs" }));

/** What was changed, apart from what was only asked about. */
const made = <T extends { readonly path: string }>(sent: readonly T[]) =>
  sent.filter(({ path }) => path === "/catalogue/changes");

const changeIn = (sent: { readonly body: unknown } | undefined) =>
  (sent?.body as SkillChanges | undefined)?.changes[0];

afterEach(() => {
  cleanup();
  teach(null);
  sessionStorage.clear();
});

describe("a new skill of the studio's own", () => {
  it("has what its score says of it proposed, each need with its reason", async () => {
    form();
    expect(
      await screen.findByText(/^Open to 1 student today: Ada\.$|Open to 1 student today: Ada/),
    ).toBeDefined();
    expect(screen.getByLabelText<HTMLSelectElement>("Sides").value).toBe("two");
    expect(screen.getByLabelText<HTMLSelectElement>("Kind").selectedOptions[0]?.textContent).toBe(
      "crosses and swings together",
    );
    expect(
      needs()
        .getAllByRole("listitem")
        .map(({ textContent }) => textContent),
    ).toContain("Side swing cross – it stands in the score");
  });

  it("is asked for a name, and for another where that is taken, and sends nothing meanwhile", async () => {
    const { user, sent } = form();
    const save = () => user.click(screen.getByRole("button", { name: "Put it into the skill book" }));
    await save();
    expect(screen.getByText("Give it a name.")).toBeDefined();
    await user.type(name(), "criss cross");
    await save();
    expect(screen.getByText(/belongs to cross/)).toBeDefined();
    expect(made(sent)).toHaveLength(0);
  });

  it("sends what was typed, and what was proposed where nothing was", async () => {
    const { user, sent, onDone } = form();
    await user.type(name(), " tannery twist ");
    await user.type(screen.getByLabelText("Other names"), "the barrel, roller");
    await user.selectOptions(screen.getByLabelText("Kind"), "power");
    await user.click(needs().getByRole("button", { name: "Remove the need of side swing cross" }));
    await user.click(screen.getByLabelText("A gate of our own, in every school"));
    await user.click(screen.getByRole("button", { name: "Put it into the skill book" }));
    await waitFor(() => expect(made(sent)).toHaveLength(1));
    expect(changeIn(made(sent)[0])).toMatchObject({
      subject: expect.stringMatching(/^own:[\da-f-]{36}$/),
      was: null,
      is: {
        name: "tannery twist",
        also: ["the barrel", "roller"],
        class: "power",
        sides: "two",
        gate: { kind: expect.any(String) },
      },
    });
    await waitFor(() => expect(onDone.mock.calls).toEqual([[changeIn(made(sent)[0])?.subject]]));
  });

  it("says what the server refused, and keeps what was typed", async () => {
    const { user, onDone } = form(
      { skill: { id: ID, entry: ENTRY } },
      { "POST /catalogue/changes": new Refused(409, "Somebody else changed this in the meantime.") },
    );
    await user.clear(name());
    await user.type(name(), "ropewalk twist");
    await user.click(screen.getByRole("button", { name: "Save the skill" }));
    expect(await screen.findByText(/Somebody else changed this/)).toBeDefined();
    expect(screen.getByRole<HTMLInputElement>("textbox", { name: "Name" }).value).toBe("ropewalk twist");
    expect(onDone).not.toHaveBeenCalled();
  });

  it("of a change says what it was, and offers the way back", async () => {
    const { user, sent, onDone } = form({ skill: { id: ID, entry: ENTRY } });
    await user.clear(screen.getByLabelText("Look at"));
    await user.type(screen.getByLabelText("Look at"), "Feet.");
    await user.click(screen.getByRole("button", { name: "Save the skill" }));
    await waitFor(() => expect(onDone).toHaveBeenCalledWith(ID));
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(made(sent)).toHaveLength(2));
    const [first, second] = made(sent).map(changeIn);
    expect(first?.was).toEqual(ENTRY);
    expect(first?.is).toMatchObject({ look: "Feet." });
    expect(second).toEqual({ subject: ID, was: first?.is, is: ENTRY });
  });

  it("adds a need on a side, so many in a row, and one of each skill", async () => {
    const { user } = form({ score: "" });
    expect(needs().getByText("Nothing: it can be begun at once.")).toBeDefined();
    const add = async (skill: string, count: string) => {
      await user.click(needs().getByRole("combobox", { name: "Another need" }));
      await user.type(needs().getByRole("combobox", { name: "Another need" }), skill);
      await user.click(await screen.findByRole("option", { name: new RegExp(`^${skill}`) }));
      if (count !== "") await user.type(needs().getByLabelText("So many in a row"), count);
      await user.click(needs().getByRole("button", { name: "Add the need" }));
    };
    await add("skier", "12");
    expect(needs().getAllByRole("listitem")[0]?.textContent).toBe("Skier, 12 in a row");
    await add("skier", "");
    expect(
      needs()
        .getAllByRole("listitem")
        .map(({ textContent }) => textContent),
    ).toEqual(["Skier"]);
  });
});

/** Opened and closed as the skill's page does it. */
function Opened({ id }: { readonly id: string }) {
  const [isOpen, setOpen] = useState(false);
  const skill = CATALOGUE.skills.get(id);
  return skill === undefined ? null : <OurWay skill={skill} isOpen={isOpen} onOpen={setOpen} />;
}

describe("a skill that ships, taught the studio's way", () => {
  it("sends only what differs from what ships", async () => {
    const { user, sent } = drawn(<Opened id="skier" />, { answers: answers() });
    await user.click(await screen.findByRole("button", { name: "Teach it our way" }));
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Save our way" }).disabled).toBe(true);
    const called = screen.getByLabelText("What we call it");
    await user.clear(called);
    await user.type(called, "slalom");
    await user.click(screen.getByRole("button", { name: "Save our way" }));
    await waitFor(() => expect(made(sent)).toHaveLength(1));
    expect(changeIn(made(sent)[0])).toEqual({
      subject: "skier",
      was: null,
      is: { kind: "changed", name: "slalom" },
    });
    expect(await screen.findByRole("button", { name: "Teach it our way" })).toBeDefined();
  });

  it("puts nothing over what somebody else saved since it was opened, but on a second word", async () => {
    const theirs: OverlayEntry = { kind: "changed", cues: ["ski", "again"] };
    const entries = { skier: theirs };
    let isTold = false;
    const { user, sent } = drawn(<Opened id="skier" />, {
      answers: answers({
        "POST /catalogue/changes": () => {
          if (isTold) return { edition: 3, entries, leftOut: [] };
          isTold = true;
          const current = { edition: 2, entries, leftOut: [] };
          return new Refused(409, "Somebody else changed this.", { type: "stale-change", current });
        },
      }),
    });
    await user.click(await screen.findByRole("button", { name: "Teach it our way" }));
    const called = screen.getByLabelText("What we call it");
    await user.clear(called);
    await user.type(called, "slalom");
    // Heard of before it is saved: it is a change of what stood there all the same.
    teach({ edition: 2, entries });
    await user.type(called, "s");
    await user.click(screen.getByRole("button", { name: "Save our way" }));
    expect(await screen.findByText(/Saving again puts yours in its place\.$/)).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Save our way" }));
    await waitFor(() => expect(made(sent)).toHaveLength(2));
    expect(made(sent).map((one) => changeIn(one)?.was)).toEqual([null, theirs]);
  });

  it("goes back to the usual, from what it is now", async () => {
    const was: OverlayEntry = { kind: "changed", cues: ["ski", "again"] };
    teach({ edition: 1, entries: { skier: was } });
    const { user, sent } = drawn(<Opened id="skier" />, { answers: answers() });
    expect(screen.getByText(/^As your studio teaches it/)).toBeDefined();
    await user.click(await screen.findByRole("button", { name: "Teach it our way" }));
    await user.click(screen.getByRole("button", { name: "Back to the usual" }));
    await waitFor(() => expect(changeIn(made(sent)[0])).toEqual({ subject: "skier", was, is: null }));
  });

  it("says at once why something cannot be taught", async () => {
    const { user } = drawn(<Opened id="skier" />, { answers: answers() });
    await user.click(await screen.findByRole("button", { name: "Teach it our way" }));
    const called = screen.getByLabelText("What we call it");
    await user.clear(called);
    await user.type(called, "cross");
    expect(screen.getByRole("alert").textContent).toContain("belongs to cross");
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Save our way" }).disabled).toBe(true);
  });

  it("has other names, a place, faults and a note of the studio's own, and is shown with them again", async () => {
    const usual = CATALOGUE.skills.get("skier")?.faults ?? [];
    const fault = FAULT_CODES.find((code) => !usual.includes(code)) ?? "toes";
    const { user, sent } = drawn(<Opened id="skier" />, { answers: answers() });
    await user.click(await screen.findByRole("button", { name: "Teach it our way" }));
    await user.type(screen.getByLabelText("Other names"), "slalom, zigzag");
    await user.selectOptions(screen.getByLabelText("Strand"), "Footwork: base");
    await user.selectOptions(screen.getByLabelText("After"), "run step");
    await user.type(screen.getByLabelText("A note of ours"), " Not on the wet floor. ");
    await user.click(screen.getByRole("combobox", { name: "What goes wrong in it" }));
    await user.click(await screen.findByRole("option", { name: capital(FAULTS[fault].name) }));
    await user.click(screen.getByRole("button", { name: "Save our way" }));
    await waitFor(() => expect(made(sent)).toHaveLength(1));
    expect(changeIn(made(sent)[0])?.is).toEqual({
      ...{ kind: "changed", also: ["slalom", "zigzag"], strand: "base", after: "run-step" },
      ...{ note: "Not on the wet floor.", faults: [...usual, fault] },
    });
  });

  it("says whom it would touch before it is saved, by name and by how much", async () => {
    const nobody = { clears: [], reopens: [], locks: [], opens: [], hides: [] };
    const side = (name: "left" | "right") => ({ subject: "cross", side: name });
    const items = [
      { ...nobody, studentId: "bo", name: "Bo" },
      {
        ...nobody,
        studentId: "ada",
        name: "Ada",
        locks: [side("left"), side("right")],
        opens: [side("left")],
      },
    ];
    const { user, sent } = drawn(<Opened id="skier" />, {
      answers: answers({ "POST /catalogue/preview": { items } }),
    });
    await user.click(await screen.findByRole("button", { name: "Teach it our way" }));
    expect(screen.queryByRole("status")).toBeNull();
    await user.click(screen.getByRole("button", { name: "Another gate in one school" }));
    await user.click(screen.getByLabelText("Another one in steady hold"));
    expect(screen.getByText("Looking whom it would touch …")).toBeDefined();
    expect(await screen.findByText("1 student: 2 sides lock, 1 opens.")).toBeDefined();
    expect(screen.getByRole("link", { name: "Ada" }).parentElement?.textContent).toBe(
      "Ada: cross on both sides lock; cross, left side opens.",
    );
    const [asked] = sent;
    expect(asked).toMatchObject({
      path: "/catalogue/preview",
      body: {
        students: ["ada", "bo"],
        changes: [{ subject: "skier", is: { kind: "changed", gates: { "steady-hold": { kind: "hold" } } } }],
      },
    });
    expect(made(sent)).toHaveLength(0);
  });

  it("hides a skill, unless others need it, and shows it again", async () => {
    const { user, sent } = drawn(<Opened id="skier" />, { answers: answers() });
    await user.click(await screen.findByRole("button", { name: "Teach it our way" }));
    await user.click(screen.getByLabelText("Hidden: taught to nobody for now"));
    expect(await screen.findByText("Nobody’s record changes by it.")).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Save our way" }));
    const hidden: OverlayEntry = { kind: "changed", isHidden: true };
    await waitFor(() => expect(changeIn(made(sent)[0])).toEqual({ subject: "skier", was: null, is: hidden }));
    cleanup();
    teach({ edition: 1, entries: { skier: { ...hidden, name: "slalom" } } });
    const shown = drawn(<HiddenSkill id="skier" entry={{ ...hidden, name: "slalom" }} />, {
      answers: answers(),
    });
    expect(screen.getByRole("heading", { name: "Slalom" })).toBeDefined();
    await shown.user.click(await screen.findByRole("button", { name: "Show it again" }));
    await waitFor(() => expect(changeIn(shown.sent[0])?.is).toEqual({ kind: "changed", name: "slalom" }));
    cleanup();
    teach(null);
    const needed = drawn(<Opened id="side-swing-cross" />, { answers: answers() });
    await needed.user.click(await screen.findByRole("button", { name: "Teach it our way" }));
    await needed.user.click(screen.getByLabelText("Hidden: taught to nobody for now"));
    expect(screen.getByRole("alert").textContent).toMatch(/Side swing cross is needed by .*Hide them too/);
  });

  it("is a viewer's to see", async () => {
    const { client } = drawn(<Opened id="skier" />, { answers: { "GET /auth/session": signedIn("viewer") } });
    await waitFor(() => expect(client.isFetching()).toBe(0));
    expect(screen.queryByRole("button")).toBeNull();
  });
});
