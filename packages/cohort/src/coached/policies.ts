/** What is done next: what Mirrup proposes, and two plain ways that need no record. */
import { GATE_RUNG, type Side } from "@mirrup/core";
import { goalPath, nextDrills, stageOf, standingOf } from "@mirrup/core/teaching";
import { between, randomFrom } from "../random.js";
import type { Policy } from "./coached.js";

/**
 * Mirrup: always the first proposal that is on the way to the goal; the gate that is offered beside it is
 * tried once a lesson, as an instructor would.
 */
export function byProposal(strongerSide: "left" | "right"): Policy {
  const tried = new Map<Side, string>();
  return (reading, goal) => {
    const { subject, side } = goal;
    const steps = goalPath(reading, [{ subject, side }]).steps.filter(
      ({ of }) => of !== reading.syllabus.baseTest,
    );
    const path = steps.map(({ of, gate }) => ({ of, gate, goal: subject }));
    const onPath = new Set(path.map(({ of }) => of));
    const first = nextDrills(reading, { strongerSide, path }).find(({ of }) => onPath.has(of));
    if (first === undefined) return null;
    const { of, drill, chance, tryGate } = first;
    if (stageOf(reading, of).isSated) return "lesson-over";
    if (tryGate === null || tried.get(of) === reading.today) return { of, drill, chance };
    tried.set(of, reading.today);
    return { of, ...tryGate };
  };
}

/** The goal's needs and theirs, of each either the first way, and the goal itself. */
export function ownNeeds(goal: Side): readonly Side[] {
  const found = new Set<Side>();
  const visit = (side: Side) => {
    if (found.has(side)) return;
    found.add(side);
    for (const [way = []] of side.needs) for (const asked of way) visit(asked.of);
  };
  visit(goal);
  return [...found].sort((one, other) => one.index - other.index);
}

/** Plainly: the goal's own needs, one chosen of those that are open, always at its gate. */
function plainly(choose: (open: readonly Side[]) => Side | undefined): Policy {
  return (reading, goal) => {
    const needs = ownNeeds(goal);
    const standings = needs.map((side) => standingOf(reading, side));
    const open = standings
      .filter(({ status }) => status === "ready" || status === "working")
      .map(({ of }) => of);
    const of = choose(open);
    if (of !== undefined)
      return {
        of,
        drill: of.ladder.find((rung) => rung.id === GATE_RUNG)?.drill ?? {
          kind: "streak",
          count: of.gateStreak,
        },
        chance: null,
      };
    // A need that is cleared, but not so many in a row as something asks.
    const short = standings
      .flatMap((one) => (one.status === "locked" ? one.unmet : []))
      .find((gap) => gap.gate.kind === "streak" && gap.need > 0);
    return short?.gate.kind === "streak"
      ? { of: short.of, drill: { kind: "streak", count: short.gate.count }, chance: null }
      : null;
  };
}

export const IN_ORDER: Policy = plainly(([first]) => first);

export function atRandom(seed: number): Policy {
  const random = randomFrom(seed);
  return plainly((open) => open[between(random, 0, Math.max(0, open.length - 1))]);
}
