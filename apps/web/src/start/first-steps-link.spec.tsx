import { afterEach, describe, expect, it } from "@jest/globals";
import type { Membership } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, signedIn } from "../testing/drawn.js";
import { FirstStepsLink } from "./first-steps-link.js";

const student = (lastPractisedAt: string | null) => ({ id: "ada", name: "Ada", lastPractisedAt });

function link(
  students: readonly object[],
  archived: readonly object[] = [],
  role: Membership["role"] = "coach",
) {
  return drawn(<FirstStepsLink />, {
    answers: {
      "GET /auth/session": signedIn(role),
      "GET /students": { items: students },
      "GET /students/archived": { items: archived },
    },
  });
}

afterEach(cleanup);

describe("the way back to the first steps", () => {
  it.each([
    ["nobody is there", []],
    ["nobody has jumped", [student(null)]],
  ])("is there while %s", async (_when, students) => {
    link(students);
    const found = await screen.findByRole("link", { name: "The first steps" });
    expect(found.getAttribute("href")).toMatch(/\/start$/);
  });

  it.each([
    ["somebody has jumped", [student("2026-06-01T10:00:00.000Z")], [], "coach"],
    ["all who came have stopped", [], [{ id: "di", name: "Di" }], "coach"],
    ["somebody only looks", [], [], "viewer"],
  ] as const)("is not there once %s", async (_when, students, archived, role) => {
    const { client } = link(students, archived, role);
    await waitFor(() => expect(client.isFetching()).toBe(0));
    await waitFor(() => expect(client.getQueryData(["session"])).toBeDefined());
    expect(screen.queryByText("This studio is new")).toBeNull();
  });
});
