import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type { StandingItem } from "@mirrup/contract";
import type { Status } from "@mirrup/core/teaching";
import { sidesOf } from "@mirrup/core";
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, signedIn, SILENT, type Answers } from "../testing/drawn.js";
import { workedBy } from "../testing/worker.js";
import { FrontierPage } from "./frontier-page.js";
import { layoutOf } from "./layout.js";

/** Everything locked but what is named. */
function standings(known: Readonly<Record<string, Status>>): readonly StandingItem[] {
  return [...CATALOGUE.skills.values()].flatMap((skill) =>
    sidesOf(skill).map((side) => ({
      ...{ subject: skill.id, side, bestStreak: 0, cleanChance: 0.5, gate: { kind: "streak", count: 5 } },
      ...{ gateBest: 0, reviewDue: null, clearedBy: null, isStuck: false, lowReviews: 0, lastAt: null },
      ...{ unmet: [], status: known[`${skill.id} ${side}`] ?? known[skill.id] ?? "locked" },
    })),
  );
}

const KNOWN: Readonly<Record<string, Status>> = {
  "basic-bounce": "cleared",
  cross: "ready",
  "cross right": "working",
  "double-under": "ready",
};

function frontier(at = "", answers: Answers = {}) {
  const page = (
    <Routes>
      <Route path="students/:studentId/frontier" element={<FrontierPage />} />
    </Routes>
  );
  return drawn(page, {
    at: `/students/hana/frontier${at}`,
    answers: {
      "GET /auth/session": signedIn("coach"),
      "GET /studio": { id: "s", name: "Yard", school: "steady-hold", settings: {}, version: 1 },
      "GET /students/hana": {
        id: "hana",
        name: "Hana",
        goals: [{ subject: "open-cross-double", side: "right" }],
      },
      "GET /students/hana/detail": { settings: {} },
      "GET /students/hana/ladder": { items: [] },
      "GET /students/hana/sets": { items: [] },
      "GET /students/hana/next": { items: [] },
      "GET /students/hana/path": {
        steps: [
          { subject: "double-under", side: "whole", status: "ready" },
          { subject: "open-cross-double", side: "right", status: "locked" },
        ].map((step) => ({
          ...step,
          gate: { kind: "streak", count: 5 },
          tries: { low: 1, expected: 2, high: 3 },
        })),
        tries: { low: 1, expected: 2, high: 3 },
        choices: [],
      },
      "GET /students/hana/standings": { items: standings(KNOWN) },
      ...answers,
    },
  });
}

const column = (name: string) => within(screen.getByRole("region", { name }));
const names = (name: string) =>
  column(name)
    .getAllByRole("button")
    .map((button) => (button.getAttribute("aria-label") ?? "").split(":")[0]);
const bead = (name: string) => screen.findByRole("button", { name: new RegExp(`^${name}:`) });

beforeEach(() => workedBy({ layoutOf }));
afterEach(cleanup);

