import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { GroupView } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, SILENT, type Answers } from "../testing/drawn.js";
import { GroupForm } from "./group-form.js";

const ADA = "0199c1b2-0000-7000-8000-00000000000a";
const BO = "0199c1b2-0000-7000-8000-00000000000b";
const DI = "0199c1b2-0000-7000-8000-00000000000d";
const EVE = "0199c1b2-0000-7000-8000-00000000000e";
const GROUP = {
  ...{ id: "g", version: 2, name: "Juniors", archived: false, weekday: 2, startTime: "17:00", place: "Hall" },
  members: [ADA],
} as unknown as GroupView;
const STUDENTS = [
  { id: ADA, name: "Ada" },
  { id: BO, name: "Bo" },
];

function form(group: GroupView | null, more: Answers = {}, members: readonly string[] = []) {
  const calls = { onDone: jest.fn(), onLeave: jest.fn() };
  const view = drawn(<GroupForm group={group} members={members} {...calls} />, {
    answers: {
      "GET /students": { items: STUDENTS },
      "GET /groups": { items: [] },
      "POST /groups": (body: unknown) => ({ ...GROUP, ...(body as object) }),
      "PATCH /groups/g": (body: unknown) => ({ ...GROUP, ...(body as object), version: 3 }),
      ...more,
    },
  });
  return { ...view, ...calls };
}
const field = (label: RegExp) => screen.getByLabelText<HTMLInputElement>(label);

afterEach(() => {
  cleanup();
  sessionStorage.clear();
});

describe("a group's form", () => {
  it("loses no member whose name could not be read, and shows no number in its place", async () => {
    const { user, sent } = form({ ...GROUP, members: [ADA, DI] });
    await screen.findAllByText("Ada");
    expect(screen.queryByText(DI)).toBeNull();
    await user.click(screen.getByRole("combobox", { name: "Students" }));
    await user.click(await screen.findByRole("option", { name: "Bo", hidden: true }));
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(new Set((sent[0]?.body as GroupView).members)).toEqual(new Set([ADA, BO, DI]));
  });

  it("keeps a member who is archived, says so, and offers nobody else who is", async () => {
    const put = (id: string, name: string) => ({ id, name, version: 1, groups: [], archivedAt: "" });
    const group = { ...GROUP, members: [ADA, DI] };
    const { user, sent } = form(group, {
      "GET /students/archived": { items: [put(DI, "Di"), put(EVE, "Eve")] },
    });
    await screen.findAllByText("Di (archived)");
    await user.click(screen.getByRole("combobox", { name: "Students" }));
    expect(screen.queryByRole("option", { name: /^Eve/, hidden: true })).toBeNull();
    expect(await screen.findByRole("option", { name: "Bo", hidden: true })).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(sent[0]?.body).toMatchObject({ members: [ADA, DI] }));
  });

  it("makes a group of a name alone, and one with a day, an hour and students", async () => {
    const { user, sent, onDone } = form(null, {}, [ADA, BO]);
    await user.type(field(/^Name/), "Juniors");
    await user.selectOptions(field(/^Day/), "Saturday");
    await user.type(field(/^Time/), "10:00");
    await user.click(screen.getByRole("button", { name: "Make the group" }));
    await waitFor(() => expect(onDone).toHaveBeenCalledTimes(1));
    expect(sent[0]?.body).toMatchObject({
      ...{ name: "Juniors", weekday: 6, startTime: "10:00", place: "", members: [ADA, BO] },
    });
    cleanup();
    sessionStorage.clear();
    const bare = form(null);
    await bare.user.type(field(/^Name/), "Guests");
    await bare.user.click(screen.getByRole("button", { name: "Make the group" }));
    await waitFor(() =>
      expect(bare.sent[0]?.body).toMatchObject({ weekday: null, startTime: null, members: [] }),
    );
  });

  it("makes the same group again after silence", async () => {
    let isSilent = true;
    const { user, sent, onDone } = form(null, { "POST /groups": () => (isSilent ? SILENT : GROUP) });
    await user.type(field(/^Name/), "Juniors");
    await user.click(screen.getByRole("button", { name: "Make the group" }));
    expect((await screen.findByRole("alert")).textContent).toContain("does not answer");
    isSilent = false;
    await user.click(screen.getByRole("button", { name: "Make the group" }));
    await waitFor(() => expect(onDone).toHaveBeenCalled());
    expect(sent[1]?.body).toEqual(sent[0]?.body);
  });

  it("refuses an empty name at the field", async () => {
    const { user, sent } = form(null);
    await user.click(screen.getByRole("button", { name: "Make the group" }));
    expect(field(/^Name/).getAttribute("aria-invalid")).toBe("true");
    expect(sent).toEqual([]);
  });

  it("changes a group from what it was, and is told of somebody else's change once", async () => {
    const stale = () =>
      new Refused(409, "Changed meanwhile.", { type: "stale-change", current: { ...GROUP, version: 5 } });
    let isStale = true;
    const { user, sent, onDone } = form(GROUP, { "PATCH /groups/g": () => (isStale ? stale() : GROUP) });
    await user.type(field(/^Place/), " 2");
    await user.click(screen.getByRole("button", { name: "Save" }));
    expect((await screen.findByRole("alert")).textContent).toBe(
      "Changed meanwhile. Saving again puts yours in its place.",
    );
    isStale = false;
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(onDone).toHaveBeenCalled());
    expect(sent.map(({ body }) => body)).toMatchObject([
      { version: 2, place: "Hall 2" },
      { version: 5, place: "Hall 2" },
    ]);
  });

  it("archives with a way back", async () => {
    const { user, sent, onLeave } = form(GROUP);
    await user.click(screen.getByRole("button", { name: "Archive" }));
    await waitFor(() => expect(onLeave).toHaveBeenCalled());
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent.map(({ body }) => body)).toEqual([
      { version: 2, archived: true },
      { version: 3, archived: false },
    ]);
  });

  it("is left by Cancel", async () => {
    const { user, sent, onLeave } = form(GROUP);
    await user.click(screen.getByRole("button", { name: "Cancel" }));
    expect(onLeave).toHaveBeenCalledTimes(1);
    expect(sent).toEqual([]);
  });
});
