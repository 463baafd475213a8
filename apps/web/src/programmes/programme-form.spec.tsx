import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { SkillChanges } from "@mirrup/contract";
import type { OwnProgramme } from "@mirrup/core";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { teach } from "../app/catalogue.js";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { newItem } from "./draft.js";
import { ProgrammeForm } from "./programme-form.js";

const KEY = "programme:0199c1b2-0000-7000-8000-000000000001";
const WAGTAIL: OwnProgramme = {
  ...{ kind: "programme", name: "Wagtail", order: "free", before: null, allBut: 0 },
  headings: [
    { title: "Ground", items: [newItem("cross"), newItem("skier")] },
    { title: "Air", items: [newItem("double-under")] },
  ],
};

function form(was: OwnProgramme | null = WAGTAIL, more: Answers = {}) {
  teach({ edition: 1, entries: { [KEY]: WAGTAIL } });
  const [onDone, onLeave] = [jest.fn(), jest.fn()];
  const view = drawn(
    <ProgrammeForm
      was={was === null ? null : { key: KEY, programme: was }}
      onDone={onDone}
      onLeave={onLeave}
    />,
    {
      answers: {
        "GET /auth/session": signedIn("coach"),
        "POST /catalogue/changes": { edition: 2, entries: { [KEY]: WAGTAIL }, leftOut: [] },
        ...more,
      },
    },
  );
  const said = () => (view.sent.at(-1)?.body as SkillChanges | undefined)?.changes[0];
  return { ...view, onDone, onLeave, said };
}
const button = (name: string) => screen.getByRole("button", { name });
const heading = (name: string) => within(screen.getByRole("group", { name }));
const skillsOf = (name: string) =>
  heading(name)
    .queryAllByRole("listitem")
    .map((one) => one.getAttribute("aria-label"));

afterEach(() => {
  cleanup();
  teach(null);
  sessionStorage.clear();
});

describe("a programme's form", () => {
  it("says what is missing, once it is to be saved", async () => {
    const { user, sent } = form(null);
    expect(screen.queryByRole("alert")).toBeNull();
    await user.click(button("Save the programme"));
    expect(await screen.findByText("Give it a name.")).toBeDefined();
    expect(screen.getByRole("alert").textContent).not.toBe("");
    expect(sent).toEqual([]);
  });

  it("brings back a heading that was removed, with its skills, where it stood", async () => {
    const { user } = form();
    await user.click(button("Remove Ground with its skills"));
    expect(screen.queryByRole("group", { name: "Ground" })).toBeNull();
    const title = heading("Air").getByRole("textbox", { name: "Heading" });
    await user.clear(title);
    await user.type(title, "Sky");
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    expect(skillsOf("Ground")).toHaveLength(2);
    expect(skillsOf("Sky")).toHaveLength(1);
    expect([...document.querySelectorAll("legend")].map((one) => one.textContent)).toEqual(["Ground", "Sky"]);
  });

  it("is a change of what stood there when it was begun, also after the page was loaded anew", async () => {
    const first = form();
    await first.user.type(screen.getByRole("textbox", { name: /^Name/ }), " Two");
    cleanup();
    const { user, said } = form({ ...WAGTAIL, name: "Wagtail One" });
    expect(screen.getByRole<HTMLInputElement>("textbox", { name: /^Name/ }).value).toBe("Wagtail Two");
    await user.click(button("Save the programme"));
    await waitFor(() =>
      expect(said()).toMatchObject({ was: { name: "Wagtail" }, is: { name: "Wagtail Two" } }),
    );
  });

  it("has skills added by any of their names, in what order and by whom it is worked through", async () => {
    const { user, said, onDone } = form(null);
    await user.type(screen.getByRole("textbox", { name: /^Name/ }), " Lapwing ");
    const add = screen.getByRole("combobox", { name: "Add a skill" });
    await user.type(add, "criss");
    const list = document.getElementById(add.getAttribute("aria-controls") ?? "");
    const option = [...(list?.querySelectorAll("[role=option]") ?? [])].find((one) =>
      /cross/i.test(one.textContent),
    );
    expect(option).toBeDefined();
    if (option !== undefined) await user.click(option);
    expect(skillsOf("Heading 1")).toHaveLength(1);
    await user.selectOptions(screen.getByLabelText("After"), "Wagtail");
    await user.selectOptions(screen.getByLabelText("Worked through"), "in this order");
    await user.click(button("Save the programme"));
    await waitFor(() => expect(onDone).toHaveBeenCalledTimes(1));
    const { subject, was, is } = said() ?? {};
    expect(was).toBeNull();
    expect(is).toMatchObject({ name: "Lapwing", before: KEY, order: "fixed", allBut: 0 });
    // Of a new one the key is made once, and is what it is opened by afterwards.
    expect(onDone).toHaveBeenCalledWith(subject);
    await screen.findByText("Lapwing is among the programmes.");
  });

  it("moves a skill by key, over headings too, and the keys stay with it", async () => {
    const { user, said } = form();
    await user.click(button("Skier down"));
    expect([skillsOf("Ground"), skillsOf("Air")]).toEqual([["cross"], ["skier", "double under"]]);
    expect(document.activeElement?.getAttribute("aria-label")).toBe("Skier down");
    await user.keyboard("{Enter}");
    expect(skillsOf("Air")).toEqual(["double under", "skier"]);
    // There is no way further down: the way back has the keys.
    expect(document.activeElement?.getAttribute("aria-label")).toBe("Skier up");
    await user.click(button("Remove double under"));
    await user.click(button("Save the programme"));
    await waitFor(() =>
      expect(said()).toMatchObject({
        ...{ subject: KEY, was: WAGTAIL },
        is: { headings: [{ items: [{ skill: "cross" }] }, { items: [{ skill: "skier" }] }] },
      }),
    );
    await screen.findByText("Wagtail is changed.");
  });

  it("has headings, of which the last stays; an empty one is left out when it is saved", async () => {
    const { user, said } = form();
    await user.click(button("Another heading"));
    expect(skillsOf("Heading 3")).toEqual([]);
    await user.click(button("Remove Air with its skills"));
    expect(screen.queryByRole("group", { name: "Air" })).toBeNull();
    await user.click(button("Save the programme"));
    await waitFor(() => expect(said()?.is).toMatchObject({ headings: [{ title: "Ground" }] }));
    await user.click(button("Remove Heading 2 with its skills"));
    expect(screen.queryByRole("button", { name: /with its skills$/ })).toBeNull();
  });

  it("keeps what is typed and not saved, and lets go of it where it is left", async () => {
    const { user } = form();
    const name = () => screen.getByRole("textbox", { name: /^Name/ });
    await user.clear(name());
    await user.type(name(), "Pipit");
    cleanup();
    const again = form();
    await waitFor(() => expect(name()).toHaveProperty("value", "Pipit"));
    await again.user.click(button("Cancel"));
    expect(again.onLeave).toHaveBeenCalledTimes(1);
    cleanup();
    form();
    expect(name()).toHaveProperty("value", "Wagtail");
  });

  it("says why it was not saved, and stays as it is", async () => {
    const { user, onDone } = form(WAGTAIL, {
      "POST /catalogue/changes": new Refused(409, "Somebody else changed this programme."),
    });
    await user.click(button("Remove double under"));
    await user.click(button("Save the programme"));
    expect((await screen.findByRole("alert")).textContent).toContain("Somebody else changed this programme.");
    expect(skillsOf("Air")).toEqual([]);
    expect(onDone).not.toHaveBeenCalled();
  });
});
