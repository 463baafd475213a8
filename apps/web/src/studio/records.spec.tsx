import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { act, cleanup, fireEvent, screen } from "@testing-library/react";
import { useState } from "react";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { Records } from "./records.js";

function Page() {
  const [isLeft, setLeft] = useState(false);
  return isLeft ? (
    <p>Elsewhere</p>
  ) : (
    <>
      <Records />
      <button type="button" onClick={() => setLeft(true)}>
        Leave
      </button>
    </>
  );
}

async function records(more: Answers = {}) {
  const view = drawn(<Page />, {
    answers: {
      "GET /auth/session": signedIn("owner"),
      "GET /students": { items: [{ id: "ada", name: "Ada Lowe", archived: false }] },
      "GET /students/archived": { items: [{ id: "bo", name: "Bo Wick", sameAs: null }] },
      "DELETE /students/*": {},
      ...more,
    },
  });
  await screen.findByRole("option", { name: "Ada Lowe" });
  fireEvent.change(screen.getByRole("combobox", { name: "Student" }), { target: { value: "ada" } });
  return view;
}
const press = (name: string) => fireEvent.click(screen.getByRole("button", { name }));
const pass = (seconds: number) => act(() => jest.advanceTimersByTimeAsync(1000 * seconds));

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ["queueMicrotask"] });
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

describe("a student's record, deleted", () => {
  it("is gone after ten seconds, and not before", async () => {
    const { sent } = await records();
    press("Delete for good");
    expect(screen.getByText("Ada Lowe is being deleted")).toBeTruthy();
    await pass(9);
    expect(sent).toEqual([]);
    await pass(2);
    expect(sent.map(({ method, path }) => `${method} ${path}`)).toEqual(["DELETE /students/ada"]);
    expect(screen.getByText("Ada Lowe was deleted, with everything of theirs.")).toBeTruthy();
  });

  it("stays where that is taken back in time", async () => {
    const { sent } = await records();
    press("Delete for good");
    await pass(5);
    press("Undo");
    await pass(20);
    expect(sent).toEqual([]);
    press("Leave");
    expect(screen.queryByText(/^Nobody was deleted/)).toBeNull();
  });

  it("stays where the page is left before, which is said", async () => {
    const { sent } = await records();
    press("Delete for good");
    await pass(5);
    press("Leave");
    await pass(2);
    expect(screen.getByText("Elsewhere")).toBeTruthy();
    expect(screen.getByText(/^Nobody was deleted: you left the page/)).toBeTruthy();
    await pass(20);
    expect(sent).toEqual([]);
  });

  it("says so where it is refused", async () => {
    await records({ "DELETE /students/*": new Refused(409, "Somebody is at it.") });
    press("Delete for good");
    await pass(11);
    expect(screen.getByText("Somebody is at it.")).toBeTruthy();
    expect(screen.queryByText("Ada Lowe is being deleted")).toBeNull();
  });
});

describe("a student's record, handed out", () => {
  it("is a file of theirs, or says why not", async () => {
    const made: string[] = [];
    Object.assign(URL, {
      createObjectURL: (blob: Blob) => {
        made.push(blob.type);
        return "blob:record";
      },
      revokeObjectURL: () => undefined,
    });
    const click = jest.spyOn(HTMLAnchorElement.prototype, "click").mockReturnValue(undefined);
    await records({ "GET /students/ada/export": { id: "ada" } });
    press("Export as JSON");
    await pass(1);
    expect(made).toEqual(["application/json"]);
    expect(click).toHaveBeenCalledTimes(1);
    click.mockRestore();
    cleanup();
    await records({ "GET /students/ada/export": new Refused(403, "Owners alone.") });
    press("Export as JSON");
    await pass(1);
    expect(screen.getByText("Owners alone.")).toBeTruthy();
  });
});
