import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { DecisionRequest, SetRequest } from "@mirrup/contract";
import { cleanup, screen, within } from "@testing-library/react";
import { rowsOfFile } from "../app/file-rows.js";
import { drawn, Refused, SILENT, type Answers } from "../testing/drawn.js";
import { fileField, textFile } from "../testing/file.js";
import { workedBy } from "../testing/worker.js";
import { SetsPage } from "./sets-page.js";

const ADA = "0199c6b0-0000-7000-8000-0000000000ad";
const LOG = [
  "Name,Trick,Side,Date,Made,Missed",
  "Ada Lowe,Side swing,right,1/2/2026,8,2",
  "Ada Lowe,Side swing,right,13/2/2026,9,0",
  "Nobody,Side swing,right,1/2/2026,9,0",
];
const asSets = (body: unknown) => (body as { readonly sets: readonly SetRequest[] }).sets;
/** Takes what was not taken before. */
const stores =
  (before: readonly number[] = []) =>
  (body: unknown) => {
    const ids = asSets(body).map(({ id }) => id);
    return {
      ...{
        stored: ids.filter((_, at) => !before.includes(at)),
        alreadyStored: ids.filter((_, at) => before.includes(at)),
      },
      ...{ clockAhead: [], clockAheadSeconds: 0, changes: [], opened: [] },
    };
  };

async function page(answers: Answers = {}, log: readonly string[] = LOG) {
  const shown = drawn(<SetsPage />, {
    at: "/students/import-sets",
    answers: { "GET /students": { items: [{ id: ADA, name: "Ada Lowe" }] }, ...answers },
  });
  await shown.user.upload(fileField(), textFile(...log));
  return shown;
}
const store = (many: string) => screen.findByRole("button", { name: `Store ${many}` });

beforeEach(() => workedBy({ read: (bytes: ArrayBuffer) => rowsOfFile(new Uint8Array(bytes)) }));
afterEach(cleanup);

describe("sets from a file", () => {
  it("are shown before they are stored, with the lines that do not fit and why", async () => {
    const { sent } = await page();
    await screen.findByText("2 sets of 1 student; 1 line is left out.");
    const faults = within(screen.getByText("1 line does not fit").closest('[role="alert"]') ?? document.body);
    expect(faults.getByRole("listitem").textContent).toMatch(/^Line 4, student: /);
    const [, first] = within(screen.getByRole("table", { name: "The first of them" })).getAllByRole("row");
    expect(first?.textContent).toMatch(/^2Ada LoweSide swing, right side1 Feb 2026, 12:008 clean, 2 missed$/);
    expect(sent).toEqual([]);
  });

  it("are found for who is archived too", async () => {
    await page({
      "GET /students": { items: [] },
      "GET /students/archived": { items: [{ id: ADA, name: "Ada Lowe" }] },
    });
    await screen.findByText("2 sets of 1 student; 1 line is left out.");
    expect(screen.getAllByRole("cell", { name: "Ada Lowe" })).toHaveLength(2);
  });

  it("are of the days that the file means: with the month first another line fits no more", async () => {
    const { user } = await page();
    await screen.findByText(/^2 sets/);
    await user.click(screen.getByRole("combobox", { name: "Days with dots or slashes" }));
    await user.click(await screen.findByRole("option", { name: /the month first/, hidden: true }));
    await screen.findByText("1 set of 1 student; 2 lines are left out.");
    expect(screen.getByText(/^2 Jan 2026/)).toBeDefined();
  });

  it("ask which column is which where that cannot be guessed", async () => {
    const { user } = await page({}, ["Name,Trick,Side,Date,Count", "Ada Lowe,Side swing,right,1/2/2026,8"]);
    await screen.findByText("Say which column is the clean tries.");
    expect(screen.queryByRole("button", { name: /^Store/ })).toBeNull();
    await user.click(screen.getByRole("combobox", { name: /^Clean tries/ }));
    await user.click(
      within(screen.getByRole("listbox", { name: /^Clean tries/, hidden: true })).getByRole("option", {
        name: "Count",
        hidden: true,
      }),
    );
    expect(await store("1 set")).toBeDefined();
  });

  it("are stored once, and all of what went in is taken back at once", async () => {
    const { user, sent } = await page({ "POST /sets": stores([0]), "POST /decisions": { stored: [] } });
    await user.click(await store("2 sets"));
    await screen.findByText("1 set stored");
    expect(screen.getByText("1 set was in the log already.")).toBeDefined();
    expect(await store("2 sets")).toHaveProperty("disabled", true);
    await user.click(screen.getByRole("button", { name: "Take all of it back" }));
    await screen.findByText("All of it is taken back.");
    const [sets, taken] = sent;
    const { decisions } = taken?.body as { readonly decisions: readonly DecisionRequest[] };
    expect(decisions.map(({ decision }) => decision)).toEqual([
      { kind: "void", target: asSets(sets?.body)[1]?.id },
    ]);
    expect(await store("2 sets")).toHaveProperty("disabled", false);
  });

  it("are stored but for the lines that the server refuses, which are named", async () => {
    let asked = 0;
    const answer = (body: unknown) => {
      asked += 1;
      const errors = [{ item: 0, field: "at", code: "future", message: "It is still to come." }];
      return asked === 1 ? new Refused(422, "Not so.", { errors }) : stores()(body);
    };
    const { user } = await page({ "POST /sets": answer });
    await user.click(await store("2 sets"));
    await screen.findByText("1 set stored");
    expect(screen.getByText("Line 2 was not taken: It is still to come.")).toBeDefined();
  });

  it("say what became of them where nobody answers, and are sent again with one press", async () => {
    let isThere = false;
    const answer = (body: unknown) => (isThere ? stores()(body) : SILENT);
    const { user } = await page({ "POST /sets": answer });
    await user.click(await store("2 sets"));
    await screen.findByText(/store them again, and each counts once\.$/);
    isThere = true;
    await user.click(await store("2 sets"));
    await screen.findByText("2 sets stored");
    expect(screen.queryByText(/each counts once/)).toBeNull();
  });

  it("say that a file cannot be read", async () => {
    workedBy({ read: () => Promise.reject(new Error("not a table")) });
    await page();
    expect((await screen.findByRole("alert")).textContent).toMatch(/could not be read|cannot be read/i);
  });
});
