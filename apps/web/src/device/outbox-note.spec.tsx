import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { act, cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, SILENT, type Answers } from "../testing/drawn.js";
import { outbox, saySets } from "./here.js";
import { OutboxNote } from "./outbox-note.js";
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
const note = (words: RegExp) => screen.findByRole("button", { name: words });

beforeEach(() => outbox.read());
afterEach(async () => {
  for (const one of [...outbox.current().waiting, ...outbox.current().refused])
    await act(() => outbox.discard(one));
  cleanup();
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

  it("says nothing where nothing waits", async () => {
    drawn(<OutboxNote />);
    await waitFor(() => expect(outbox.current().waiting).toEqual([]));
    expect(screen.queryByRole("button")).toBeNull();
  });
});
