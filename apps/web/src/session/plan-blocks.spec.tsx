import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { DoneSide } from "@mirrup/contract";
import type { PlanBlock, StudentPlan } from "@mirrup/core/planning";
import { cleanup, screen, within } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import { askedFrom, type PlanAsked } from "./plan-asked.js";
import { Blocks } from "./plan-blocks.js";
import { blockOf, WARM_UP } from "./testing.js";

function shown(blocks: readonly PlanBlock[], done: readonly DoneSide[] = [], address = "") {
  const onAsk = jest.fn<(asked: PlanAsked) => void>();
  const view = drawn(
    <Blocks
      {...{ studentId: "hana", done, onAsk, plan: { blocks } as unknown as StudentPlan }}
      asked={askedFrom(new URLSearchParams(address))}
    />,
    { answers: { "GET /students/hana/standings": { items: [] } } },
  );
  return { ...view, last: () => onAsk.mock.lastCall?.[0] };
}
const items = () => screen.getAllByRole("listitem").filter((one) => one.querySelector("h2") !== null);
const titles = () => items().map((one) => one.querySelector("h2")?.textContent);

afterEach(cleanup);

describe("a plan's blocks", () => {
  it("say when they begin, what they are, and what they come to", () => {
    shown([WARM_UP, blockOf("cross", { sets: 3, rest: 2 })]);
    const [, cross] = items();
    expect(cross?.querySelector("strong")?.textContent).toBe("5");
    expect(cross?.textContent).toContain("10 in a row, 3 sets");
    const figures = [...(cross?.querySelectorAll("ul li") ?? [])].map((one) => one.textContent);
    expect(figures).toEqual(["5 min", "2 min of it rest", "1,200 landings", "worth 3.5"]);
    expect(cross?.textContent).toContain("It comes off 7 in 10.");
  });

  it("stand in the order by hand where there is one, the warm-up first", () => {
    shown([WARM_UP, blockOf("cross"), blockOf("skier")], [], "order=main skier:left&order=main cross:left");
    expect(titles()).toEqual(["Basic bounce", "Skier, left side", "Cross, left side"]);
  });

  it("have no tools for what is fixed", () => {
    shown([WARM_UP]);
    expect(screen.queryAllByRole("button")).toEqual([]);
  });

  it("are kept, left out and lengthened by their buttons", async () => {
    const { user, last } = shown([blockOf("cross")]);
    await user.click(screen.getByRole("button", { name: "Keep cross, left side" }));
    expect(last()?.pin).toEqual(["cross:left"]);
    await user.click(screen.getByRole("button", { name: /^Not today/ }));
    expect(last()?.ban).toEqual(["cross:left"]);
    await user.click(screen.getByRole("button", { name: "One set more of cross, left side" }));
    expect(last()?.more).toEqual(new Map([["cross:left", 1]]));
    await user.click(screen.getByRole("button", { name: "One set less of cross, left side" }));
    expect(last()?.more).toEqual(new Map([["cross:left", -1]]));
  });

  it("are let go of where they were kept", async () => {
    const { user, last } = shown([blockOf("cross")], [], "pin=cross:left");
    const kept = screen.getByRole("button", { name: "Kept cross, left side" });
    expect(kept.getAttribute("aria-pressed")).toBe("true");
    await user.click(kept);
    expect(last()?.pin).toEqual([]);
  });

  it("are moved past each other, and not past an end", async () => {
    const { user, last } = shown([blockOf("cross"), blockOf("skier")]);
    await user.click(screen.getByRole("button", { name: "Cross, left side later" }));
    expect(last()?.order).toEqual(["main skier:left", "main cross:left"]);
    cleanup();
    const again = shown([blockOf("cross"), blockOf("skier")]);
    await again.user.click(screen.getByRole("button", { name: "Cross, left side earlier" }));
    expect(again.last()).toBeUndefined();
  });

  it("lead to the floor with their drill", () => {
    shown([blockOf("cross")]);
    const link = within(items()[0] ?? document.body).getByRole("link", { name: /^Go to the floor/ });
    expect(link.getAttribute("href")).toMatch(/students\/hana\/floor\/cross\/left\?.*streak/);
  });

  it("say what was done of them today, and what they go beyond", () => {
    const done = {
      subject: "cross",
      side: "left",
      clean: 8,
      tries: 10,
      bestStreak: 5,
    } as unknown as DoneSide;
    shown([blockOf("cross", { beyond: ["minutes"] })], [done]);
    expect(items()[0]?.textContent).toContain("Done today: 8 clean of 10, best 5 in a row");
    expect(items()[0]?.textContent).toContain("Kept as you said, though it takes longer than the minutes");
  });

  it("warn where two of the same effort follow each other", () => {
    shown([blockOf("cross", { effort: "calves" as never }), blockOf("skier", { effort: "calves" as never })]);
    expect(items()[0]?.textContent).not.toContain("The same kind of effort");
    expect(items()[1]?.textContent).toContain("The same kind of effort as the block before");
  });
});
