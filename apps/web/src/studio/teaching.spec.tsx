import { afterEach, describe, expect, it } from "@jest/globals";
import { SETTINGS } from "@mirrup/catalogue";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { Teaching } from "./teaching.js";

const STUDIO = { id: "s", version: 3, name: "Yard", school: "steady-hold", settings: {} };
const STUDENTS = [
  { id: "ada", name: "Ada" },
  { id: "bo", name: "Bo" },
];
const cross = { subject: "cross", side: "left" };

function shown(isOwner: boolean, more: Answers = {}) {
  return drawn(<Teaching isOwner={isOwner} />, {
    answers: {
      "GET /auth/session": signedIn(isOwner ? "owner" : "coach"),
      "GET /studio": STUDIO,
      "GET /students": { items: STUDENTS },
      "POST /studio/preview": {
        items: [
          { studentId: "ada", clears: [cross], reopens: [] },
          { studentId: "bo", clears: [], reopens: [] },
        ],
      },
      "PATCH /studio": (body: unknown) => ({ ...STUDIO, ...(body as object), version: 4 }),
      ...more,
    },
  });
}
const school = () => screen.findByLabelText<HTMLSelectElement>("School");

afterEach(cleanup);

describe("how the studio teaches", () => {
  it("is text to whoever cannot change it, each choice with its reason", async () => {
    shown(false);
    expect(await screen.findByText("An owner of the studio can change this.")).toBeDefined();
    expect(screen.getByText("School").nextElementSibling?.textContent).toMatch(
      /^Steady hold\. Form over a minute/,
    );
    expect(screen.getAllByRole("term")).toHaveLength(1 + SETTINGS.length);
    expect(screen.queryByRole("combobox")).toBeNull();
  });

  it("shows what another school would change before it is chosen, and leaves it with Cancel", async () => {
    const { user, sent } = shown(true);
    await user.selectOptions(await school(), "quick-frontier");
    expect(await screen.findByText(/It would clear 1 side and reopen 0, of 1 student:/)).toBeDefined();
    expect(screen.getByText("Ada").parentElement?.textContent).toBe("Ada: clears cross, left side.");
    await user.click(screen.getByRole("button", { name: "Cancel" }));
    expect((await school()).value).toBe("steady-hold");
    expect(sent.map(({ path }) => path)).toEqual(["/studio/preview"]);
  });

  it.each([true, false])("changes the school, and keeps what was cleared or not (%p)", async (keeps) => {
    const { user, sent } = shown(true);
    await user.selectOptions(await school(), "quick-frontier");
    const keep = await screen.findByLabelText(/^Keep what was cleared/);
    if (!keeps) await user.click(keep);
    await user.click(screen.getByRole("button", { name: "Teach by quick frontier" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]?.body).toEqual({ version: 3, school: "quick-frontier", keepCleared: keeps });
    expect(await screen.findByText("The school is quick frontier now.")).toBeDefined();
  });

  it("saves one setting and leaves the others", async () => {
    const { user, sent } = shown(true);
    const [setting] = SETTINGS;
    const other = setting?.options.at(-1)?.id ?? "";
    await user.selectOptions(await screen.findByLabelText(setting?.name ?? ""), other);
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toEqual({
      method: "PATCH",
      path: "/studio",
      body: { version: 3, settings: { [setting?.id ?? ""]: other } },
    });
  });

  it("says why a preview could not be made", async () => {
    const { user } = shown(true, { "POST /studio/preview": new Refused(422, "Too much to do just now.") });
    await user.selectOptions(await school(), "quick-frontier");
    expect(await screen.findByText("Too much to do just now.")).toBeDefined();
  });
});
