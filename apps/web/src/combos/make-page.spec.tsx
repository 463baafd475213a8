import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type { ComboView, NewCombo } from "@mirrup/contract";
import { sidesOf } from "@mirrup/core";
import { makeCombos, type CombosAsked, type MadeCombo, type PoolPart } from "@mirrup/core/combos";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, signedIn, SILENT, type Answers } from "../testing/drawn.js";
import { closeChannels, workedBy } from "../testing/worker.js";
import { MakePage } from "./make-page.js";

const SIDES = [...CATALOGUE.skills.values()].flatMap((skill) =>
  sidesOf(skill).map((side) => ({ id: skill.id, side })),
);
const codesOf = (cleared: readonly string[]) =>
  SIDES.map(({ id }) => (cleared.includes(id) ? "c" : "-")).join("");
const GRID = {
  sides: SIDES.map(({ id, side }) => `${id}:${side}`),
  students: [
    { id: "ada", name: "Ada Lowe", codes: codesOf(["basic-bounce", "side-swing", "cross"]) },
    { id: "bo", name: "Bo Wick", codes: codesOf(["basic-bounce", "side-swing"]) },
  ],
};
const student = (id: string, name: string) => ({
  ...{ id, name, archived: false, dominantHand: "right", goals: [] },
  ...{ heightMm: null, ropeLengthMm: null, groups: [] },
});

type Hear = (found: readonly MadeCombo[], share: number) => void;

function make(at = "", more: Answers = {}) {
  const asked: { readonly subjects: readonly (string | null)[]; readonly seed: number }[] = [];
  workedBy({
    make: (pool: readonly PoolPart[], question: CombosAsked, hear: Hear) => {
      asked.push({ subjects: [...new Set(pool.map(({ part }) => part.subject))], seed: question.seed });
      return makeCombos(pool, question, hear);
    },
  });
  const stored: ComboView[] = [];
  // What is written into the address goes by the browser's.
  window.history.replaceState(null, "", `/combos/make${at}`);
  const view = drawn(
    <Routes>
      <Route path="combos/make" element={<MakePage />} />
    </Routes>,
    {
      at: `/combos/make${at}`,
      answers: {
        "GET /auth/session": signedIn("coach"),
        "GET /grid": GRID,
        "GET /students": { items: [student("ada", "Ada Lowe"), student("bo", "Bo Wick")] },
        "GET /groups": { items: [{ id: "g", name: "Juniors", members: ["ada", "bo"], version: 1 }] },
        "GET /combos": { items: [] },
        "GET /students/ada/combos": { items: [] },
        "GET /students/bo/combos": { items: [] },
        "GET /students/ada/standings": { items: [] },
        "GET /students/bo/standings": { items: [] },
        "POST /combos": (body: unknown) => {
          const fresh = (body as { combos: readonly NewCombo[] }).combos.map(
            (combo) => ({ ...combo, version: 1, note: "", isRemoved: false }) as unknown as ComboView,
          );
          stored.push(...fresh);
          return { items: fresh };
        },
        ...more,
      },
    },
  );
  return { ...view, asked, stored };
}
const suggest = () => screen.findByRole<HTMLButtonElement>("button", { name: /^Suggest \d/ });
const isOpen = async () => {
  await waitFor(async () => expect((await suggest()).disabled).toBe(false));
  return suggest();
};

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  closeChannels();
});

