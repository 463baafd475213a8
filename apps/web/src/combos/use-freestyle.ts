import { FREESTYLE_LIMITS, planFreestyle } from "@mirrup/core/combos";
import { useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import { catalogue } from "../app/catalogue.js";
import { sidesOfGoal } from "../app/goal-sides.js";
import { combosQuery } from "./queries.js";
import { useFor } from "./use-for.js";
import { useTempoAsked } from "./use-tempo-asked.js";

/** The freestyle round that an address asks for. */
export function useFreestyle() {
  const [params] = useSearchParams();
  const combos = useQuery(combosQuery);
  const { student, jumper } = useFor();
  const { tempo } = useTempoAsked();
  const number = (key: string, usual: number, least: number, most: number) => {
    const value = Number(params.get(key) ?? usual);
    return Number.isFinite(value) ? Math.min(most, Math.max(least, Math.round(value))) : usual;
  };
  const seconds = number("seconds", 60, 10, FREESTYLE_LIMITS.seconds);
  const rest = number("rest", 6, 0, FREESTYLE_LIMITS.rest);
  const out = params.getAll("out");
  const own = student?.goals.flatMap((goal) => sidesOfGoal(goal).map((one) => one.subject)) ?? [];
  const goals = params.has("goal")
    ? params.getAll("goal").filter((id) => catalogue().skills.has(id))
    : [...new Set(own)];
  const shelf = (combos.data ?? []).filter((combo) => !combo.isRemoved);
  const taken = shelf.filter(({ id }) => !out.includes(id));
  const plan = planFreestyle(taken, { seconds, rest, tempo, ...jumper, goals, roles: catalogue().roles });
  return { combos, shelf, student, plan, seconds, rest, out, goals, jumping: { tempo, ...jumper } };
}
