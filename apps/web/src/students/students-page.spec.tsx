import { afterEach, describe, expect, it } from "@jest/globals";
import type { ArchivedStudent, Membership, StudentView } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { StudentsPage } from "./students-page.js";

const student = (name: string, more: Partial<StudentView> = {}) =>
  ({
    ...{
      id: name.toLowerCase(),
      name,
      archived: false,
      hasStopped: false,
      reviewsDue: 0,
      stuck: 0,
      level: 2,
    },
    ...{ groups: [], goals: [], next: null, nextCodes: "", lastPractisedAt: null },
    counts: { locked: 300, ready: 40, working: 2, cleared: 8, rusty: 1, inferred: 0 },
    ...more,
  }) as unknown as StudentView;
const ALL = [
  student("Ada", { groups: ["g"], level: 4 }),
  student("Zoë", { reviewsDue: 3, stuck: 1, hasStopped: true }),
];
const DI: ArchivedStudent = {
  ...{
    id: "di",
    name: "Di",
    version: 4,
    groups: ["g"],
    archivedAt: "2026-05-04T10:00:00.000Z",
    sameAs: null,
  },
};

function page(
  students: readonly StudentView[],
  at = "/students",
  role: Membership["role"] = "coach",
  more: Answers = {},
) {
  return drawn(<StudentsPage />, {
    at,
    answers: {
      "GET /auth/session": signedIn(role),
      "GET /studio": { id: "s", name: "Tannery Yard", school: "steady-hold", settings: {} },
      "GET /students": { items: students },
      "GET /students/archived": { items: [DI] },
      "GET /groups": { items: [{ id: "g", name: "Juniors", archived: false, members: ["ada"] }] },
      ...more,
    },
  });
}
const names = () =>
  [...document.querySelectorAll("ul a")].map((one) => one.querySelector("span span")?.textContent);

afterEach(() => {
  cleanup();
  // A name that was typed and not added is kept.
  sessionStorage.clear();
});

