import type { Goal } from "@mirrup/core/teaching";
import { useSearchParams } from "react-router";
import { catalogue, programmes } from "../app/catalogue.js";

const GOAL_SIDES: readonly Goal["side"][] = ["left", "right", "both", "whole"];

const isWished = (subject: string) => catalogue().skills.has(subject) || programmes().has(subject);

/** The goal whose path is drawn, as the address names it: `cross:left`. */
function goalOf(text: string | null): Goal | null {
  const at = (text ?? "").lastIndexOf(":");
  const [subject, side] = [text?.slice(0, Math.max(0, at)) ?? "", text?.slice(at + 1)];
  const known = GOAL_SIDES.find((one) => one === side);
  return known !== undefined && isWished(subject) ? { subject, side: known } : null;
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
  const held = asked !== null && catalogue().skills.has(asked) ? asked : null;
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
