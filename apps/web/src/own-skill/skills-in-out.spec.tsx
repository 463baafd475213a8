import { afterEach, describe, expect, it } from "@jest/globals";
import type { SkillChanges } from "@mirrup/contract";
import type { Overlay } from "@mirrup/core";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { teach } from "../app/catalogue.js";
import { drawn, signedIn } from "../testing/drawn.js";
import { fileOf } from "./skills-file.js";
import { SkillsInOut } from "./skills-in-out.js";

const THEIRS: Overlay["entries"] = {
  skier: { kind: "changed", name: "slalom" },
  bell: { kind: "changed", name: "clapper" },
};

function inOut(mine: Overlay["entries"] = {}, role: "coach" | "viewer" = "coach") {
  teach({ edition: 1, entries: mine });
  return drawn(<SkillsInOut />, {
    answers: {
      "GET /auth/session": signedIn(role),
      "POST /catalogue/changes": { edition: 2, entries: {}, leftOut: [] },
    },
  });
}
const file = (text: string) =>
  Object.assign(new File([text], "skills.json"), { text: () => Promise.resolve(text) });
const choose = async (user: ReturnType<typeof inOut>["user"], text: string) => {
  await screen.findByRole("button", { name: "From a file" });
  const input = document.querySelector<HTMLInputElement>("input[type=file]");
  if (input === null) throw new Error("no field for a file");
  await user.upload(input, file(text));
};

afterEach(() => {
  cleanup();
  teach(null);
});

describe("skills from a file", () => {
  it("are taken together, the new ones chosen and those that the studio has otherwise not", async () => {
    const { user, sent } = inOut({ bell: { kind: "changed", name: "tongue" } });
    await choose(user, fileOf({ entries: THEIRS }));
    expect((await screen.findByLabelText<HTMLInputElement>("Slalom")).checked).toBe(true);
    expect(screen.getByLabelText<HTMLInputElement>("Clapper; you teach it otherwise").checked).toBe(false);
    await user.click(screen.getByLabelText("Clapper; you teach it otherwise"));
    await user.click(screen.getByRole("button", { name: "Take 2 skills" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect((sent[0]?.body as SkillChanges).changes).toEqual([
      { subject: "skier", was: null, is: THEIRS.skier },
      { subject: "bell", was: { kind: "changed", name: "tongue" }, is: THEIRS.bell },
    ]);
    await waitFor(() => expect(screen.queryByRole("group", { name: "What the file has" })).toBeNull());
  });

  it("that do not go together are not taken", async () => {
    const { user } = inOut();
    await choose(user, fileOf({ entries: { skier: { kind: "changed", name: "bell" } } }));
    expect((await screen.findByRole("alert")).textContent).toContain("belongs to bell");
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Take 1 skill" }).disabled).toBe(true);
  });

  it("that are there already are said to be", async () => {
    const { user } = inOut(THEIRS);
    await choose(user, fileOf({ entries: THEIRS }));
    expect(await screen.findByText("You have all that is in this file.")).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Cancel" }));
    expect(screen.queryByText("You have all that is in this file.")).toBeNull();
  });

  it("of a damaged file are none, and it says so", async () => {
    const { user } = inOut();
    await choose(user, "{");
    expect((await screen.findByRole("alert")).textContent).toContain("damaged");
  });

  it("are a coach's to take, and anybody's to save", async () => {
    const { client } = inOut(THEIRS, "viewer");
    await waitFor(() => expect(client.isFetching()).toBe(0));
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Save as a file" }).disabled).toBe(false);
    expect(screen.queryByRole("button", { name: "From a file" })).toBeNull();
  });
});
