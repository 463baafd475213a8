import { expect, jest, test } from "@jest/globals";
import type { JumpMeasure, SetView } from "@mirrup/contract";
import { fireEvent, screen } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import { MeasureJump } from "./measure-jump.js";

const kept: JumpMeasure[] = [];
const removed: JumpMeasure[] = [];
const NOTHING = { jumps: [], tapped: [], highest: 2, unit: "cm", name: "Wren Alder", mayKeep: true } as const;
const hear = {
  onKeep: (jump: JumpMeasure) => void kept.push(jump),
  onRemove: (jump: JumpMeasure) => void removed.push(jump),
};

/** Taps the pad so many times, as far apart, by the events' own times. */
function tapEvenly(count: number, seconds: number): void {
  const pad = screen.getByRole("button", { name: /Landing/ });
  for (let tap = 0; tap < count; tap += 1) {
    const event = new MouseEvent("pointerdown", { bubbles: true });
    Object.defineProperty(event, "timeStamp", { value: 1000 * (5 + tap * seconds) });
    fireEvent(pad, event);
  }
}

test("eleven landings are a height, with how exact it is, and are kept as what they are", async () => {
  const { user } = drawn(<MeasureJump {...NOTHING} {...hear} />, { answers: {} });
  expect(screen.getByText("Tap each landing of ten rebounds in a row.")).toBeTruthy();
  tapEvenly(11, 0.63);
  expect(await screen.findByText("18 cm")).toBeTruthy();
  expect(screen.getByText(/Between 13 cm and 23 cm.*from 11 landings/)).toBeTruthy();
  await user.click(screen.getByRole("button", { name: "Keep it on the record" }));
  expect(kept.at(-1)).toMatchObject({ turns: 2, contactMs: 250, landings: 11, way: "taps" });
  expect(Math.round((kept.at(-1)?.heightMm ?? 0) / 10)).toBe(18);
  expect(screen.getByText("Tap each landing of ten rebounds in a row.")).toBeTruthy();
});

test("springy feet jump higher in the same time, and a typed height is kept as it was known", async () => {
  const { user } = drawn(<MeasureJump {...NOTHING} {...hear} />, { answers: {} });
  tapEvenly(11, 0.63);
  await user.click(screen.getByText("springy"));
  expect(await screen.findByText("23 cm")).toBeTruthy();
  await user.type(screen.getByLabelText("Or as it is known (cm)"), "31");
  await user.click(screen.getByRole("button", { name: "Keep this height" }));
  expect(kept.at(-1)).toMatchObject({ heightMm: 310, way: "typed", landings: null });
});

test("what was measured is listed, can be removed, and a tapped set tells a height too", async () => {
  const jump: JumpMeasure = {
    ...{ id: "a", turns: 2, heightMm: 182, contactMs: 250, landings: 11, way: "taps" },
    measuredAt: "2026-06-01T10:00:00Z",
  };
  const set = {
    id: "s",
    at: "2026-06-02T10:00:00Z",
    ticks: Array.from({ length: 12 }, (_, at) => at * 0.63),
  };
  const { user } = drawn(
    <MeasureJump {...NOTHING} {...hear} jumps={[jump]} tapped={[set as unknown as SetView]} />,
    { answers: {} },
  );
  expect(screen.getByText(/in a double.*from tapped landings/)).toBeTruthy();
  await user.click(screen.getByRole("button", { name: "Remove" }));
  expect(removed).toEqual([jump]);
  await user.click(screen.getByRole("button", { name: "Keep" }));
  expect(kept.at(-1)).toMatchObject({ way: "ticks", landings: 12 });
});

test("whoever may only read sees what was measured, and keeps nothing", () => {
  const jump: JumpMeasure = {
    ...{ id: "a", turns: 2, heightMm: 182, contactMs: 250, landings: 11, way: "taps" },
    measuredAt: "2026-06-01T10:00:00Z",
  };
  drawn(<MeasureJump {...NOTHING} {...hear} mayKeep={false} jumps={[jump]} />, { answers: {} });
  expect(screen.getByText(/in a double/)).toBeTruthy();
  expect(screen.queryByRole("button", { name: /Keep|Remove/ })).toBeNull();
});

test("of nobody in particular nothing can be kept", () => {
  drawn(<MeasureJump {...NOTHING} {...hear} name={null} onKeep={jest.fn()} />, { answers: {} });
  expect(screen.queryByRole("button", { name: /Keep/ })).toBeNull();
});
