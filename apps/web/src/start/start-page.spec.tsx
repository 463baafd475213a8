import { afterEach, describe, expect, it } from "@jest/globals";
import type { GroupView, Membership, StudentView } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, signedIn, SILENT, type Answers } from "../testing/drawn.js";
import { StartPage } from "./start-page.js";

const student = (name: string, cleared = 0, lastPractisedAt: string | null = null) =>
  ({
    id: name.toLowerCase(),
    name,
    archived: false,
    lastPractisedAt,
    counts: { cleared },
  }) as unknown as StudentView;
const GROUP = {
  ...{ id: "g", name: "Juniors", archived: false, weekday: 2, startTime: "17:00", place: "" },
  members: ["ada"],
} as unknown as GroupView;

function page(
  students: readonly StudentView[],
  groups: readonly GroupView[] = [],
  { role = "owner", ...more }: Answers & { role?: Membership["role"] } = {},
) {
  return drawn(<StartPage />, {
    at: "/start",
    answers: {
      "GET /auth/session": signedIn(role),
      "GET /studio": { id: "s", name: "Tannery Yard", school: "steady-hold", settings: {}, version: 1 },
      "GET /students": { items: students },
      "GET /groups": { items: groups },
      ...more,
    },
  });
}
const nextStep = async () =>
  (await screen.findByRole("listitem", { current: "step" })).querySelector("h2")?.textContent;

afterEach(() => {
  cleanup();
  sessionStorage.clear();
});

describe("the first steps", () => {
  it.each<[string, readonly StudentView[], readonly GroupView[], string]>([
    ["an empty studio", [], [], "Your studentsnext"],
    ["students", [student("Ada")], [], "A group and its hournext"],
    ["a group", [student("Ada")], [GROUP], "Where the first one standsnext"],
    ["somebody who was placed", [student("Ada", 5)], [GROUP], "The first lessonnext"],
  ])("lead on from %s", async (_, students, groups, heading) => {
    page(students, groups);
    expect(await nextStep()).toBe(heading);
  });

  it("are all done after the first lesson, and lead to Today", async () => {
    page([student("Ada", 5, "2026-06-01T17:00:00Z")], [GROUP]);
    expect(await screen.findByText("All of it is done. From here on, begin at Today.")).toBeDefined();
    expect(screen.queryByRole("listitem", { current: "step" })).toBeNull();
  });

  it("explain the three schools by tricks that everybody knows, and mark one's own", async () => {
    page([]);
    const own = await screen.findByRole("article", { name: "steady hold" });
    expect(own.textContent).toContain("yours");
    expect(own.textContent).toContain("A cross is cleared at 45 s without a miss.");
    expect(screen.getAllByRole("article")).toHaveLength(3);
    expect(screen.getByRole("article", { name: "foundation first" }).textContent).toContain("the base test");
  });

  it("let only an owner teach another way", async () => {
    page([], [], { role: "coach" });
    await screen.findByText(/First steps at/);
    expect(screen.queryByRole("link", { name: "Teach another way" })).toBeNull();
  });

  it("are none of a viewer's", async () => {
    const { address } = page([], [], { role: "viewer" });
    await waitFor(() => expect(address()).toBe("/today"));
  });

  it("add the names that are typed, once, and tell which are here already", async () => {
    const { user, sent } = page([student("Ada")], [], {
      "POST /students/import": { students: 2, groups: 0 },
    });
    await user.type(await screen.findByLabelText("Names, one to a line"), "ada\nBo\nCy");
    expect(screen.getByText("Here already, or written twice, and left out: ada.")).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Add 2 students" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    const { students } = sent[0]?.body as { students: { id: string; name: string }[] };
    expect(students.map(({ name }) => name)).toEqual(["Bo", "Cy"]);
    expect(new Set(students.map(({ id }) => id)).size).toBe(2);
    await waitFor(() =>
      expect(screen.getByLabelText<HTMLTextAreaElement>("Names, one to a line").value).toBe(""),
    );
  });

  it("send the same students again after silence, and nobody twice", async () => {
    let isSilent = true;
    const { user, sent } = page([], [], {
      "POST /students/import": () => (isSilent ? SILENT : { students: 1, groups: 0 }),
    });
    await user.type(await screen.findByLabelText("Names, one to a line"), "Bo");
    await user.click(screen.getByRole("button", { name: "Add 1 student" }));
    expect((await screen.findByRole("alert")).textContent).toContain("The names are kept here.");
    isSilent = false;
    await user.click(screen.getByRole("button", { name: "Add 1 student" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[0]?.body).toEqual(sent[1]?.body);
  });

  it("refuse what is no name, in a sentence", async () => {
    const { user, sent } = page([]);
    await user.click(await screen.findByLabelText("Names, one to a line"));
    await user.paste("a".repeat(121));
    expect(screen.getByText(/is longer than 120 letters: is it one name\?/)).toBeDefined();
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Add 1 student" }).disabled).toBe(true);
    expect(sent).toEqual([]);
  });

  it("say what could not be read, and try again", async () => {
    page([], [], { "GET /students": new Refused(500, "It broke.") });
    expect(await screen.findByText("The first steps could not be read")).toBeDefined();
    expect(screen.getByText("It broke.")).toBeDefined();
  });
});
