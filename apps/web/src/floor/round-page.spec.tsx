import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { act, cleanup, screen, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { outbox } from "../device/index.js";
import { drawn, Refused, SILENT, signedIn, type Answers } from "../testing/drawn.js";
import { emptyOutbox, waitingSets } from "../testing/outbox.js";
import { RoundPage } from "./round-page.js";

const who = (id: string, name: string, groups: readonly string[] = ["g"]) => ({
  id,
  name,
  groups,
  archived: false,
  hasStopped: false,
});
const CLASS = [who("ada", "Ada Lowe"), who("bo", "Bo Wick"), who("cy", "Cy Marsh", [])];

function round(subject = "basic-bounce", more: Answers = {}, groupId = "g") {
  const view = drawn(
    <Routes>
      <Route path="class/:groupId/round/:subject" element={<RoundPage />} />
    </Routes>,
    {
      at: `/class/${groupId}/round/${subject}`,
      answers: {
        "GET /auth/session": signedIn("coach"),
        "GET /students": { items: CLASS },
        "GET /groups": { items: [{ id: "g", name: "Juniors", members: ["ada", "bo"] }] },
        "GET /studio": { id: "s", school: "steady-hold", settings: {}, timeZone: "Europe/London" },
        "GET /presence": { items: [] },
        "POST /sets": SILENT,
        "GET /health": SILENT,
        ...more,
      },
    },
  );
  return view;
}
const row = async (name: string) => within(await screen.findByRole("group", { name }));
const finish = () => screen.getByRole("button", { name: /^Finish the round/ });

beforeEach(() => outbox.read());
afterEach(async () => {
  cleanup();
  await emptyOutbox();
  localStorage.clear();
  sessionStorage.clear();
  jest.useRealTimers();
});

describe("a round for a class", () => {
  it("is of the group's students, each answered by one tap or a number, and becomes a set of each who was", async () => {
    const { user } = round();
    await screen.findByText("Juniors, 2 students");
    expect(finish().textContent).toBe("Finish the round: 0 of 2");
    expect(finish().hasAttribute("disabled")).toBe(true);
    const ada = await row("Ada Lowe");
    await user.click(ada.getByRole("button", { name: "Made it" }));
    expect(finish().textContent).toBe("Finish the round: 1 of 2");
    // Tapped again it is taken back; a number is another answer.
    await user.click(ada.getByRole("button", { name: "Made it" }));
    expect(finish().hasAttribute("disabled")).toBe(true);
    await user.type(ada.getByRole("textbox"), "1x2");
    await user.click((await row("Bo Wick")).getByRole("button", { name: "Not yet" }));
    await user.click(finish());
    await screen.findByRole("heading", { name: "2 sets of this round" });
    expect(screen.getByText(/kept on this device and sent as soon as the server answers/)).toBeDefined();
    expect(waitingSets().map(({ studentId, subject, clean }) => [studentId, subject, clean > 0])).toEqual([
      ["ada", "basic-bounce", true],
      ["bo", "basic-bounce", false],
    ]);
    expect(waitingSets()[0]).toMatchObject({ clean: 12, side: "whole" });
    await user.click(screen.getByRole("button", { name: "Another round" }));
    expect(finish().textContent).toBe("Finish the round: 0 of 2");
  });

  it("is finished once, however often that is tapped", async () => {
    const { user } = round();
    await user.click((await row("Ada Lowe")).getByRole("button", { name: "Made it" }));
    await user.click((await row("Bo Wick")).getByRole("button", { name: "Nearly" }));
    const said = jest.spyOn(outbox, "say");
    const button = finish();
    act(() => {
      button.click();
      button.click();
    });
    await screen.findByRole("heading", { name: "2 sets of this round" });
    expect(said).toHaveBeenCalledTimes(1);
    expect(waitingSets()).toHaveLength(2);
    said.mockRestore();
  });

  it("goes on where it was after the page was left, for whoever is signed in", async () => {
    const { user } = round();
    await user.click((await row("Ada Lowe")).getByRole("button", { name: "Nearly" }));
    cleanup();
    round();
    const pressed = (await row("Ada Lowe")).getByRole("button", { name: "Nearly" });
    expect(pressed.getAttribute("aria-pressed")).toBe("true");
    expect(screen.getByRole("timer", { name: "Since the round began" })).toBeDefined();
    expect(finish().textContent).toBe("Finish the round: 1 of 2");
  });

  it("of a hold has one clock: whoever is not tapped has held it, and who is not here is left out", async () => {
    localStorage.setItem(
      "mirrup-round coach g basic-bounce",
      JSON.stringify({
        ...{ id: null, side: "whole", drill: { kind: "hold", seconds: 30 }, startedAt: null, heldFrom: null },
        ...{ answers: {}, away: [], turn: 0 },
      }),
    );
    const { user } = round("basic-bounce", {}, "all");
    expect(await screen.findByText("Everybody, 3 students")).toBeDefined();
    cleanup();
    const held = round();
    await screen.findByText(/One clock for all/);
    await held.user.click((await row("Bo Wick")).getByRole("button", { name: "Not here" }));
    await held.user.click(screen.getByRole("button", { name: "Start the clock" }));
    expect(screen.getByRole("timer", { name: "Left of the round" }).textContent).toMatch(/^0:(30|2\d)$/);
    await held.user.click((await row("Ada Lowe")).getByRole("button", { name: "Stopped" }));
    const taken = (await row("Ada Lowe")).getByRole("button", { name: /^Stopped at [\d.]+ s/ });
    await held.user.click(taken);
    await held.user.click(finish());
    await screen.findByRole("heading", { name: "1 set of this round" });
    expect(waitingSets().map(({ studentId }) => studentId)).toEqual(["ada"]);
    expect(user).toBeDefined();
  });

  it("says what is wrong where there is no such skill, or no class can be read", async () => {
    round("somersault");
    expect(await screen.findByText("There is no such skill")).toBeDefined();
    cleanup();
    const { client } = round("basic-bounce", { "GET /students": new Refused(422, "Ask otherwise.") });
    expect(await screen.findByText("Ask otherwise.")).toBeDefined();
    client.clear();
  });

  it("ends for whom it hurts with one tap: what they held until then counts, and nothing is asked of them", async () => {
    localStorage.setItem(
      "mirrup-round coach g basic-bounce",
      JSON.stringify({
        ...{ id: null, side: "whole", drill: { kind: "hold", seconds: 30 }, startedAt: null, heldFrom: null },
        ...{ answers: {}, away: [], turn: 0 },
      }),
    );
    const { user } = round("basic-bounce", {
      "PUT /students/ada/stop": SILENT,
      "PUT /students/bo/stop": SILENT,
    });
    await row("Ada Lowe");
    // Before the clock runs nobody has held anything.
    await user.click(screen.getByRole("button", { name: "Pain: stop today, Bo Wick" }));
    await user.click(screen.getByRole("button", { name: "Start the clock" }));
    await user.click(screen.getByRole("button", { name: "Pain: stop today, Ada Lowe" }));
    expect(screen.queryAllByRole("group")).toEqual([]);
    await user.click(screen.getByRole("button", { name: "Finish the round: 1 of 2" }));
    await screen.findByRole("heading", { name: "1 set of this round" });
    expect(waitingSets().map(({ studentId, seconds = 99 }) => [studentId, seconds < 30])).toEqual([
      ["ada", true],
    ]);
  });

  it("has nobody in it who stopped before, until that was a slip", async () => {
    const stopped = CLASS.map((one) => ({ ...one, hasStopped: one.id === "bo" }));
    const { user } = round("basic-bounce", {
      "GET /students": { items: stopped },
      "DELETE /students/bo/stop": SILENT,
    });
    await row("Ada Lowe");
    expect(screen.getByText("Jumping ends today.")).toBeDefined();
    await user.click(screen.getByRole("button", { name: "It was pressed by mistake, Bo Wick" }));
    await user.click((await row("Bo Wick")).getByRole("button", { name: "Made it" }));
    expect(finish().textContent).toBe("Finish the round: 1 of 2");
  });
});
