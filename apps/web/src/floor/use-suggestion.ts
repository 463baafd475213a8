import { FAULTS } from "@mirrup/catalogue";
import type { NextItem, SetRequest, StandingItem } from "@mirrup/contract";
import {
  gateAsStreak,
  gateKey,
  otherSideName,
  siblingsOf,
  skillOf,
  type FaultCode,
  type Gate,
} from "@mirrup/core";
import { isMet, suggestionOf, type Suggestion } from "@mirrup/core/teaching";
import { useQuery } from "@tanstack/react-query";
import { catalogue } from "../app/catalogue.js";
import { usePaths } from "../app/paths.js";
import { drillOfWords, oddsWords } from "../app/drill-words.js";
import { capital, reasonWords, skillName, subjectName, suggestionWords } from "../app/words.js";
import { lastSetsQuery } from "../students/index.js";
import { addressOf, floorAddress } from "../app/drill-address.js";
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

/** The first of a fault's drills that stands on the ladder. */
function fixOf(options: readonly DrillOption[], fault: FaultCode): DrillOption | undefined {
  const found = FAULTS[fault].drills.map((kind) => options.find((one) => one.drill.kind === kind));
  return found.find((one) => one !== undefined);
}

function isPartOf(part: string, subject: string): boolean {
  return skillOf(catalogue(), subject).needs.some((need) => need.anyOf.some((term) => term.skill === part));
}

/** The one suggestion after a set; null where the set gives none. */
export function useSuggestion(
  set: SetRequest,
  gate: Gate,
  standings: readonly StandingItem[] | undefined,
  /** What is proposed of this side after the set; undefined while it is not known. */
  here: NextItem | undefined,
  onGo: () => void,
  /** Whether it is known what became of the set: what is read before that is of before the set. */
  isKnown: boolean,
): FloorSuggestion | null {
  const paths = usePaths();
  const last = useQuery({
    ...lastSetsQuery(set.studentId, set.subject, set.side),
    enabled: isKnown,
  });
  const week = useWeekOnce(set, isKnown);
  const { studentId, subject, side } = set;
  const itemOf = (one: typeof side) =>
    standings?.find((item) => item.subject === subject && item.side === one);
  const item = itemOf(side);
  const other = side === "whole" ? undefined : itemOf(otherSideName(side));
  const isOpen = (id: string) =>
    standings?.some((one) => one.subject === id && (one.status === "ready" || one.status === "working")) ??
    false;
  const gateStreak = gateAsStreak(gate, skillOf(catalogue(), subject).beats);
  // A path can ask for more in a row than cleared the side.
  const isReached =
    item === undefined || gateKey(gate) === gateKey(item.gate) || item.bestStreak >= gateStreak;
  const options = drillOptions(subject, side, gate);
  const suggestion = suggestionOf({
    sets: [set, ...(last.data ?? []).filter((one) => one.id !== set.id)]
      .slice(0, LOOKED_BACK)
      .map((one) => ({ ...one, kind: one.drill.kind })),
    isCleared: item !== undefined && isMet(item.status) && isReached,
    isStuck: item?.isStuck ?? false,
    sideBehind: other === undefined || isMet(other.status) ? null : other.side,
    sibling: siblingsOf(catalogue(), subject).find(isOpen) ?? null,
    rustyPart: standings?.find((one) => one.status === "rusty" && isPartOf(one.subject, subject)) ?? null,
    lowReviews: item?.lowReviews ?? 0,
    drillFor: (fault) => fixOf(options, fault)?.drill.kind ?? null,
    week,
  });
  if (suggestion === null) return here === undefined ? null : { ...goingOn(here), to: goTo(here), onGo };
  const floorOf = (option: DrillOption | undefined) =>
    option === undefined
      ? null
      : {
          address: `${paths.floor(studentId, subject, side)}?${addressOf(option.drill).toString()}`,
          name: option.name,
        };
  const to = (one: Suggestion): FloorSuggestion["to"] => {
    switch (one.code) {
      case "fix":
        return floorOf(fixOf(options, one.fault));
      case "other-side":
        return { address: paths.floor(studentId, subject, one.side), name: `${capital(one.side)} side` };
      case "sibling":
        return {
          address: paths.bead(studentId, one.subject),
          name: `See the ${skillName(one.subject)}`,
        };
      case "rusty-part":
        return {
          address: paths.floor(studentId, one.subject, one.side),
          name: capital(subjectName(one.subject, one.side)),
        };
      case "reopen":
        return {
          address: paths.bead(studentId, subject),
          name: `See the ${skillName(subject)}`,
        };
      case "load":
      case "rest":
      case "rope-length":
        return null;
    }
  };
  return { ...suggestionWords(suggestion), to: to(suggestion), onGo };

  function goTo({ drill }: NextItem): FloorSuggestion["to"] {
    return {
      address: `${paths.floor(studentId, subject, side)}${floorAddress(drill)}`,
      name: capital(drillOfWords(subject, side, drill)),
    };
  }
}

/** On with the same side: the drill that the record now proposes. */
function goingOn({ subject, side, drill, chance, reason }: NextItem): Pick<FloorSuggestion, "title" | "why"> {
  return {
    title: `Go on: ${drillOfWords(subject, side, drill)}`,
    why: `${capital(oddsWords(chance))}. ${reasonWords(reason)}`,
  };
}
