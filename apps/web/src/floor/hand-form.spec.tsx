import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import { HandForm } from "./hand-form.js";

async function typed(clean: string, missed: string, best: string) {
  const onFinish = jest.fn();
  const { user } = drawn(<HandForm onFinish={onFinish} />);
  for (const [label, text] of [
    ["Clean in all", clean],
    ["Missed", missed],
    ["Most in a row", best],
  ] as const)
    if (text !== "") await user.type(screen.getByLabelText(label), text);
  await user.click(screen.getByRole("button", { name: "Count the set" }));
  return onFinish.mock.calls;
}

afterEach(cleanup);

describe("a set in numbers", () => {
  it("is taken where the numbers agree", async () => {
    expect(await typed("12", "2", "7")).toEqual([[{ clean: 12, missed: 2, best: 7 }]]);
  });

  it("was in a row without a miss, whether or not that is said", async () => {
    expect(await typed("12", "", "")).toEqual([[{ clean: 12, missed: 0, best: 12 }]]);
  });

  it.each([
    ["nothing", "", "", ""],
    ["more in a row than were clean", "5", "1", "6"],
    ["more than anybody counts", "9999", "9999", "9"],
  ])("of %s says what is wrong and takes nothing", async (_, clean, missed, best) => {
    expect(await typed(clean, missed, best)).toEqual([]);
    expect(screen.getByRole("alert").textContent).toMatch(/\.$/);
  });

  it("keeps out what is no digit, and a fifth one", async () => {
    await typed("1a2.3456", "", "");
    expect(screen.getByLabelText<HTMLInputElement>("Clean in all").value).toBe("1234");
  });
});
