import { afterEach, describe, expect, it } from "@jest/globals";
import type { DecisionRequest, ProgrammeProgress, SkillChanges } from "@mirrup/contract";
import { itemSubject, type OwnProgramme } from "@mirrup/core";
import { act, cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { teach } from "../app/catalogue.js";
import { drawn, Refused, signedIn, SILENT, type Answers } from "../testing/drawn.js";
import { ProgrammeGoal } from "./programme-goal.js";
import { CertificatesPage } from "./certificates-page.js";
import { ProgrammePage } from "./programme-page.js";
import { ProgrammesPage } from "./programmes-page.js";

const ID = "0199c1b2-0000-7000-8000-000000000001";
const KEY = `programme:${ID}`;
const PROGRAMME: OwnProgramme = {
  ...{ kind: "programme", name: "Wagtail", order: "free", before: null, allBut: 0 },
  headings: [{ title: "Ground", items: [{ skill: "cross", side: "both", ask: { kind: "gate" } }] }],
};
const progressOf = (
  name: string,
  left: "record" | null,
  more: Partial<ProgrammeProgress> = {},
): ProgrammeProgress => ({
  ...{ studentId: name.toLowerCase(), name, done: 0, asked: 1, isEnough: false, finishedOn: null },
  hasFinishedBefore: true,
  items: [
    {
      key: "cross/gate",
      sides: [
        { side: "left", by: left, on: left === null ? null : "2026-05-04" },
        { side: "right", by: null, on: null },
      ],
      isDone: false,
    },
  ],
  ...more,
});
const CLASS = [progressOf("Ada", "record"), progressOf("Bo", null, { isEnough: true })];

function page(at: string, more: Answers = {}, role: "coach" | "viewer" = "coach") {
  teach({ edition: 1, entries: { [KEY]: PROGRAMME } });
  return drawn(
    <Routes>
      <Route path="programmes" element={<ProgrammesPage />} />
      <Route path="programmes/:programmeId/certificates/:groupId?" element={<CertificatesPage />} />
      <Route path="programmes/:programmeId/:groupId?" element={<ProgrammePage />} />
    </Routes>,
    {
      at,
      answers: {
        "GET /auth/session": signedIn(role),
        "GET /studio": { id: "s", name: "Tannery Yard", settings: {} },
        "GET /groups": { items: [{ id: "g", name: "Mondays", archived: false }] },
        [`GET /programmes/${KEY}/progress`]: { items: CLASS },
        "POST /decisions": { stored: [], alreadyStored: [], changes: [], opened: [] },
        "POST /catalogue/changes": { edition: 2, entries: { [KEY]: PROGRAMME }, leftOut: [] },
        ...more,
      },
    },
  );
}
const decisionsIn = (sent: { readonly body: unknown } | undefined) =>
  (sent?.body as { readonly decisions: readonly DecisionRequest[] }).decisions;

afterEach(() => {
  cleanup();
  teach(null);
  sessionStorage.clear();
});

describe("a programme's page", () => {
  it("keeps what is ticked while others are saved, and saves those once where the answer was lost", async () => {
    const said: unknown[] = [];
    let answer: (value: unknown) => void = () => undefined;
    const { user } = page(`/programmes/${ID}`, {
      "POST /decisions": (body: unknown) => {
        said.push((body as { readonly decisions: unknown }).decisions);
        return said.length === 1 ? SILENT : new Promise((resolve) => (answer = resolve));
      },
    });
    await user.click(await screen.findByRole("button", { name: "Bo, cross, left" }));
    await user.click(screen.getByRole("button", { name: "Save 1 tick" }));
    await waitFor(() => expect(said).toHaveLength(1));
    await screen.findByText("Not done");
    await user.click(screen.getByRole("button", { name: "Save 1 tick" }));
    await waitFor(() => expect(said).toHaveLength(2));
    expect(said[1]).toEqual(said[0]);
    await user.click(screen.getByRole("button", { name: "Bo, cross, right" }));
    await act(async () => {
      answer({ stored: [], alreadyStored: [], changes: [], opened: [] });
      await Promise.resolve();
    });
    await waitFor(() =>
      expect(screen.getByRole("button", { name: "Bo, cross, left" }).getAttribute("aria-pressed")).toBe(
        "false",
      ),
    );
    expect(screen.getByRole("button", { name: "Bo, cross, right" }).getAttribute("aria-pressed")).toBe(
      "true",
    );
    // The next ones are others.
    await user.click(screen.getByRole("button", { name: "Save 1 tick" }));
    await waitFor(() => expect(said).toHaveLength(3));
    expect(said[2]).not.toEqual(said[1]);
  });

  it("types ticks back all at once, and takes them back", async () => {
    const { user, sent } = page(`/programmes/${ID}`);
    expect(await screen.findByText("0 of 2 students finished; Bo could.")).toBeDefined();
    expect(screen.getByRole("img", { name: "Ada, cross, left: done, 4 May 2026" })).toBeDefined();
    expect(screen.getByRole("button", { name: "Save 0 ticks" })).toHaveProperty("disabled", true);
    await user.click(screen.getByRole("button", { name: "Ada, cross, right" }));
    await user.click(screen.getByRole("button", { name: "Bo, cross, left" }));
    await user.click(screen.getByRole("button", { name: "Bo, cross, right" }));
    await user.click(screen.getByRole("button", { name: "Bo, cross, right" }));
    await user.click(screen.getByRole("button", { name: "Save 2 ticks" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(
      decisionsIn(sent[0]).map(({ studentId, subject, side, decision }) => [
        studentId,
        subject,
        side,
        decision.kind,
      ]),
    ).toEqual([
      ["ada", itemSubject(KEY, "cross/gate"), "right", "clear"],
      ["bo", itemSubject(KEY, "cross/gate"), "left", "clear"],
    ]);
    expect(decisionsIn(sent[0])[0]?.reason).toMatch(/^Ticked on the sheet of Wagtail, /);
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(decisionsIn(sent[1]).map(({ decision }) => decision)).toEqual(
      decisionsIn(sent[0]).map(({ id }) => ({ kind: "void", target: id })),
    );
  });

  it("types back what was seen on an earlier day, and nothing of tomorrow", async () => {
    const { user, sent } = page(`/programmes/${ID}`);
    await user.click(await screen.findByRole("button", { name: "Ada, cross, right" }));
    const seen = screen.getByLabelText<HTMLInputElement>("Seen on");
    fireEvent.change(seen, { target: { value: "2099-01-01" } });
    expect(screen.getByText("Not after today.")).toBeDefined();
    fireEvent.change(seen, { target: { value: "2026-05-04" } });
    await user.click(screen.getByRole("button", { name: "Save 1 tick" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    const [tick] = decisionsIn(sent[0]);
    expect(new Date(tick?.at ?? "").toLocaleDateString("sv-SE")).toBe("2026-05-04");
    expect(tick?.reason).toBe("Ticked on the sheet of Wagtail, 4 May 2026.");
  });

  it("keeps the ticks where they could not be stored", async () => {
    const { user } = page(`/programmes/${ID}`, {
      "POST /decisions": new Refused(422, "It is not the day for it."),
    });
    await user.click(await screen.findByRole("button", { name: "Ada, cross, right" }));
    await user.click(screen.getByRole("button", { name: "Save 1 tick" }));
    expect(await screen.findByText("It is not the day for it.")).toBeDefined();
    expect(screen.getByRole("button", { name: "Ada, cross, right" }).getAttribute("aria-pressed")).toBe(
      "true",
    );
  });

  it("says that somebody has finished, once enough is done and the one before is finished", async () => {
    const { user, sent } = page(`/programmes/${ID}`);
    await user.click(await screen.findByRole("button", { name: "Bo has finished" }));
    expect(screen.queryByRole("button", { name: "Ada has finished" })).toBeNull();
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(decisionsIn(sent[0])).toMatchObject([{ studentId: "bo", subject: KEY, side: "whole" }]);
    cleanup();
    const waits = { items: [progressOf("Bo", "record", { isEnough: true, hasFinishedBefore: false })] };
    page(`/programmes/${ID}`, { [`GET /programmes/${KEY}/progress`]: waits });
    expect(await screen.findByText("the one before first")).toBeDefined();
    expect(screen.queryByRole("button", { name: "Bo has finished" })).toBeNull();
  });

  it("can be ended and removed by whoever teaches, and only looked at by others", async () => {
    const { user, sent, address } = page(`/programmes/${ID}`);
    await user.click(await screen.findByRole("button", { name: "More for this programme" }));
    await user.click(await screen.findByRole("menuitem", { name: "End it; what is done stays" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect((sent[0]?.body as SkillChanges).changes).toEqual([
      { subject: KEY, was: PROGRAMME, is: { ...PROGRAMME, isEnded: true } },
    ]);
    await user.click(screen.getByRole("button", { name: "More for this programme" }));
    await user.click(await screen.findByRole("menuitem", { name: "Remove it" }));
    await waitFor(() => expect(address()).toBe("/programmes"));
    expect((sent[1]?.body as SkillChanges).changes[0]?.is).toBeNull();
    cleanup();
    page(`/programmes/${ID}`, {}, "viewer");
    expect(await screen.findByText("0 of 2 students finished; Bo could.")).toBeDefined();
    expect(screen.queryByRole("link", { name: "Edit" })).toBeNull();
    expect(screen.getByRole("button", { name: "Ada, cross, right" })).toHaveProperty("disabled", true);
  });

  it("says so where there is none such, and where nobody answers", async () => {
    page("/programmes/none");
    expect(screen.getByText("There is no such programme")).toBeDefined();
    cleanup();
    page(`/programmes/${ID}`, { [`GET /programmes/${KEY}/progress`]: new Refused(500, "It broke.") });
    expect(await screen.findByText("The programme could not be read")).toBeDefined();
  });

  it("gives a certificate to each who has finished, and to nobody else", async () => {
    const done = { items: [progressOf("Ada", null, { finishedOn: "2026-06-01" }), progressOf("Bo", null)] };
    page(`/programmes/${ID}/certificates`, { [`GET /programmes/${KEY}/progress`]: done });
    const certificate = within(await screen.findByRole("article", { name: "Ada" }));
    expect(certificate.getByText("1 June 2026")).toBeDefined();
    expect(screen.queryByRole("article", { name: "Bo" })).toBeNull();
    expect(screen.getByRole("button", { name: "Print 1 certificate" })).toBeDefined();
    cleanup();
    page(`/programmes/${ID}/certificates`);
    expect(await screen.findByText(/Nobody has finished yet/)).toBeDefined();
  });

  it("says of one student how far they are, where it is their goal", async () => {
    teach({ edition: 1, entries: { [KEY]: PROGRAMME } });
    const answers = {
      [`GET /programmes/${KEY}/progress?student=ada`]: {
        items: [progressOf("Ada", null, { finishedOn: "2026-06-01", done: 1 })],
      },
    };
    const goal = (subject: string) => drawn(<ProgrammeGoal studentId="ada" subject={subject} />, { answers });
    goal(KEY);
    expect(await screen.findByRole("link", { name: "1 of 1 done" })).toBeDefined();
    expect(screen.getByText(/and finished on 1 June 2026\./)).toBeDefined();
    cleanup();
    goal("cross");
    expect(screen.queryByRole("link")).toBeNull();
  });

  it("is listed with the others", () => {
    page("/programmes");
    expect(screen.getByRole("link", { name: "Wagtail" })).toBeDefined();
    expect(screen.getByText("All of 1 skill, in any order.")).toBeDefined();
  });
});

describe("the form of a programme", () => {
  const changesIn = (sent: { readonly body: unknown } | undefined) => (sent?.body as SkillChanges).changes;

  it("is not sent before it has a name and a skill, and then goes to its page", async () => {
    const { user, sent, address } = page("/programmes/new");
    const save = () => user.click(screen.getByRole("button", { name: "Save the programme" }));
    await save();
    expect(screen.getByText("Give it a name.")).toBeDefined();
    expect(screen.getByText("A programme asks for a skill at least. Add one.")).toBeDefined();
    await user.type(screen.getByRole("textbox", { name: "Name" }), "Dipper");
    await user.type(screen.getByRole("combobox", { name: "Add a skill" }), "half turn");
    await user.click(await screen.findByRole("option", { name: /^half turn/ }));
    const item = within(screen.getByRole("listitem", { name: "half turn" }));
    await user.selectOptions(item.getByLabelText("What counts"), "so much:");
    await user.selectOptions(item.getByRole("combobox", { name: "Side" }), "either side");
    await user.selectOptions(item.getByLabelText("Kind of amount"), "clean of");
    expect(sent).toHaveLength(0);
    await save();
    await waitFor(() => expect(sent).toHaveLength(1));
    const [change] = changesIn(sent[0]);
    expect(change).toMatchObject({
      was: null,
      is: {
        ...{ kind: "programme", name: "Dipper", order: "free", before: null, allBut: 0 },
        headings: [
          { items: [{ skill: "half-turn", side: "either", ask: { kind: "clean", clean: 8, of: 10 } }] },
        ],
      },
    });
    await waitFor(() => expect(address()).toBe(`/programmes/${change?.subject.slice(10) ?? ""}`));
  });

  it("tells of a skill that is asked twice where it stands, and moves skills between headings by keys", async () => {
    const { user, sent } = page(`/programmes/${ID}?edit`);
    await screen.findByRole("textbox", { name: "Name" });
    await user.click(screen.getByRole("button", { name: "Another heading" }));
    const [, second] = screen.getAllByRole("combobox", { name: "Add a skill" });
    if (second === undefined) throw new Error("no second heading");
    await user.type(second, "criss");
    await user.click(await screen.findByRole("option", { name: /^cross \(/ }));
    expect(
      screen.getByText("The cross is asked twice in the same way. Take one of the two out."),
    ).toBeDefined();
    await user.click(screen.getAllByRole("button", { name: "Remove cross" })[1] as Element);
    await user.type(screen.getAllByRole("combobox", { name: "Add a skill" })[1] as Element, "skier");
    await user.click(await screen.findByRole("option", { name: /^skier/ }));
    await user.click(screen.getByRole("button", { name: "Skier up" }));
    expect(document.activeElement?.getAttribute("aria-label")).toBe("Skier up");
    await user.click(screen.getByRole("button", { name: "Save the programme" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    const is = changesIn(sent[0])[0]?.is as OwnProgramme;
    expect(is.headings.map(({ title, items }) => [title, items.map(({ skill }) => skill)])).toEqual([
      ["Ground", ["cross", "skier"]],
    ]);
  });
});
