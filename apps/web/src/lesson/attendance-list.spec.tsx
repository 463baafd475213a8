import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { Attendance, StudentView } from "@mirrup/contract";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import { emptyOutbox } from "../testing/outbox.js";
import { AttendanceList } from "./attendance-list.js";

const student = (name: string, more: Partial<StudentView> = {}) =>
  ({ id: name.toLowerCase(), name, hasStopped: false, ...more }) as unknown as StudentView;
const STUDENTS = [student("Ada"), student("Bo", { hasStopped: true }), student("Cy")];
const came = (studentId: string, attendance: Attendance) => ({ studentId, attendance, places: [] });

function list(marks: readonly ReturnType<typeof came>[], more: object = {}) {
  const onMark = jest.fn();
  const view = drawn(
    <AttendanceList lesson={{ students: marks }} students={STUDENTS} onMark={onMark} {...more} />,
  );
  return { ...view, onMark };
}
const of = (name: string) => within(screen.getByRole("group", { name }));

afterEach(cleanup);

describe("who is here", () => {
  it("shows those who are expected, each with what was marked", () => {
    list([came("ada", "expected"), came("bo", "late")]);
    expect(screen.getAllByRole("group").map((one) => one.getAttribute("aria-label"))).toEqual(["Ada", "Bo"]);
    const pressed = (name: string) =>
      of(name)
        .getAllByRole("button")
        .map((one) => `${one.textContent} ${one.getAttribute("aria-pressed") ?? ""}`);
    expect(pressed("Ada")).toEqual(["Here false", "Late false", "Away false"]);
    expect(pressed("Bo")).toEqual(["Here false", "Late true", "Away false"]);
  });

  it("marks with one tap, and takes it back with the same again", async () => {
    const { user, onMark } = list([came("ada", "expected"), came("bo", "absent")]);
    await user.click(of("Ada").getByRole("button", { name: "Here" }));
    await user.click(of("Bo").getByRole("button", { name: "Away" }));
    expect(onMark.mock.calls).toEqual([
      ["ada", "present"],
      ["bo", "expected"],
    ]);
  });

  it("says who has stopped for today", () => {
    list([came("ada", "present"), came("bo", "present")]);
    expect(screen.getAllByText("stopped for today")).toHaveLength(1);
    expect(screen.getByText("stopped for today").parentElement?.textContent).toContain("Bo");
  });

  it("ends jumping with one tap for whom it hurts, of those who are here, and takes a slip back", async () => {
    const { user } = list([came("ada", "present"), came("bo", "present"), came("cy", "absent")], {
      mayStop: true,
    });
    expect(screen.getAllByRole("button", { name: /^Pain/ })).toHaveLength(1);
    await user.click(screen.getByRole("button", { name: "Pain: stop today, Ada" }));
    expect(await screen.findAllByText("stopped for today")).toHaveLength(2);
    await user.click(screen.getByRole("button", { name: "It was pressed by mistake, Bo" }));
    await user.click(screen.getByRole("button", { name: "It was pressed by mistake, Ada" }));
    await waitFor(() => expect(screen.getAllByRole("button", { name: /^Pain/ })).toHaveLength(2));
    expect(screen.queryByText("stopped for today")).toBeNull();
    await emptyOutbox();
  });

  it("says so where nobody is expected", () => {
    list([]);
    expect(screen.getByText("Nobody is expected. Add who comes.")).toBeDefined();
  });

  it("adds somebody who came: those who are not here yet", async () => {
    const { user, onMark } = list([came("ada", "present")]);
    await user.click(screen.getByRole("combobox", { name: "Add somebody who came" }));
    const names = (await screen.findAllByRole("option", { hidden: true })).map((one) => one.textContent);
    expect(names).toEqual(["Bo", "Cy"]);
    await user.click(screen.getByRole("option", { name: "Cy", hidden: true }));
    expect(onMark.mock.calls).toEqual([["cy", "present"]]);
  });

  it("takes in who is new to the studio by the name that was typed, and calls nobody new who is known", async () => {
    const onAdd = jest.fn();
    const { user, onMark } = list([came("ada", "present")], { onAdd });
    const field = screen.getByRole("combobox", { name: "Add somebody who came" });
    const offered = () => screen.queryAllByRole("option", { hidden: true }).map((one) => one.textContent);
    await user.type(field, " cy");
    expect(offered()).toEqual(["Cy"]);
    await user.clear(field);
    await user.type(field, "ada ");
    expect(offered()).toEqual([]);
    expect(screen.getByText("On the list already.")).toBeDefined();
    await user.clear(field);
    await user.type(field, " Wren ");
    expect(offered()).toEqual(["Add Wren, who is new"]);
    await user.click(screen.getByRole("option", { name: "Add Wren, who is new", hidden: true }));
    expect([onAdd.mock.calls, onMark.mock.calls]).toEqual([[["Wren"]], []]);
    expect((field as HTMLInputElement).value).toBe("");
  });

  it("says so where somebody of that name is archived, before there are two of them", async () => {
    const { user } = list([], { onAdd: jest.fn(), isArchived: (name: string) => name === "Di" });
    const field = screen.getByRole("combobox", { name: "Add somebody who came" });
    const offered = () => screen.queryAllByRole("option", { hidden: true }).map((one) => one.textContent);
    await user.type(field, "Di ");
    expect(offered()).toEqual(["Add Di, another than the one who is archived"]);
    await user.type(field, "na");
    expect(offered()).toEqual(["Add Di na, who is new"]);
  });

  it("sends whoever cannot take in somebody new to the students", async () => {
    const { user } = list([came("ada", "present")]);
    await user.type(screen.getByRole("combobox", { name: "Add somebody who came" }), "Wren");
    expect(screen.getByText(/No student of that name/)).toBeDefined();
    expect(screen.queryAllByRole("option", { hidden: true })).toEqual([]);
  });

  it("asks for ropes only where they are counted, and turns what it shows around", async () => {
    list([came("ada", "present")]);
    expect(screen.queryByRole("button", { name: "Own rope" })).toBeNull();
    cleanup();
    const onRope = jest.fn();
    const { user } = list([came("ada", "present")], { ropes: { has: () => true, onMark: onRope } });
    await user.click(screen.getByRole("button", { name: "Own rope" }));
    expect(onRope.mock.calls).toEqual([["ada", false]]);
  });
});
