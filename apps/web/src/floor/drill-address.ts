/** The drill on the floor as its address says it, and the number that one asks of it. */
import { MISS_RULES, runnable, DRILL_KINDS, type Drill, type RunnableDrill } from "@mirrup/core";

const MOST = 500;

/** The number that is asked of a drill: rungs, repetitions, tries, rounds, or seconds for a hold. */
export function aimOf(drill: RunnableDrill): number {
  switch (drill.kind) {
    case "climb":
      return drill.top;
    case "rounds":
      return drill.rounds;
    case "hold":
      return drill.seconds;
    default:
      return drill.count;
  }
}

/** The same drill with another number. */
export function withAim(drill: RunnableDrill, aim: number): RunnableDrill {
  const asked = Math.min(MOST, Math.max(1, Math.round(aim)));
  switch (drill.kind) {
    case "climb":
      return { ...drill, top: asked };
    case "rounds":
      return { ...drill, rounds: asked };
    case "hold":
      return { ...drill, seconds: asked };
    default:
      return { ...drill, count: asked };
  }
}

export function addressOf(drill: RunnableDrill): URLSearchParams {
  const params = new URLSearchParams({ kind: drill.kind, aim: String(aimOf(drill)) });
  if (drill.kind === "climb") {
    params.set("miss", drill.onMiss);
    if (drill.growing === true) params.set("growing", "1");
  }
  if (drill.kind === "count") params.set("seconds", String(drill.seconds));
  if (drill.kind === "spaced" || drill.kind === "link") params.set("spacing", String(drill.spacing));
  if ("score" in drill && drill.score !== undefined) params.set("score", drill.score);
  return params;
}

/** The drill that an address asks for; `base` where it asks for none, or for none that can be run. */
export function drillFrom(params: URLSearchParams, base: RunnableDrill): RunnableDrill {
  const kind = DRILL_KINDS.find((one) => one === params.get("kind"));
  if (kind === undefined) return base;
  const number = (key: string, otherwise: number) => {
    const value = Number(params.get(key) ?? otherwise);
    return Number.isFinite(value) ? Math.min(MOST, Math.max(0, Math.round(value))) : otherwise;
  };
  const aim = Math.max(1, number("aim", aimOf(base)));
  const score = params.get("score");
  const drill = runnable({
    kind,
    count: aim,
    top: aim,
    rounds: aim,
    seconds: kind === "hold" ? aim : Math.max(1, number("seconds", 30)),
    spacing: number("spacing", 4),
    onMiss: MISS_RULES.find((one) => one === params.get("miss")) ?? "repeat",
    growing: params.get("growing") === "1",
    ...(score === null ? {} : { score }),
  });
  return drill ?? base;
}

/** What the floor's address says of a planned drill; empty where the floor proposes its own. */
export function floorAddress(drill: Drill): string {
  const asked = runnable(drill);
  return asked === null ? "" : `?${addressOf(asked).toString()}`;
}
