import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { act, cleanup, screen, waitFor } from "@testing-library/react";
import { newRun, withEntry } from "../app/floor-run.js";
import { drawn, Refused, SILENT, type Answers } from "../testing/drawn.js";
import { outbox, saySets } from "./here.js";
import { OutboxNote } from "./outbox-note.js";
import { waitingSets } from "../testing/outbox.js";
import { showRun } from "./shown-runs.js";
import { dropRun, keepRun, keptRuns } from "./store.js";
import { setOf } from "./testing.js";

const STUDENTS = [{ id: "hana", name: "Hana Petrivale" }];
let count = 0;
/** A set of Hana's that nobody has sent before. */
const newSet = () => {
  count += 1;
  return setOf(`0199c1b2-0000-7000-8000-${String(count).padStart(12, "0")}`, "hana");
};

async function shown(answers: Answers) {
  const view = drawn(<OutboxNote />, { answers });
  view.client.setQueryData(["students"], STUDENTS);
  await act(() => saySets([newSet()]));
  return view;
}
/** A run with so many clean tries, and a miss. */
const tapped = (clean: number) =>
  withEntry(
    withEntry(
      newRun(`left-${clean}`, { kind: "streak", count: 10 }, Date.now() - 60_000),
      { kind: "clean", times: clean },
      Date.now() - 50_000,
    ),
    { kind: "miss" },
    Date.now() - 40_000,
  );
const leave = (studentId: string, subject: string, clean: number) =>
  keepRun(`coach ${studentId} ${subject} left`, tapped(clean));
const note = (words: RegExp) => screen.findByRole("button", { name: words });

beforeEach(() => outbox.read());
afterEach(async () => {
  for (const one of [...outbox.current().waiting, ...outbox.current().refused])
    await act(() => outbox.discard(one));
  cleanup();
  for (const key of (await keptRuns("")).keys()) await dropRun(key);
});

describe("what waits on this device", () => {
  it("is told while nobody answers, with whose and what it is", async () => {
    const { user } = await shown({ "POST /sets": SILENT });
    await user.click(await note(/1 set still to send/));
    expect(await screen.findByText(/The server does not answer\. They are kept here/)).toBeDefined();
    expect(screen.getByText(/^Hana Petrivale, cross: 10 clean, best 10/)).toBeDefined();
  });

  it("is gone once the server has it", async () => {
    let isSilent = true;
    const { user } = await shown({
      "POST /sets": () => (isSilent ? SILENT : { changes: [], opened: [], clockAheadSeconds: 0 }),
    });
    await user.click(await note(/1 set still to send/));
    isSilent = false;
    await user.click(await screen.findByRole("button", { name: "Send now" }));
    expect(await screen.findByText("Nothing waits here; the server has everything.")).toBeDefined();
  });

  it("needs attention where it was refused, and is sent again or discarded", async () => {
    const { user, sent } = await shown({
      "POST /sets": new Refused(422, "This student is archived.", { type: "invalid" }),
    });
    await user.click(await note(/1 set needs attention/));
    expect(await screen.findByText("This student is archived.")).toBeDefined();
    const before = sent.length;
    await user.click(screen.getByRole("button", { name: "Send again" }));
    await waitFor(() => expect(sent.length).toBeGreaterThan(before));
    await user.click(await screen.findByRole("button", { name: "Discard this set" }));
    await waitFor(() => expect(outbox.current().refused).toEqual([]));
  });

  it("is also a set that was counted and left: finished as it is, or discarded, with a way back", async () => {
    await leave("hana", "cross", 3);
    const { user, client } = drawn(<OutboxNote />, {
      answers: { "POST /sets": SILENT, "GET /health": SILENT },
    });
    client.setQueryData(["students"], STUDENTS);
    await user.click(await note(/^1 set not finished$/));
    expect(await screen.findByText(/^Hana Petrivale, cross, left side: 3 clean, 1 missed, \d/)).toBeDefined();
    expect(screen.getByRole("link", { name: "Go on counting" }).getAttribute("href")).toMatch(
      /students\/hana\/floor\/cross\/left$/,
    );
    await user.click(screen.getByRole("button", { name: "Discard it" }));
    expect(await screen.findByText("Nothing waits here; the server has everything.")).toBeDefined();
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    await user.click(await screen.findByRole("button", { name: "Finish it as it is" }));
    await screen.findByText(/1 set still to send$/, { selector: "p" });
    expect(waitingSets()).toMatchObject([
      { studentId: "hana", subject: "cross", side: "left", clean: 3, countedBy: "tapped" },
    ]);
    await waitFor(() => expect(screen.queryByText("Counted, and not finished")).toBeNull());
  });

  it("keeps the way back to a set that was discarded, where the device has no room for it yet", async () => {
    await leave("hana", "cross", 3);
    const { user, client } = drawn(<OutboxNote />);
    client.setQueryData(["students"], STUDENTS);
    await user.click(await note(/^1 set not finished$/));
    await user.click(await screen.findByRole("button", { name: "Discard it" }));
    const back = () => screen.findByRole("button", { name: "Undo" });
    await back();
    const full = jest.spyOn(IDBObjectStore.prototype, "put").mockImplementation(() => {
      throw new DOMException("No room.", "QuotaExceededError");
    });
    await user.click(await back());
    expect(await screen.findByText(/^This browser refuses to keep the set\./)).toBeDefined();
    full.mockRestore();
    await user.click(await back());
    expect(await screen.findByRole("button", { name: "Finish it as it is" })).toBeDefined();
  });

  it("is not a set that is before one, of another studio, or of which nothing was counted", async () => {
    await leave("hana", "cross", 3);
    await keepRun("coach other cross left", { ...tapped(3), studioId: "elsewhere" });
    await keepRun("coach hana toad left", newRun("clock", { kind: "hold", seconds: 30 }, Date.now()));
    await keepRun("somebody hana cross left", tapped(3));
    const hide = showRun("coach hana cross left");
    drawn(<OutboxNote />);
    await act(() => new Promise((resolve) => setTimeout(resolve, 50)));
    expect(screen.queryByRole("button")).toBeNull();
    // The page that counted it is left.
    act(hide);
    expect(await note(/^1 set not finished$/)).toBeDefined();
  });

  it("says nothing where nothing waits", async () => {
    drawn(<OutboxNote />);
    await waitFor(() => expect(outbox.current().waiting).toEqual([]));
    expect(screen.queryByRole("button")).toBeNull();
  });
});
