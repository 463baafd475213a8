import { CATALOGUE } from "@mirrup/catalogue";
import type { Goal } from "@mirrup/core/teaching";
import { useSearchParams } from "react-router";

const GOAL_SIDES: readonly Goal["side"][] = ["left", "right", "both", "whole"];

/** The goal whose path is drawn, as the address names it: `cross:left`. */
function goalOf(text: string | null): Goal | null {
  const [subject = "", side = ""] = (text ?? "").split(":");
  const known = GOAL_SIDES.find((one) => one === side);
  return known !== undefined && CATALOGUE.skills.has(subject) ? { subject, side: known } : null;
}

export interface Picked {
  readonly held: string | null;
  readonly goal: Goal | null;
  readonly pick: (held: string | null, goal: Goal | null) => void;
}

/** What is in hand and whose path is drawn: both in the address, one at a time in the panel. */
export function usePicked(): Picked {
  const [params, setParams] = useSearchParams();
  const asked = params.get("skill");
  const held = asked !== null && CATALOGUE.skills.has(asked) ? asked : null;
  const goal = goalOf(params.get("goal"));
  const pick = (skill: string | null, way: Goal | null) =>
    setParams(
      (before) => {
        const picked = new URLSearchParams(before);
        picked.delete("skill");
        picked.delete("goal");
        if (skill !== null) picked.set("skill", skill);
        if (way !== null) picked.set("goal", `${way.subject}:${way.side}`);
        return picked;
      },
      { replace: true },
    );
  return { held, goal, pick };
}
