import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import { useState } from "react";
import { drawn } from "../testing/drawn.js";
import { PairButtons } from "./pair-buttons.js";
import type { RoundAnswers } from "./round-answers.js";

const jumper = (id: string, name: string) => ({ id, name, words: "left side, 5 in a row" });
const [ADA, BO, CY] = [jumper("ada", "Ada"), jumper("bo", "Bo"), jumper("cy", "Cy")];

function pairs(of: readonly (readonly (typeof ADA)[])[], given: RoundAnswers = {}) {
  let answers: RoundAnswers = given;
  const onPain = jest.fn();
  function Bench() {
    const [now, setNow] = useState(given);
    answers = now;
    return (
      <PairButtons
        pairs={of}
        answers={now}
        onPain={onPain}
        onAnswer={(id, answer) =>
          setNow((before) => ({ ...before, ...(answer === null ? {} : { [id]: answer }) }))
        }
      />
    );
  }
  const view = drawn(<Bench />);
  return { ...view, onPain, answers: () => answers };
}
const tap = (name: string) => screen.getByRole("button", { name: new RegExp(`^${name}`) });

afterEach(cleanup);

describe("pairs that count for each other", () => {
  it("count whoever jumps, one less where a finger slipped, and change with a miss", async () => {
    const { user, answers } = pairs([[ADA, BO]]);
    const less = () => screen.getByRole("button", { name: "One less" });
    expect(less().hasAttribute("disabled")).toBe(true);
    for (let taps = 0; taps < 3; taps += 1) await user.click(tap("Ada"));
    await user.click(less());
    expect(answers()).toEqual({ ada: 2 });
    expect(screen.getByText("Bo: not yet")).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Missed: change" }));
    await user.click(tap("Bo"));
    expect(answers()).toEqual({ ada: 2, bo: 1 });
    expect(screen.getByText("Ada: 2")).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Missed: change" }));
    await user.click(tap("Ada"));
    expect(answers()).toEqual({ ada: 3, bo: 1 });
  });

  it("have tried also where none came off, and begin with whoever has no number yet", async () => {
    const { user, answers } = pairs([[ADA, BO, CY]], { ada: 4 });
    expect(tap("Bo")).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Missed: change" }));
    expect(answers()).toEqual({ ada: 4, bo: 0 });
    expect(screen.getByText("Ada: 4, Bo: 0")).toBeDefined();
    await user.click(tap("Cy"));
    expect(answers()).toEqual({ ada: 4, bo: 0, cy: 1 });
  });

  it("of one alone have nobody to change with", async () => {
    const { user, answers } = pairs([[ADA], [BO, CY]]);
    expect(screen.getAllByRole("group").map((one) => one.getAttribute("aria-label"))).toEqual([
      "Ada",
      "Bo, Cy",
    ]);
    await user.click(screen.getByRole("button", { name: "Done" }));
    expect(answers()).toEqual({ ada: 0 });
  });

  it("end for whoever jumps, and hurts", async () => {
    const { user, onPain } = pairs([[ADA, BO]]);
    await user.click(tap("Missed"));
    await user.click(screen.getByRole("button", { name: "Pain: stop today, Bo" }));
    expect(onPain.mock.calls).toEqual([["bo"]]);
    expect(screen.queryByRole("button", { name: "Pain: stop today, Ada" })).toBeNull();
  });
});
