import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn } from "../testing/drawn.js";
import { useClassProgress } from "./use-class-progress.js";

function Asked({ usual }: { readonly usual?: string }) {
  const { groupId, groupName, weeks, askWeeks } = useClassProgress(usual);
  return (
    <>
      <p>{`${groupId ?? "everybody"}, ${groupName ?? "no name"}, ${weeks} weeks`}</p>
      <button type="button" onClick={() => askWeeks("52")}>
        A year
      </button>
    </>
  );
}

function page(at: string, usual?: string) {
  const element = usual === undefined ? <Asked /> : <Asked usual={usual} />;
  return drawn(
    <Routes>
      <Route path="class/:groupId/progress" element={element} />
    </Routes>,
    {
      at,
      answers: {
        "GET /studio": { timeZone: "UTC" },
        "GET /groups": { items: [{ id: "first", name: "First year" }] },
        "GET /progress": {},
      },
    },
  );
}

afterEach(cleanup);

describe("what a page of a class's progress is of", () => {
  it("is a group by its name, or everybody, over the weeks that are usual there", async () => {
    page("/class/first/progress");
    expect(await screen.findByText("first, First year, 12 weeks")).toBeDefined();
    cleanup();
    page("/class/all/progress", "26");
    expect(await screen.findByText("everybody, no name, 26 weeks")).toBeDefined();
  });

  it("is what its address says before what is usual, and what is asked then, which leaves the rest of it", async () => {
    const { user, address } = page("/class/first/progress?weeks=4&until=2026-01-31", "26");
    await screen.findByText("first, First year, 4 weeks");
    window.history.replaceState(null, "", "/?weeks=4&until=2026-01-31");
    await user.click(screen.getByRole("button", { name: "A year" }));
    expect(address()).toBe("/class/first/progress?weeks=52&until=2026-01-31");
    await screen.findByText("first, First year, 52 weeks");
    window.history.replaceState(null, "", "/");
  });
});
