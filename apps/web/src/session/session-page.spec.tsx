import { afterEach, describe, expect, it } from "@jest/globals";
import type { StudentPlan } from "@mirrup/core/planning";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { SessionPage } from "./session-page.js";
import { blockOf, WARM_UP } from "./testing.js";

const PLAN = {
  ...{ blocks: [WARM_UP, blockOf("cross")], minutes: 41, landings: 1234, multiples: 0, cost: 0, notes: [] },
  leftOut: [],
} as unknown as StudentPlan;
const HANA = { id: "hana", name: "Hana Petrivale", hasStopped: false };

function page(plan: Partial<StudentPlan> | Refused = {}, search = "", more: Answers = {}) {
  return drawn(
    <Routes>
      <Route path="students/:studentId/session" element={<SessionPage />} />
    </Routes>,
    {
      at: `/students/hana/session${search}`,
      answers: {
        "GET /auth/session": signedIn("coach"),
        "GET /students/hana": HANA,
        "GET /students/hana/load": { landings: 400, estimated: 0, allowance: 3000 },
        "GET /students/hana/done": { items: [] },
        "GET /students/hana/standings": { items: [] },
        "GET /students/hana/plan": plan instanceof Refused ? plan : { ...PLAN, ...plan },
        ...more,
      },
    },
  );
}
const button = (name: string | RegExp) => screen.findByRole<HTMLButtonElement>("button", { name });
/** What the plan comes to, as it is said; spaces that do not break are spaces. */
const sum = () =>
  screen
    .queryAllByRole("status")
    .map((one) => one.textContent.replace(/\s+/g, " "))
    .join("");

afterEach(() => {
  cleanup();
  localStorage.clear();
});

describe("a session", () => {
  it("says what it comes to, and what of the week's landings is used", async () => {
    page();
    await waitFor(() =>
      expect(sum()).toMatch(
        /^41 of 45 minutes, about 1,234 weighted landings\. This week: 400 of the 3,000 weighted landings/,
      ),
    );
    cleanup();
    page({ multiples: 60 });
    await waitFor(() => expect(sum()).toContain("landings, 60 of them multiples."));
  });

  it.each([
    ["?minutes=0", { blocks: [] }, /^There are no minutes to plan\. Choose how long/],
    ["", { blocks: [WARM_UP] }, /^Nothing fits these minutes and what was left out\./],
    ["?pin=cross:left", { cost: 1.26 }, /What you changed costs 1\.3 of the plan’s worth/],
    ["?pin=cross:left", {}, /What you changed costs nothing\./],
  ])("says so where %s comes to nothing or costs something: %#", async (search, plan, words) => {
    page(plan, search);
    await waitFor(() => expect(sum()).toMatch(words));
  });

  it("says nothing of costs while nobody has changed anything", async () => {
    page({ cost: 0 });
    await waitFor(() => expect(sum()).toContain("41 of 45 minutes"));
    expect(sum()).not.toContain("What you changed");
  });

  it("always minds the warm-up and the floor, and each caution of its blocks once", async () => {
    page({
      blocks: [WARM_UP, blockOf("cross", { cautions: ["pain"] }), blockOf("skier", { cautions: ["pain"] })],
    });
    const cautions = within(await screen.findByRole("list", { name: "Cautions" })).getAllByRole("listitem");
    expect(cautions).toHaveLength(3);
  });

  it("is asked anew for other minutes and another energy, and each change is taken back and done again", async () => {
    const { user, address } = page();
    await user.selectOptions(await screen.findByLabelText("How long"), "60");
    await waitFor(() => expect(address()).toContain("minutes=60"));
    await user.click(screen.getByRole("radio", { name: "tired" }));
    await waitFor(() => expect(address()).toContain("energy=tired"));
    await user.click(await button(/^Undo/));
    await waitFor(() => expect(address()).toContain("energy=normal"));
    expect(address()).toContain("minutes=60");
    await user.click(await button(/^(Redo|Do it again)/));
    await waitFor(() => expect(address()).toContain("energy=tired"));
  });

  it("lets in again what was left out for today", async () => {
    const { user, address } = page({}, "?ban=cross:left&ban=skier:left");
    await user.click(await button("Bring back: cross, left side"));
    await waitFor(() => expect(address()).not.toContain("cross"));
    expect(address()).toContain("ban=skier");
  });

  it("says why something is left out, and takes in what is merely less useful", async () => {
    const why = (subject: string, code: string, more = {}) => ({
      subject,
      side: "left",
      why: { code, ...more },
    });
    const { user, address } = page({
      leftOut: [
        why("cross", "less-useful", { costs: 1.2 }),
        why("skier", "tired"),
        why("side-swing", "banned"),
      ] as unknown as StudentPlan["leftOut"],
    });
    const list = await screen.findByText("Left out, and why: 2");
    await user.click(list);
    expect(screen.getByText(/what is there is worth more, by 1\.2/)).toBeDefined();
    expect(screen.getByText(/new and hard: not for a tired day/)).toBeDefined();
    const [add, ...others] = screen.getAllByRole("button", { name: /^Add it to the plan/ });
    expect(others).toEqual([]);
    if (add !== undefined) await user.click(add);
    await waitFor(() => expect(address()).toContain("pin=cross%3Aleft"));
  });

  it("is begun, and gone on with later", async () => {
    const { user, address } = page();
    const begin = await button("Begin the session");
    await waitFor(() => expect(begin.disabled).toBe(false));
    await user.click(begin);
    await waitFor(() => expect(address()).toBe("/students/hana/session/now"));
    const kept = Object.keys(localStorage).filter((key) => key.startsWith("mirrup-led "));
    expect(kept).toEqual(["mirrup-led coach hana"]);
    cleanup();
    page();
    expect(
      (await screen.findByRole("link", { name: "Go on with the session" })).getAttribute("href"),
    ).toMatch(/\/students\/hana\/session\/now$/);
  });

  it("cannot be begun with nothing in it, nor by somebody whose jumping has ended today", async () => {
    page({ blocks: [] });
    expect((await button("Begin the session")).disabled).toBe(true);
    cleanup();
    page({}, "", { "GET /students/hana": { ...HANA, hasStopped: true } });
    expect((await screen.findByText("No jumping today")).closest('[role="alert"]')).not.toBeNull();
    expect(screen.queryByRole("button", { name: "Begin the session" })).toBeNull();
  });

  it("is a card to take home, and back again", async () => {
    const { user } = page();
    const home = await button("Home practice");
    await waitFor(() => expect(home.disabled).toBe(false));
    await user.click(home);
    await screen.findByRole("heading", { name: "Hana Petrivale: practice at home" });
    await user.click(await button("Back to the session"));
    expect(await button("Home practice")).toBeDefined();
  });

  it("says why it could not be planned, and is asked for again", async () => {
    page(new Refused(422, "Nothing is taught here."));
    expect(await screen.findByText("The session could not be planned")).toBeDefined();
    expect(screen.getByText(/Nothing is taught here\./)).toBeDefined();
  });
});