describe("combos made up", () => {
  it("are of the skills of whom they are asked for, and say so when somebody else is chosen", async () => {
    const { user, asked, address } = make("?for=ada&many=2&difference=1&sides=0");
    await user.click(await isOpen());
    expect(await screen.findByRole("heading", { name: /^2\scombos for Ada Lowe$/ })).toBeTruthy();
    expect(asked[0]?.subjects).toContain("cross");
    await user.click(screen.getByRole("combobox", { name: "Of the skills of" }));
    await user.click(await screen.findByRole("option", { name: "Bo Wick", hidden: true }));
    await waitFor(() => expect(address()).toContain("for=bo"));
    // What is there is Ada's still: a cross is none that Bo has cleared.
    expect(screen.getByRole("heading", { name: /^2\scombos for Ada Lowe$/ })).toBeTruthy();
    expect(screen.getByText(/^These are for Ada Lowe\. “Suggest 2” makes some for Bo Wick/)).toBeTruthy();
    window.history.replaceState(null, "", "/combos/make?for=bo&many=2&difference=1&sides=0");
    await user.click(await isOpen());
    expect(await screen.findByRole("heading", { name: / for Bo Wick$/ })).toBeTruthy();
    expect(asked.at(-1)?.subjects).not.toContain("cross");
    expect(screen.queryByText(/^These are for/)).toBeNull();
  }, 60_000);

  it("are of whom the address names, who may have been chosen a moment before the page shows it", async () => {
    const { user, asked } = make("");
    await isOpen();
    window.history.replaceState(null, "", "/combos/make?for=bo");
    await user.click(await suggest());
    expect(await screen.findByRole("heading", { name: / for Bo Wick$/ })).toBeTruthy();
    expect(asked[0]?.subjects).not.toContain("cross");
  });

  it("are of what all of a group have cleared", async () => {
    const { user, asked } = make("?group=g");
    await user.click(await isOpen());
    expect(await screen.findByRole("heading", { name: /for all of Juniors$/ })).toBeTruthy();
    expect(asked[0]?.subjects).not.toContain("cross");
    expect(asked[0]?.subjects).toContain("side-swing");
  });

  it("are nobody's while it is not known whose are asked for", async () => {
    let answer: (value: unknown) => void = () => undefined;
    const { user } = make("?for=ada", {
      "GET /students": () => new Promise((resolve) => (answer = resolve)),
    });
    await screen.findByRole("combobox", { name: "Of the skills of" });
    expect((await suggest()).disabled).toBe(true);
    answer({ items: [student("ada", "Ada Lowe")] });
    await user.click(await isOpen());
    expect(await screen.findByRole("heading", { name: /for Ada Lowe$/ })).toBeTruthy();
  });

  it("are others for the asking", async () => {
    const { user, asked } = make("?for=ada");
    await user.click(await isOpen());
    await screen.findByRole("heading", { name: /for Ada Lowe$/ });
    await user.click(screen.getByRole("button", { name: "Suggest others" }));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]?.seed).not.toBe(asked[0]?.seed);
  });

  it("are saved once, and taken back as one", async () => {
    const { user, sent, stored } = make("?for=ada&many=2&difference=1&sides=0", {
      "PATCH /combos/*": (body: unknown) => body,
    });
    await user.click(await isOpen());
    await screen.findByRole("heading", { name: /^2\scombos for Ada Lowe$/ });
    await user.click(screen.getByRole("button", { name: "Save all 2" }));
    await screen.findByText("2 combos are on the shelf.");
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "All are saved" }).disabled).toBe(true);
    await user.click(screen.getByRole("button", { name: "Undo" }));
    await screen.findByRole("button", { name: "Save all 2" });
    expect(sent.map(({ method, path }) => `${method} ${path}`)).toEqual([
      "POST /combos",
      ...stored.map(({ id }) => `PATCH /combos/${id}`),
    ]);
    expect(sent.at(-1)?.body).toEqual({ version: 1, isRemoved: true });
  });

  it("stay saved where taking one back is refused, that one alone", async () => {
    let isFirst = true;
    const { user } = make("?for=ada&many=2&difference=1&sides=0", {
      "PATCH /combos/*": (body: unknown) => {
        const answer = isFirst ? new Refused(409, "Not just now.") : body;
        isFirst = false;
        return answer;
      },
    });
    await user.click(await isOpen());
    await user.click(await screen.findByRole("button", { name: "Save all 2" }));
    await screen.findByText("2 combos are on the shelf.");
    await user.click(screen.getByRole("button", { name: "Undo" }));
    expect(await screen.findByText("Not just now.")).toBeTruthy();
    expect(await screen.findByRole("button", { name: "Save all 1" })).toBeTruthy();
    expect(screen.getAllByRole("button", { name: "Saved" })).toHaveLength(1);
  });

  it("say what stands in their way where there are none", async () => {
    const { user } = make("?for=bo&in=cross");
    await user.click(await isOpen());
    expect(await screen.findByText("No such combo")).toBeTruthy();
    expect(screen.queryByRole("listitem")).toBeNull();
  });

  it("cannot be asked for without what the students can do, which says so", async () => {
    make("", { "GET /grid": new Refused(500, "Nobody knows.") });
    expect(await screen.findByText("What the students can do could not be read")).toBeTruthy();
    expect(screen.getByText("Nobody knows.")).toBeTruthy();
    expect(screen.queryByRole("button", { name: /^Suggest/ })).toBeNull();
  });

  it("are saved under the same ids where the answer was lost", async () => {
    let isLost = true;
    const said: unknown[] = [];
    const { user } = make("?for=ada&many=1", {
      "POST /combos": (body: unknown) => {
        said.push(body);
        if (!isLost) return { items: (body as { combos: readonly NewCombo[] }).combos };
        isLost = false;
        return SILENT;
      },
    });
    await user.click(await isOpen());
    const save = await screen.findByRole<HTMLButtonElement>("button", { name: "Save" });
    await user.click(save);
    await waitFor(() => expect(said).toHaveLength(1));
    await waitFor(() => expect(save.disabled).toBe(false));
    await user.click(save);
    expect(await screen.findByRole("button", { name: "Saved" })).toBeTruthy();
    expect(said[1]).toEqual(said[0]);
  });
});
