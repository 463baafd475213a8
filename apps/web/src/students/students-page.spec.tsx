import { afterEach, describe, expect, it } from "@jest/globals";
import type { Membership, StudentView } from "@mirrup/contract";
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
  student("Di", { archived: true }),
];

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
      "GET /groups": { items: [{ id: "g", name: "Juniors", archived: false, members: ["ada"] }] },
      ...more,
    },
  });
}
const names = () =>
  [...document.querySelectorAll("ul a")].map((one) => one.querySelector("span span")?.textContent);

afterEach(cleanup);

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
    ["?show=archived", ["Di"]],
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
});
