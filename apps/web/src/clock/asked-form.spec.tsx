import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { cleanup, screen, within } from "@testing-library/react";
import { CATALOGUE } from "@mirrup/catalogue";
import { sideKey, sideScore, skillOf } from "@mirrup/core";
import { useState } from "react";
import { drawn } from "../testing/drawn.js";
import { Asked } from "./asked-form.js";
import { FIRST_ASKED, stretchesOf, type ClockAsked } from "./asked.js";
import type { ClockCombo, PoolMove } from "./pool.js";

function move(subject: string, side: "left" | "right" | "whole"): PoolMove {
  const score = sideScore(skillOf(CATALOGUE, subject), side);
  if (score === null) throw new Error(`${subject} has no score.`);
  return { key: sideKey(subject, side), name: `${subject} ${side}`, score };
}

const POOL = [move("cross", "left"), move("skier", "whole")];
const jumper = { dominant: "r" } as const;

interface Means {
  readonly pool?: readonly PoolMove[] | undefined;
  readonly combos?: readonly ClockCombo[] | undefined;
}

/** The form as the clock draws it: what is asked is asked of it again. */
function form(first: Partial<ClockAsked>, { pool = POOL, combos = [] }: Means = {}) {
  const said: ClockAsked[] = [];
  const onOther = jest.fn();
  function Form() {
    const [asked, ask] = useState<ClockAsked>({ ...FIRST_ASKED, ...first });
    const made = stretchesOf(asked, { pool, combos, jumper, seed: 1 });
    return (
      <Asked
        {...{ asked, pool, combos, onOther }}
        stretches={made.stretches}
        leftOut={made.leftOut.map(({ name }) => name)}
        onAsk={(next) => {
          said.push(next);
          ask(next);
        }}
      />
    );
  }
  return { ...drawn(<Form />, {}), said, onOther };
}

const field = (name: string) => screen.getByRole("textbox", { name });

afterEach(cleanup);

describe("what is asked of an interval clock", () => {
  it("is the work and the rest of so many rounds, and how long all that is", async () => {
    const { user, said } = form({});
    await user.clear(field("Rounds"));
    await user.type(field("Rounds"), "4");
    await user.clear(field("Work"));
    // Two is too short for work, and no reason to move what is typed.
    await user.type(field("Work"), "20");
    await user.clear(field("Rest"));
    await user.type(field("Rest"), "10");
    expect(said.at(-1)).toMatchObject({ kind: "rounds", rounds: 4, work: 20, rest: 10 });
    expect(said.every(({ work }) => work >= 5)).toBe(true);
    // Five seconds to get ready, and no rest after the last.
    expect(screen.getByText(/ in all$/).textContent).toBe("1:55 in all");
    await user.type(field("What is done"), "skier");
    expect(said.at(-1)?.what).toBe("skier");
    const ready = within(screen.getByRole("group", { name: "Ready-made" })).getAllByRole("button");
    await user.click(ready[1] ?? document.body);
    expect(said.at(-1)).toMatchObject({ kind: "rounds", what: "skier" });
    expect(said.at(-1)?.rounds).not.toBe(4);
  });

  it("is another kind with fields of its own, and what was asked of the first stays", async () => {
    const { user, said } = form({ rounds: 7 });
    await user.click(screen.getByRole("radio", { name: "Mix, called out" }));
    expect(screen.getByText(/^Of 2 sides that are cleared\./)).toBeTruthy();
    expect(screen.queryByRole("textbox", { name: "Rounds" })).toBeNull();
    expect(screen.queryByRole("group", { name: "Ready-made" })).toBeNull();
    expect(said.at(-1)).toMatchObject({ kind: "mix", rounds: 7 });
  });

  it("is a circuit of parts that are cleared, and grows by them", async () => {
    const { user, said } = form({ kind: "circuit" });
    expect(screen.getByText("Add a part: a circuit needs one to grow.")).toBeTruthy();
    await user.click(screen.getByRole("combobox", { name: "Parts after the bounces, in their order" }));
    await user.click(await screen.findByRole("option", { name: "skier whole", hidden: true }));
    expect(said.at(-1)?.parts).toEqual(["skier:whole"]);
    expect(screen.getByText(/ in all, 2 lines$/)).toBeTruthy();
    expect(screen.queryByText("Add a part: a circuit needs one to grow.")).toBeNull();
  });

  it("is another order of a mix at a press, and none where nothing is cleared", async () => {
    const { user, onOther } = form({ kind: "mix" });
    await user.click(screen.getByRole("button", { name: "Another order" }));
    expect(onOther).toHaveBeenCalledTimes(1);
    cleanup();
    form({ kind: "mix" }, { pool: [] });
    expect(
      screen.getByText("Nothing is cleared yet that could be called. Choose work and rest."),
    ).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Another order" })).toBeNull();
  });

  it("is one of the saved combos, and says how to come to one where there is none", async () => {
    const combos = ["first", "second"].map((id) => ({
      ...{ id, name: `The ${id}`, names: ["cross"] },
      parts: [{ kind: "skill", subject: "cross", side: "left" }],
    })) as unknown as readonly ClockCombo[];
    form({ kind: "combo" });
    expect(screen.getByText("No combo is saved yet. Build one on the bench, and save it.")).toBeTruthy();
    cleanup();
    const { said, user } = form(
      { kind: "combo", rounds: 2 },
      { combos: combos.map((one) => ({ ...one, parts: [] })) },
    );
    await user.selectOptions(screen.getByRole("combobox", { name: "Which combo" }), "The second");
    expect(said.at(-1)).toMatchObject({ kind: "combo", combo: "second", rounds: 2 });
  });
});