describe("the students", () => {
  it("are those who are not archived, by name, with what is to be minded", async () => {
    page(ALL);
    expect(await screen.findByText("2 students, school: steady hold")).toBeDefined();
    expect(names()).toEqual(["Ada", "Zoë"]);
    expect(document.body.textContent).toContain("3 due for review");
    expect(document.body.textContent).toContain("stuck on 1");
    expect(document.body.textContent).toContain("stopped early today");
  });

  it.each([
    ["?find=zoe", ["Zoë"]],
    ["?group=g", ["Ada"]],
    ["?level=4", ["Ada"]],
    ["?show=review", ["Zoë"]],
    ["?sort=level", ["Ada", "Zoë"]],
  ])("are filtered as the address says: %s", async (search, expected) => {
    page(ALL, `/students${search}`);
    await screen.findByText(/school: steady hold/);
    await waitFor(() => expect(names()).toEqual(expected));
  });

  it("keep in the address what is typed and chosen", async () => {
    const { user, address } = page(ALL);
    await user.type(await screen.findByLabelText("Find a student"), "ad");
    await waitFor(() => expect(address()).toBe("/students?find=ad"));
    await user.selectOptions(screen.getByLabelText("Group"), "g");
    await waitFor(() => expect(address()).toBe("/students?find=ad&group=g"));
    await user.selectOptions(screen.getByLabelText("Group"), "");
    await waitFor(() => expect(address()).toBe("/students?find=ad"));
  });

  it("who are archived are a list of their own, read when it is asked for", async () => {
    const { user, client } = page(ALL);
    await screen.findByText(/2 students/);
    expect(client.getQueryState(["students", { archived: true }])).toBeUndefined();
    await user.selectOptions(screen.getByLabelText("Show"), "archived");
    expect((await screen.findByRole("link", { name: "Di" })).getAttribute("href")).toContain("/students/di");
    expect(screen.getByText(/^archived .*2026/)).toBeDefined();
    expect(screen.queryByRole("link", { name: /Ada/ })).toBeNull();
    expect(screen.queryByLabelText("Level")).toBeNull();
  });

  it.each([
    ["?show=archived&group=g", "Di"],
    ["?show=archived&find=d", "Di"],
    ["?show=archived&group=h", null],
    ["?show=archived&find=xy", null],
  ])("who are archived are filtered by their name and groups: %s", async (search, found) => {
    page(ALL, `/students${search}`);
    if (found === null) await screen.findByText(/^Nobody who is archived fits/);
    else await screen.findByRole("link", { name: found });
  });

  it("say how one is archived where nobody is, and what went wrong", async () => {
    page(ALL, "/students?show=archived", "coach", { "GET /students/archived": { items: [] } });
    expect(await screen.findByText(/^Nobody is archived\./)).toBeDefined();
    cleanup();
    page(ALL, "/students?show=archived", "coach", {
      "GET /students/archived": new Refused(500, "It broke."),
    });
    expect(await screen.findByText("The archived students could not be read")).toBeDefined();
  });

  it("are brought back from what is known of them, with a way to undo it", async () => {
    const { user, sent } = page(ALL, "/students?show=archived", "coach", {
      "PATCH /students/di": (body: unknown) => ({ ...DI, version: 5, asked: body }),
    });
    await user.click(await screen.findByRole("button", { name: "Bring back Di" }));
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent.map(({ body }) => body)).toEqual([
      { version: 4, archived: false },
      { version: 5, archived: true },
    ]);
  });

  it("are not brought back by a viewer", async () => {
    page(ALL, "/students?show=archived", "viewer");
    await screen.findByRole("link", { name: "Di" });
    expect(screen.queryByRole("button", { name: /Bring back/ })).toBeNull();
  });

  it.each([
    ["nobody is there", [], "/students", /^No students yet\./],
    ["nobody has that name", ALL, "/students?find=xy", /^No student here is called “xy”\./],
    ["nobody fits the choice", ALL, "/students?level=9", /^Nobody fits this choice\./],
  ])("say what to do where %s", async (_, students, at, words) => {
    page(students, at);
    expect(await screen.findByText(words)).toBeDefined();
  });

  it("are added by whoever teaches", async () => {
    const { user, sent, address } = page([], "/students", "coach", {
      "POST /students": (body: unknown) => ({ version: 1, ...(body as object) }),
    });
    await user.type(await screen.findByLabelText("New student"), " Wren ");
    await user.keyboard("{Enter}");
    await waitFor(() => expect(address()).toMatch(/^\/students\/.+\/placement$/));
    expect(sent[0]?.body).toMatchObject({ name: "Wren" });
  });

  it("say so where a name is taken already, by somebody who comes or is archived", async () => {
    const { user } = page(ALL);
    const field = await screen.findByLabelText("New student");
    await user.type(field, "ada");
    expect(await screen.findByText(/^Ada is in the list already\./)).toBeDefined();
    await user.clear(field);
    await user.type(field, "Di");
    expect(await screen.findByText(/^Di is archived\./)).toBeDefined();
    await user.type(field, "na");
    expect(screen.queryByText(/is archived\./)).toBeNull();
  });

  it("keep a new name that was refused, and say why", async () => {
    const { user } = page([], "/students", "coach", {
      "POST /students": new Refused(422, "Too many students."),
    });
    await user.type(await screen.findByLabelText("New student"), "Wren");
    await user.click(screen.getByRole("button", { name: "Add" }));
    expect(await screen.findByText("Too many students.")).toBeDefined();
    expect(screen.getByLabelText<HTMLInputElement>("New student").value).toBe("Wren");
  });

  it("are only looked at by a viewer", async () => {
    const { client } = page(ALL, "/students", "viewer");
    await screen.findByText(/2 students/);
    await waitFor(() => expect(client.isFetching()).toBe(0));
    expect(screen.queryByLabelText("New student")).toBeNull();
    expect(screen.queryByRole("link", { name: "From a file" })).toBeNull();
  });

  it("says of a second record of a child whose it is part of, and offers no way back of its own", async () => {
    page(ALL, "/students?show=archived", "coach", {
      "GET /students/archived": { items: [{ ...DI, id: "two", name: "Ada L.", sameAs: "ada" }] },
    });
    const line = (await screen.findByRole("link", { name: "Ada L." })).closest("li");
    expect(line?.textContent).toBe("Ada L.part of Ada’s record");
    expect(screen.queryByRole("button", { name: /^Bring back/ })).toBeNull();
  });

  it("tell of two who have the same name", async () => {
    page([...ALL, student("ada", { id: "ada2" })]);
    await waitFor(() => expect(screen.getAllByText(/somebody else has this name/)).toHaveLength(2));
  });
});
