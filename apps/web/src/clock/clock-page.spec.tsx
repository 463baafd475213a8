import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { outbox } from "../device/index.js";
import { drawn, Refused, SILENT, signedIn, type Answers } from "../testing/drawn.js";
import { emptyOutbox } from "../testing/outbox.js";
import { ClassClockPage, StudentClockPage } from "./clock-page.js";

const ADA = { id: "ada", name: "Ada Lowe", hasStopped: false, archived: false, dominantHand: "right" };

function clock(at = "/students/ada/clock", more: Answers = {}) {
  return drawn(
    <Routes>
      <Route path="students/:studentId/clock" element={<StudentClockPage />} />
      <Route path="class/:groupId/clock" element={<ClassClockPage />} />
    </Routes>,
    {
      at,
      answers: {
        "GET /auth/session": signedIn("coach"),
        "GET /students/ada": ADA,
        "GET /students/ada/standings": { items: [] },
        "GET /students/ada/jumps": { items: [] },
        "GET /combos": { items: [] },
        "GET /grid": { sides: [], students: [] },
        "GET /groups": { items: [{ id: "g", name: "Juniors" }] },
        "GET /studio": { id: "s", school: "steady-hold", settings: {} },
        ...{ "PUT /students/ada/stop": SILENT, "DELETE /students/ada/stop": SILENT, "GET /health": SILENT },
        ...more,
      },
    },
  );
}
const button = (name: string | RegExp) => screen.getByRole("button", { name });
const now = () => screen.getByRole("heading", { level: 1 }).textContent;

beforeEach(() => outbox.read());
afterEach(async () => {
  cleanup();
  await emptyOutbox();
  localStorage.clear();
});

describe("the interval clock", () => {
  it("runs work and rest for a student, is paused, and is there again where the page is opened anew", async () => {
    const { user } = clock();
    await user.click(await screen.findByRole("button", { name: "Start the clock" }));
    expect(screen.getByRole("timer", { name: "Left of it" })).toBeDefined();
    expect(screen.queryByText("Take care")).toBeNull();
    const first = now();
    await user.click(button(/^Skip to the next/));
    await waitFor(() => expect(now()).not.toBe(first));
    await user.click(button(/^Once more/));
    await user.keyboard(" ");
    await waitFor(() => expect(now()).toBe("Paused"));
    cleanup();
    const again = clock();
    await waitFor(() => expect(now()).toBe("Paused"));
    await again.user.click(button(/^Go on/));
    await waitFor(() => expect(now()).not.toBe("Paused"));
    await again.user.click(button("End"));
    expect(await screen.findByRole("button", { name: "Start the clock" })).toBeDefined();
  });

  it("ends at once for whom it hurts, and stands where it was if that was a slip", async () => {
    const { user } = clock();
    await user.click(await screen.findByRole("button", { name: "Start the clock" }));
    await user.click(button("Pain: stop today"));
    expect((await screen.findByRole("alert")).textContent).toContain("Jumping ends for Ada Lowe today");
    expect(screen.queryByRole("button", { name: "Start the clock" })).toBeNull();
    await user.click(button("It was pressed by mistake"));
    await waitFor(() => expect(now()).toBe("Paused"));
  });

  it("is over after its last stretch, and is changed from there", async () => {
    const { user } = clock();
    await user.click(await screen.findByRole("button", { name: "Start the clock" }));
    for (
      let stretch = 0;
      stretch < 30 && screen.queryByRole("button", { name: /^Skip/ }) !== null;
      stretch += 1
    )
      await user.click(button(/^Skip to the next/));
    await waitFor(() => expect(now()).toBe("Done"));
    expect(document.activeElement).toBe(button(/^Change the clock/));
    await user.keyboard("{Enter}");
    expect(await screen.findByRole("button", { name: "Start the clock" })).toBeDefined();
  });

  it("of a class is one for all, by its name, and asks of nobody whether it hurts", async () => {
    const { user } = clock("/class/g/clock");
    await screen.findByText("Juniors");
    await user.click(button("Start the clock"));
    expect(screen.getByText(/^Juniors/)).toBeDefined();
    expect(screen.queryByRole("button", { name: "Pain: stop today" })).toBeNull();
    cleanup();
    clock("/class/all/clock");
    expect(await screen.findByText("Everybody")).toBeDefined();
  });

  it("says who could not be read, and asks again", async () => {
    let isThere = false;
    const { user } = clock("/students/ada/clock", {
      "GET /students/ada": () => (isThere ? ADA : new Refused(500, "Something is wrong in Mirrup.")),
    });
    await screen.findByText("This student could not be read");
    isThere = true;
    await user.click(button("Try again"));
    expect(await screen.findByRole("button", { name: "Start the clock" })).toBeDefined();
  });
});