describe("a student's frontier", () => {
  it("has what is cleared and asked for, what is open, and what that opens", async () => {
    frontier();
    await bead("Cross");
    expect(names("Cleared")).toEqual(["Basic bounce"]);
    expect(names("Open now").sort()).toEqual(["Cross", "Double under"]);
    expect(names("What that opens")).toContain("Open-cross double");
    expect(screen.queryByRole("region", { name: "2 steps on" })).toBeNull();
  });

  it("says of a bead how it stands, what it needs and what it leads to", async () => {
    frontier();
    const label = (await bead("Cross")).getAttribute("aria-label") ?? "";
    expect(label).toContain("left ready; right working");
    expect(label).toContain("needs basic bounce");
    expect(label).toMatch(/leads to .*open-cross double/);
  });

  it("takes a bead in hand and lets it go, by press and by Escape", async () => {
    const { user, address } = frontier();
    await user.click(await bead("Cross"));
    expect(address()).toMatch(/skill=cross$/);
    expect((await bead("Cross")).getAttribute("aria-pressed")).toBe("true");
    expect(screen.getByRole("complementary", { name: "The bead in hand" })).toBeDefined();
    await user.keyboard("{Escape}");
    expect(address()).not.toMatch(/skill/);
  });

  it("lights what the bead in hand needs and leads to, and nothing else", async () => {
    frontier("?skill=double-under");
    await bead("Cross");
    const faded = (name: string) =>
      screen.getByText(name, { selector: "text" }).parentElement?.getAttribute("data-faded");
    expect(faded("double under")).toBe("false");
    expect(faded("basic bounce")).toBe("false");
    expect(faded("open-cross double")).toBe("false");
    expect(faded("cross")).toBe("true");
  });

  it("is a pan, not a press, where the pointer moved", async () => {
    const { address } = frontier();
    const button = await bead("Cross");
    fireEvent.pointerDown(button, { clientX: 10, clientY: 10 });
    fireEvent.click(button, { clientX: 60, clientY: 10, detail: 1 });
    expect(address()).not.toMatch(/skill/);
  });

  it("is walked by the arrows from one bead in the order of the Tab key", async () => {
    const { user } = frontier();
    await bead("Cross");
    const inTab = screen
      .getAllByRole("button")
      .filter((one) => one.tabIndex === 0 && one.ariaPressed !== null);
    expect(inTab).toHaveLength(1);
    (await bead("Cross")).focus();
    await user.keyboard("{ArrowLeft}");
    expect(document.activeElement?.getAttribute("aria-label")).toMatch(/^Basic bounce:/);
    await user.keyboard("{ArrowRight}");
    expect(document.activeElement?.getAttribute("aria-label")).toMatch(/needs basic bounce/);
  });

  it("shows the way to a goal alone, and all of it", async () => {
    const { user, address } = frontier();
    await user.click(await screen.findByRole("button", { name: "The way to open-cross double, right side" }));
    await waitFor(() => expect(names("What that opens")).toEqual(["Open-cross double"]));
    expect(address()).toMatch(/goal=open-cross-double%3Aright$/);
    expect(names("Open now").sort()).toEqual(["Cross", "Double under"]);
    expect(screen.getByLabelText<HTMLSelectElement>("How far ahead").disabled).toBe(true);
  });

  it("looks as far as is asked, on the strand and the levels that are asked", async () => {
    const { user, address } = frontier();
    await bead("Cross");
    await user.selectOptions(screen.getByLabelText("How far ahead"), "two steps on");
    expect(await screen.findByRole("region", { name: "2 steps on" })).toBeDefined();
    expect(screen.queryByRole("region", { name: "3 steps on" })).toBeNull();
    await user.selectOptions(screen.getByLabelText("How far ahead"), "the whole tree");
    expect(await screen.findByRole("region", { name: "3 steps on" })).toBeDefined();
    await user.selectOptions(screen.getByLabelText("Level"), "levels 1 to 2");
    await waitFor(() => expect(screen.queryByRole("region", { name: "2 steps on" })).toBeNull());
    expect(address()).toMatch(/ahead=all&level=2$/);
  });

  it("says so where nothing is open", async () => {
    const fused = CATALOGUE.strands.find(({ skills }) => skills.includes("open-cross-double"))?.id ?? "";
    frontier(`?strand=${fused}&level=1`);
    expect(await screen.findByText(/^Nothing is open on this strand at these levels/)).toBeDefined();
    cleanup();
    const all = Object.fromEntries([...CATALOGUE.skills.keys()].map((id) => [id, "cleared" as const]));
    frontier("", { "GET /students/hana/standings": { items: standings(all) } });
    expect(await screen.findByText("Everything is cleared.")).toBeDefined();
  });

  it("ignores what no address of it says", async () => {
    frontier("?ahead=toString&strand=none&level=x&skill=constructor&goal=cross:up");
    await bead("Cross");
    expect(names("Open now").sort()).toEqual(["Cross", "Double under"]);
  });

  it("saves the drawing as a file that needs nothing of the page", async () => {
    const { user } = frontier();
    await bead("Cross");
    const blobs: Blob[] = [];
    Object.assign(URL, {
      createObjectURL: (blob: Blob) => {
        blobs.push(blob);
        return "blob:drawing";
      },
      revokeObjectURL: () => undefined,
    });
    await user.click(screen.getByRole("button", { name: "Save as a drawing (SVG)" }));
    const text = await new Promise<string>((resolve) => {
      const reader = new FileReader();
      reader.onload = () => resolve(reader.result as string);
      reader.readAsText(blobs[0] ?? new Blob());
    });
    const file = new DOMParser().parseFromString(text, "image/svg+xml").documentElement;
    expect(file.querySelector("title")?.textContent).toBe("Hana, frontier");
    expect([...file.querySelectorAll("text")].map(({ textContent }) => textContent)).toContain(
      "open-cross double",
    );
    expect(file.querySelector("[class]")).toBeNull();
  });

  it("waits in place, and says what to do where it cannot be read or drawn", async () => {
    frontier("", { "GET /students/hana/standings": SILENT });
    expect(screen.getByRole("status", { name: "Reading the frontier" })).toBeDefined();
    cleanup();
    frontier("", { "GET /students/hana/standings": new Refused(500, "It broke.") });
    expect(await screen.findByText("This student's frontier could not be read")).toBeDefined();
    cleanup();
    workedBy({
      layoutOf: () => {
        throw new Error("It could not.");
      },
    });
    const { user } = frontier();
    expect(await screen.findByText("The frontier could not be drawn")).toBeDefined();
    workedBy({ layoutOf });
    await user.click(screen.getByRole("button", { name: /again/ }));
    expect(await bead("Cross")).toBeDefined();
  });
});
