import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { ComboView } from "@mirrup/contract";
import { cleanup, screen } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import type { ComboStudent } from "./combo-student.js";
import { Palette } from "./palette.js";

const ADA = (cleared: readonly string[]) =>
  ({
    ...{ id: "ada", name: "Ada Lowe" },
    statusOf: (subject: string, side: string) =>
      cleared.includes(`${subject}:${side}`) ? "cleared" : "locked",
  }) as unknown as ComboStudent;
const NINE = {
  ...{ id: "nine", name: "Nine lives", isRemoved: false },
  parts: [{ subject: "cross", side: "right", score: "xr o", times: 1 }],
} as unknown as ComboView;

function palette(student?: ComboStudent) {
  const onAdd = jest.fn();
  return { ...drawn(<Palette student={student} combos={[NINE]} onAdd={onAdd} />), onAdd };
}
const adds = () =>
  screen.getAllByRole("button", { name: /^Add / }).map((one) => one.getAttribute("aria-label"));
const find = () => screen.getByRole("textbox", { name: "Find a skill or combo to add" });

afterEach(cleanup);

describe("the skills to add", () => {
  it("are those that a student has cleared, a button a side, or all of them where that is asked", async () => {
    const { user, onAdd } = palette(ADA(["cross:left"]));
    expect(adds()).toEqual([
      "Add cross, left side, cleared",
      "Add cross, right side, locked",
      "Add the combo Nine lives",
    ]);
    await user.click(screen.getByRole("button", { name: "Add cross, left side, cleared" }));
    expect(onAdd).toHaveBeenCalledWith(expect.objectContaining({ subject: "cross", side: "left" }));
    await user.click(screen.getByRole("radio", { name: "all" }));
    expect(adds().length).toBeGreaterThan(20);
  });

  it("say so where nothing is cleared yet, and not that nothing is called so", () => {
    palette(ADA([]));
    expect(screen.getByText(/^Ada Lowe has cleared nothing that can be chained yet/)).toBeDefined();
    expect(screen.queryByText(/^Nothing is called/)).toBeNull();
  });

  it("are found by a name, the first added by Enter, a saved combo among them", async () => {
    const { user, onAdd } = palette();
    await user.type(find(), "crossover{Enter}");
    expect(onAdd).toHaveBeenCalledTimes(1);
    expect(find()).toHaveProperty("value", "");
    await user.type(find(), "nine li");
    expect(adds()).toEqual(["Add the combo Nine lives"]);
    expect(screen.queryByText(/^Nothing is called/)).toBeNull();
    await user.click(screen.getByRole("button", { name: "Add the combo Nine lives" }));
    expect(onAdd).toHaveBeenLastCalledWith(expect.objectContaining({ subject: "combo:nine" }));
    await user.type(find(), "zzz{Enter}");
    expect(screen.getByText("Nothing is called “nine lizzz”. Try another of its names.")).toBeDefined();
    expect(onAdd).toHaveBeenCalledTimes(2);
  });
});
