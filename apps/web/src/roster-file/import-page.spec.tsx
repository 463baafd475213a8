import { afterEach, describe, expect, it } from "@jest/globals";
import { MAX_IMPORT } from "@mirrup/contract";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { drawn, Refused, type Answers } from "../testing/drawn.js";
import { fileField, textFile } from "../testing/file.js";
import { closeChannels, workedBy } from "../testing/worker.js";
import { rowsOfFile } from "../app/file-rows.js";
import { ImportPage } from "./import-page.js";
import { readRoster } from "./roster-file.js";

/** What the page's worker does, or something else. */
function reads(
  read: (bytes: ArrayBuffer, known: readonly string[]) => Promise<unknown> = async (
    bytes: ArrayBuffer,
    known: readonly string[],
  ) => {
    const { rows, encoding } = await rowsOfFile(new Uint8Array(bytes));
    return { ...readRoster(rows, known), encoding };
  },
) {
  workedBy({ read });
}

function page(answers: Answers = {}) {
  return drawn(<ImportPage />, {
    at: "/students/import",
    answers: { "GET /students": { items: [{ id: "a", name: "Ada Lowe" }] }, ...answers },
  });
}
const add = (many: string) => screen.findByRole("button", { name: `Add ${many}` });

afterEach(() => {
  cleanup();
  closeChannels();
});

describe("students from a file", () => {
  it("are shown before they are stored, leave out who is here already, and all go together when it is said so", async () => {
    reads();
    const { user, sent, address } = page({ "POST /students/import": { added: 1 } });
    await user.upload(fileField(), textFile("Name,Shoe size", "Ada Lowe,36", "Bo Wick,37"));
    await screen.findByText("2 students read (UTF-8). Columns not understood: Shoe size.");
    const [, ada, bo] = screen.getAllByRole("row");
    expect(ada?.textContent).toBe("2Ada Lowealready here or archived, or twice in the file");
    expect(bo?.textContent).toBe("3Bo Wick");
    expect(sent).toEqual([]);
    await user.click(await add("1 student"));
    await waitFor(() => expect(address()).toBe("/students"));
    expect(sent).toMatchObject([{ path: "/students/import", body: { students: [{ name: "Bo Wick" }] } }]);
  });

  it("leave out who is archived: they are brought back, not made anew", async () => {
    reads();
    const archived = {
      id: "b",
      name: "Bo Wick",
      version: 1,
      groups: [],
      archivedAt: "2026-01-02T10:00:00.000Z",
    };
    const { user } = page({ "GET /students/archived": { items: [archived] } });
    await user.upload(fileField(), textFile("Name", "Bo Wick", "Cy Lorne"));
    await add("1 student");
    const [, bo] = screen.getAllByRole("row");
    expect(bo?.textContent).toBe("2Bo Wickalready here or archived, or twice in the file");
  });

  it("take in who is here already where that is asked for", async () => {
    reads();
    const { user, sent } = page({ "POST /students/import": { added: 2 } });
    await user.upload(fileField(), textFile("Name", "Ada Lowe", "Bo Wick"));
    await user.click(await screen.findByRole("checkbox", { name: /Add the 1 whose names are here already/ }));
    await user.click(await add("2 students"));
    await waitFor(() => expect(sent).toHaveLength(1));
  });

  it("say where a line does not fit, and go on without it", async () => {
    reads();
    const { user } = page();
    await user.upload(fileField(), textFile("Name,Born", "Bo Wick,soon", "Cy Marsh,2015"));
    const faults = within(
      (await screen.findByText("1 place does not fit")).closest('[role="alert"]') ?? document.body,
    );
    expect(faults.getByRole("listitem").textContent).toMatch(/^Line 2, /);
    expect(await add("1 student")).toBeDefined();
  });

  it("are not offered where there are more than can be taken at once, nor where there is nobody", async () => {
    reads();
    const { user } = page();
    const many = Array.from({ length: MAX_IMPORT + 1 }, (_, place) => `Student ${place}`);
    await user.upload(fileField(), textFile("Name", ...many));
    await screen.findByText(/Split it into parts/);
    expect(screen.getByRole("button", { name: /^Add / })).toHaveProperty("disabled", true);
    expect(screen.getByText(/^and [\d,]+ more like these\.$/)).toBeDefined();
    await user.upload(fileField(), textFile("Name"));
    expect(await add("0 students")).toHaveProperty("disabled", true);
  });

  it("are still there to be sent again where the server refuses them", async () => {
    reads();
    const { user, address } = page({ "POST /students/import": new Refused(422, "Line 3 has no name.") });
    await user.upload(fileField(), textFile("Name", "Bo Wick"));
    await user.click(await add("1 student"));
    expect(await screen.findByText("Nothing was stored")).toBeDefined();
    expect(screen.getByText("Line 3 has no name.")).toBeDefined();
    expect(address()).toBe("/students/import");
    expect(await add("1 student")).toHaveProperty("disabled", false);
  });

  it("say what to do with a file that nothing can be read of, and stop reading when asked", async () => {
    reads(() => Promise.reject(new Error("not a table")));
    const { user } = page();
    await user.upload(fileField(), textFile("PK"));
    expect(await screen.findByText(/Save it as CSV, or as a spreadsheet/)).toBeDefined();
    cleanup();
    reads(() => new Promise(() => undefined));
    const again = page();
    await again.user.upload(fileField(), textFile("Name", "Bo Wick"));
    await again.user.click(await screen.findByRole("button", { name: "Stop" }));
    expect(screen.queryByText("Reading …")).toBeNull();
  });
});
