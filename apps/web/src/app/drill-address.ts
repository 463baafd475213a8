/** The drill on the floor as its address says it, and the number that one asks of it. */
import { doseOf, isDrillKind, parseDrill, withDose, type Drill, type LoggedDrill } from "@mirrup/core";

const MOST = 500;

/** The same drill with another number, within what anybody does. */
export function withAim(drill: Drill, aim: number): Drill {
  return withDose(drill, Math.min(MOST, Math.max(1, Math.round(aim))));
}

/** What an address says of a drill beside its kind and number. */
const TEXTS = ["score", "about", "onMiss"] as const;
const NUMBERS = ["pass", "seconds", "spacing", "upTo", "tempo", "tempoShare"] as const;

export function addressOf(drill: Drill): URLSearchParams {
  const params = new URLSearchParams({ kind: drill.kind, aim: String(doseOf(drill)) });
  const written: LoggedDrill = drill;
  for (const key of [...TEXTS, ...NUMBERS]) {
    const value = written[key];
    if (value !== undefined) params.set(key, String(value));
  }
  return params;
}

/** A number of an address within what anybody does; null for what is none. */
function numberIn(params: URLSearchParams, key: string): number | null {
  const text = params.get(key);
  const value = Number(text);
  return text === null || text === "" || !Number.isFinite(value) ? null : Math.min(MOST, Math.max(0, value));
}

/** The drill that an address asks for; `base` where it asks for none, or for none that can be run. */
export function drillFrom(params: URLSearchParams, base: Drill): Drill {
  const kind = params.get("kind");
  if (kind === null || !isDrillKind(kind)) return base;
  const texts = TEXTS.flatMap((key) => {
    const value = params.get(key);
    return value === null ? [] : [[key, value] as const];
  });
  const numbers = NUMBERS.flatMap((key) => {
    const value = numberIn(params, key);
    return value === null ? [] : [[key, value] as const];
  });
  const drill = parseDrill({ kind, ...Object.fromEntries<string | number>([...texts, ...numbers]) });
  if (drill === null) return base;
  return withAim(drill, numberIn(params, "aim") ?? doseOf(drill));
}

/** What the floor's address says of a planned drill. */
export function floorAddress(drill: Drill): string {
  return `?${addressOf(drill).toString()}`;
}
