import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { SetRequest } from "@mirrup/contract";
import { act, cleanup, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { newRun } from "../app/floor-run.js";
import { dropRun, keepRun, keptRuns, outbox } from "../device/index.js";
import { drawn, SILENT } from "../testing/drawn.js";
import { emptyOutbox, waitingSets } from "../testing/outbox.js";
import { Resumed } from "./resumed.js";
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
      <Resumed floor={run} />
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
const fail = (): never => {
  throw new Error("No run is kept.");
};
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
  for (const key of (await keptRuns("")).keys()) await dropRun(key);
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

  it("is begun anew, and brought back, where it was left", async () => {
    const before = bench();
    await before.user.click(button("Clean"));
    await before.user.click(button("Miss"));
    cleanup();
    const { user, sets } = bench();
    await screen.findByText(/^Goes on from/);
    await user.click(button("Start over"));
    expect(said()).toContain("0 clean, 0 missed");
    await user.click(button("Bring it back"));
    expect(said()).toContain("1 clean, 1 missed");
    await user.click(button("Start over"));
    await user.click(button("Clean"));
    // What is counted now is not thrown away for what was.
    expect(screen.queryByRole("button", { name: "Bring it back" })).toBeNull();
    await user.click(button("Finish"));
    await waitFor(() => expect(sets.map(({ clean, misses }) => [clean, misses.length])).toEqual([[1, 0]]));
  });

  it("of another day makes room for a new one, and is not lost", async () => {
    const before = bench();
    await before.user.click(button("Clean"));
    await waitFor(async () => expect((await keptRuns("coach ")).size).toBe(1));
    cleanup();
    const [[key, run] = fail()] = await keptRuns("coach ");
    const DAY = 24 * 3_600_000;
    await keepRun(key, { ...run, startedAt: run.startedAt - DAY, lastTapAt: run.lastTapAt - DAY });
    const { user, sets } = bench();
    await waitFor(async () =>
      expect([...(await keptRuns("coach ")).keys()]).toEqual([`${key} ${run.setId}`]),
    );
    await user.click(button("Miss"));
    expect(said()).toContain("0 clean, 1 missed");
    await user.click(button("Finish"));
    await waitFor(() => expect(sets.map(({ clean }) => clean)).toEqual([0]));
    expect([...(await keptRuns("coach ")).values()].map(({ setId }) => setId)).toEqual([run.setId]);
  });

  it("of another day that is a clock alone says of nobody that they held it", async () => {
    const day = Date.now() - 24 * 3_600_000;
    await keepRun("coach ada cross left", newRun("held", { kind: "hold", seconds: 30 }, day));
    bench();
    await waitFor(async () => expect((await keptRuns("coach ")).size).toBe(0));
    expect(said()).toContain("0 clean, 0 missed");
    expect(screen.queryByText(/^Goes on from/)).toBeNull();
  });
});
