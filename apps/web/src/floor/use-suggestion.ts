import { CATALOGUE, FAULTS } from "@mirrup/catalogue";
import type { SetRequest, StandingItem } from "@mirrup/contract";
import {
  gateAsStreak,
  gateKey,
  isMet,
  otherSide,
  passedRung,
  rungDrill,
  runnable,
  siblingsOf,
  skillOf,
  suggestionOf,
  type Gate,
  type Suggestion,
} from "@mirrup/core";
import { useQuery } from "@tanstack/react-query";
import { usePaths } from "../app/paths.js";
import { capital, drillWords, skillName, subjectName, suggestionWords } from "../app/words.js";
import { lastSetsQuery } from "../students/index.js";
import { addressOf } from "./drill-address.js";
import { drillOptions, type DrillOption } from "./drill-options.js";
import { useWeekOnce } from "./use-week.js";

/** What the set just made and those before it suggest, in words, and where that leads. */
export interface FloorSuggestion {
  readonly title: string;
  readonly why: string;
  readonly to: { readonly address: string; readonly name: string } | null;
  /** The floor begins anew when it is followed. */
  readonly onGo: () => void;
}

/** Older sets than these say nothing about today. */
const LOOKED_BACK = 8;

/** One step before a kind of drill on the skill's ladder. */
function gentlerThan(options: readonly DrillOption[], kind: string): DrillOption | undefined {
  const here = options.findIndex((one) => one.drill.kind === kind);
  return here > 0 ? options[here - 1] : undefined;
}

function isPartOf(part: string, subject: string): boolean {
  return skillOf(CATALOGUE, subject).needs.some((need) => need.anyOf.some((term) => term.skill === part));
}

/** The one suggestion after a set; null before it, and where the set gives none. */
export function useSuggestion(
  set: SetRequest | null,
  gate: Gate,
  standings: readonly StandingItem[] | undefined,
  onGo: () => void,
): FloorSuggestion | null {
  const paths = usePaths();
  const last = useQuery({
    ...lastSetsQuery(set?.studentId ?? "", set?.subject ?? "", set?.side ?? "whole"),
    enabled: set !== null,
  });
  const week = useWeekOnce(set);
  if (set === null) return null;
  const { studentId, subject, side } = set;
  const itemOf = (one: typeof side) =>
    standings?.find((item) => item.subject === subject && item.side === one);
  const item = itemOf(side);
  const other = side === "whole" ? undefined : itemOf(otherSide(side));
  const isOpen = (id: string) =>
    standings?.some((one) => one.subject === id && (one.status === "ready" || one.status === "working")) ??
    false;
  const gateStreak = gateAsStreak(gate, skillOf(CATALOGUE, subject).beats);
  // A path can ask for more in a row than cleared the side.
  const isReached =
    item === undefined || gateKey(gate) === gateKey(item.gate) || item.bestStreak >= gateStreak;
  const suggestion = suggestionOf({
    sets: [set, ...(last.data ?? []).filter((one) => one.id !== set.id)]
      .slice(0, LOOKED_BACK)
      .map((one) => ({ ...one, kind: one.drill.kind })),
    isCleared: item !== undefined && isMet(item.status) && isReached,
    isStuck: item?.isStuck ?? false,
    sideBehind: other === undefined || isMet(other.status) ? null : other.side,
    sibling: siblingsOf(CATALOGUE, subject).find(isOpen) ?? null,
    rustyPart: standings?.find((one) => one.status === "rusty" && isPartOf(one.subject, subject)) ?? null,
    passed: passedRung(set),
    gateStreak,
    drillFor: (fault) => FAULTS[fault].drill,
    week,
  });
  if (suggestion === null) return null;
  const options = drillOptions(subject, side, gate);
  const floorOf = (option: DrillOption | undefined) =>
    option === undefined
      ? null
      : { address: `${paths.floor(studentId, subject, side)}?${option.id}`, name: option.name };
  const to = (one: Suggestion): FloorSuggestion["to"] => {
    switch (one.code) {
      case "fix": {
        const { drill } = FAULTS[one.fault];
        return floorOf(options.findLast((option) => option.drill.kind === drill));
      }
      case "next-rung": {
        const rung = { count: one.next, chance: 0 };
        const drill = runnable(rungDrill(rung, gate, gateStreak, item?.cleanChance ?? 0.5).drill);
        if (drill === null) return null;
        const address = `${paths.floor(studentId, subject, side)}?${addressOf(drill).toString()}`;
        return { address, name: capital(drillWords(drill)) };
      }
      case "gentler":
      case "stuck":
        return floorOf(gentlerThan(options, set.drill.kind));
      case "other-side":
        return { address: paths.floor(studentId, subject, one.side), name: `${capital(one.side)} side` };
      case "sibling":
        return {
          address: `${paths.student(studentId)}?skill=${one.subject}`,
          name: `See the ${skillName(one.subject)}`,
        };
      case "rusty-part":
        return {
          address: paths.floor(studentId, one.subject, one.side),
          name: capital(subjectName(one.subject, one.side)),
        };
      case "load":
      case "rest":
      case "rope-length":
        return null;
    }
  };
  return { ...suggestionWords(suggestion), to: to(suggestion), onGo };
}
