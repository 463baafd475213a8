import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { SetRequest } from "@mirrup/contract";
import { act, cleanup, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { outbox } from "../device/index.js";
import { drawn, SILENT } from "../testing/drawn.js";
import { emptyOutbox, waitingSets } from "../testing/outbox.js";
import { useRun } from "./use-run.js";

const ABOUT = { studentId: "ada", subject: "cross", side: "left" } as const;

/** A run with buttons for what a floor does with it. */
function Bench({ onSet }: { readonly onSet: (set: SetRequest) => void }) {
  const run = useRun(ABOUT, { kind: "streak", count: 3 });
  const [ends, setEnds] = useState(0);
  const take = (set: Promise<SetRequest> | null) => {
    setEnds((before) => before + 1);
    void set?.then(onSet);
  };
  const byHand = () => take(run.finishByHand({ clean: 4, missed: 1, best: 3 }));
  return (
    <>
      <output>{`${run.run.clean} clean, ${run.run.misses.length} missed, ${ends} ends`}</output>
      <button onClick={() => run.enter({ kind: "clean" })}>Clean</button>
      <button onClick={() => run.enter({ kind: "miss" })}>Miss</button>
      <button onClick={run.undo}>Undo</button>
      <button onClick={() => run.newest().begun && take(run.finish())}>Finish</button>
      <button onClick={byHand}>By hand</button>
    </>
  );
}

function bench() {
  const sets: SetRequest[] = [];
  const view = drawn(<Bench onSet={(set) => sets.push(set)} />, {
    answers: { "POST /sets": SILENT, "GET /health": SILENT },
  });
  return { ...view, sets };
}
const said = () => screen.getByText(/clean,/).textContent;
const button = (name: string) => screen.getByRole("button", { name });
const twice = (name: string) =>
  act(() => {
    button(name).click();
    button(name).click();
  });

beforeEach(() => outbox.read());
afterEach(async () => {
  cleanup();
  await emptyOutbox();
});

describe("a set that is counted", () => {
  it("is finished once, however often that is tapped, and the next one begins at nothing", async () => {
    const { user, sets } = bench();
    for (const name of ["Clean", "Clean", "Miss", "Clean", "Undo"]) await user.click(button(name));
    await waitFor(() => expect(said()).toContain("2 clean, 1 missed"));
    twice("Finish");
    await waitFor(() => expect(sets).toHaveLength(1));
    await waitFor(() => expect(waitingSets()).toHaveLength(1));
    expect(waitingSets()[0]).toMatchObject({ ...ABOUT, clean: 2, bestStreak: 2, countedBy: "tapped" });
    // The same finger once more, when it is stored.
    await user.click(button("Finish"));
    expect(waitingSets()).toHaveLength(1);
  });

  it("by numbers is one set too, however often they are handed in at once", async () => {
    const { sets } = bench();
    twice("By hand");
    await waitFor(() => expect(sets).toHaveLength(1));
    expect(said()).toContain("2 ends");
    await act(() => outbox.read());
    expect(waitingSets().map(({ clean, bestStreak, misses }) => [clean, bestStreak, misses.length])).toEqual([
      [4, 3, 1],
    ]);
  });

  it("goes on where it was after the page was left", async () => {
    const before = bench();
    await before.user.click(button("Clean"));
    await waitFor(() => expect(said()).toContain("1 clean"));
    cleanup();
    const { user, sets } = bench();
    await waitFor(() => expect(said()).toContain("1 clean, 0 missed"));
    await user.click(button("Clean"));
    await user.click(button("Finish"));
    await waitFor(() => expect(sets.map(({ clean }) => clean)).toEqual([2]));
  });
});
