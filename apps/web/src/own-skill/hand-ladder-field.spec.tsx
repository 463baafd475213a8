import { expect, test } from "@jest/globals";
import { HAND_LADDER_LIMITS, type HandDrill } from "@mirrup/core";
import { screen } from "@testing-library/react";
import { useState } from "react";
import { drawn } from "../testing/drawn.js";
import { HandLadderField, withMoved } from "./hand-ladder-field.js";

let kept: readonly HandDrill[] = [];

function Field({ first = [] }: { readonly first?: readonly HandDrill[] }) {
  const [value, setValue] = useState(first);
  return (
    <HandLadderField
      value={value}
      onChange={(next) => {
        kept = next;
        setValue(next);
      }}
    />
  );
}

test("drills are added, counted, put in order and removed by keys alone", async () => {
  const { user } = drawn(<Field />, { answers: {} });
  expect(screen.getByText(/^Those of its kind/)).toBeTruthy();
  await user.click(screen.getByRole("button", { name: "Add a drill" }));
  expect(kept).toEqual([{ kind: "watch" }]);
  await user.click(screen.getByRole("button", { name: "Add a drill" }));
  await user.selectOptions(screen.getByLabelText("Drill 2"), "one-stop");
  await user.type(screen.getByLabelText("How many in drill 2"), "4");
  expect(kept).toEqual([{ kind: "watch" }, { kind: "one-stop", count: 4 }]);
  screen.getByRole("button", { name: "Move drill 2 up" }).focus();
  await user.keyboard("{Enter}");
  expect(kept.map(({ kind }) => kind)).toEqual(["one-stop", "watch"]);
  await user.click(screen.getByRole("button", { name: "Remove drill 2" }));
  await user.clear(screen.getByLabelText("How many in drill 1"));
  expect(kept).toEqual([{ kind: "one-stop" }]);
});

test("a part is named where a drill is of one, without what would end it, and is gone with another kind", async () => {
  const { user } = drawn(<Field first={[{ kind: "apart" }]} />, { answers: {} });
  await user.type(screen.getByLabelText("Which part in drill 1"), "hips (high)");
  expect(kept).toEqual([{ kind: "apart", part: "hips high" }]);
  await user.selectOptions(screen.getByLabelText("Drill 1"), "hold");
  expect(kept).toEqual([{ kind: "hold" }]);
  expect(screen.queryByLabelText("How many in drill 1")).toBeNull();
});

test("there are as many as can be walked, and none is moved over an end", () => {
  const many: readonly HandDrill[] = Array.from({ length: HAND_LADDER_LIMITS.drills }, () => ({
    kind: "streak",
  }));
  drawn(<Field first={many} />, { answers: {} });
  expect(screen.getByRole<HTMLButtonElement>("button", { name: "Add a drill" }).disabled).toBe(true);
  expect(withMoved(many, 0, -1)).toBe(many);
  expect(withMoved(many, many.length - 1, 1)).toBe(many);
});
