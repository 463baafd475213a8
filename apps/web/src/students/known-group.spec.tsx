import { afterEach, describe, expect, it } from "@jest/globals";
import { act, cleanup, screen } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, SILENT, type Answers } from "../testing/drawn.js";
import { KnownGroup } from "./known-group.js";
import { groupsQuery } from "./queries.js";

const GROUPS = { items: [{ id: "first", name: "First year" }] };

const page = (at: string, answers: Answers = { "GET /groups": GROUPS }) =>
  drawn(
    <Routes>
      <Route element={<KnownGroup />}>
        <Route path="class/:groupId/weeks" element={<h1>The weeks</h1>} />
        <Route path="today" element={<h1>Today</h1>} />
      </Route>
    </Routes>,
    { at, answers },
  );
const heading = () => screen.findByRole("heading");

afterEach(cleanup);

describe("a page of a group", () => {
  it.each(["/class/first/weeks", "/class/all/weeks", "/today"])("is shown at %s", async (at) => {
    page(at);
    await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
    expect((await heading()).textContent).toMatch(/^The weeks|Today$/);
  });

  it("is none of a group that the studio does not have, and leads to those that it has", async () => {
    page("/class/somersault/weeks");
    expect(await screen.findByText("There is no such group")).toBeDefined();
    expect(screen.getByRole("link", { name: "Choose one of the class’s" }).getAttribute("href")).toMatch(
      /\/class$/,
    );
  });

  it("is shown as long as nobody knows the groups, and once a new one is known", async () => {
    page("/class/second/weeks", { "GET /groups": SILENT });
    expect((await heading()).textContent).toBe("The weeks");
    cleanup();
    let isMade = false;
    const { client } = page("/class/second/weeks", {
      "GET /groups": () => ({
        items: [...GROUPS.items, ...(isMade ? [{ id: "second", name: "Second" }] : [])],
      }),
    });
    await screen.findByText("There is no such group");
    isMade = true;
    await act(() => client.invalidateQueries({ queryKey: groupsQuery.queryKey }));
    expect(await screen.findByRole("heading", { name: "The weeks" })).toBeDefined();
  });
});
