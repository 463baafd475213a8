import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { Drill } from "@mirrup/core";
import { cleanup, screen } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import { Pads } from "./pads.js";
import type { FloorRun } from "./use-run.js";

const STREAK: Drill = { kind: "streak", count: 10 };
const HOLD = { kind: "hold", seconds: 30 } as Drill;

function pads(changes: object = {}, counting: "tap" | "tempo" | "partner" = "tap") {
  const [onPress, onMiss, onFinish] = [jest.fn(), jest.fn(), jest.fn()];
  const floor = {
    ...{ drill: STREAK, run: { end: "running" }, begun: true, ready: true },
    ...{ pacing: false, sensing: false, elsewhere: false },
    ...changes,
  } as unknown as FloorRun;
  const view = drawn(<Pads {...{ floor, counting, onPress, onMiss, onFinish }} />);
  return { ...view, onPress, onMiss, onFinish };
}
const words = () => screen.queryAllByRole("button").map((one) => one.textContent);

afterEach(cleanup);

describe("the pads under the thumbs", () => {
  it.each([
    ["what is tapped", {}, "tap", ["Clean Space", "Miss M"]],
    ["a beat that counts along", {}, "tempo", ["Count from here Space", "Miss M"]],
    ["a beat that is counting", { pacing: true }, "tempo", ["Stop the count Space", "Miss M"]],
    ["a hold that is not begun", { drill: HOLD, begun: false }, "tap", ["Start the clock Space"]],
    ["a hold", { drill: HOLD }, "tap", ["Miss M"]],
    ["a handle that hears each turn", { sensing: true }, "tap", []],
    ["a set that another tab counts", { elsewhere: true }, "tap", []],
    ["a set that is there", { run: { end: "passed" } }, "tap", ["Reached: finish the setEnter"]],
    ["a set that is over", { run: { end: "stopped" } }, "tap", ["Stopped: finish the setEnter"]],
  ] as const)("are, for %s, what that asks for", (_what, changes, counting, expected) => {
    pads(changes, counting);
    expect(words()).toEqual(expected);
  });

  it("do what they say, once the set is read", async () => {
    const { user, onPress, onMiss } = pads();
    await user.click(screen.getByRole("button", { name: /^Clean/ }));
    await user.click(screen.getByRole("button", { name: /^Miss/ }));
    expect([onPress.mock.calls.length, onMiss.mock.calls.length]).toEqual([1, 1]);
    cleanup();
    const early = pads({ ready: false });
    await early.user.click(screen.getByRole("button", { name: /^Clean/ }));
    expect(early.onPress).not.toHaveBeenCalled();
    cleanup();
    const over = pads({ run: { end: "passed" } });
    await over.user.click(screen.getByRole("button"));
    expect(over.onFinish).toHaveBeenCalledTimes(1);
  });
});
