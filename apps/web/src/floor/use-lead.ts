import type { NextItem } from "@mirrup/contract";
import { useNavigate } from "react-router";
import { floorAddress } from "../app/drill-address.js";
import { drillOfWords, oddsWords } from "../app/drill-words.js";
import { useNow } from "../app/use-now.js";
import { capital, reasonWords, subjectName } from "../app/words.js";
import { isSamePage, usePaths } from "../app/paths.js";
import { blockPathOf, drillOfSet, wayOn, type LedSession } from "../led/index.js";
import type { RunSubject } from "../app/floor-run.js";

const TICK_MS = 1000;

/** The way on from a result: what is next, why, and how one goes there. */
export interface Lead {
  readonly name: string;
  readonly why: string;
  /** Where it leads; the floor begins anew where that is here. */
  readonly address: string;
  readonly go: () => void;
}

interface Known {
  /** The best of all proposals; undefined while it is not known. */
  readonly first: NextItem | undefined;
  /** What is proposed of the side at hand. */
  readonly here: NextItem | undefined;
  readonly onAgain: () => void;
}

/** After a set: on in the session that is held, else with what is proposed; null while that is not known. */
export function useLead(
  about: RunSubject,
  session: LedSession,
  { first, here, onAgain }: Known,
): Lead | null {
  const paths = usePaths();
  const navigate = useNavigate();
  const { studentId, subject, side } = about;
  const leadTo = (name: string, why: string, address: string, before?: () => void): Lead => ({
    name,
    why,
    address,
    go: () => {
      before?.();
      // Elsewhere a floor begins afresh by itself; until it is there, this one keeps its result.
      if (isSamePage(address, paths.floor(studentId, subject, side))) onAgain();
      void navigate(address);
    },
  });
  const now = useNow(TICK_MS, session.led !== null);
  const way = session.led === null ? null : wayOn(session.led, about, now);
  switch (way?.code) {
    case undefined:
      return first === undefined
        ? null
        : leadTo(
            `Next: ${subjectName(first.subject, first.side)}, ${drillOfWords(first.subject, first.side, first.drill)}`,
            `${capital(oddsWords(first.chance))}. ${reasonWords(first.reason)}`,
            paths.floor(studentId, first.subject, first.side),
          );
    case "block":
      return leadTo(
        way.next === null ? "End the session" : `Next block: ${way.next.name}`,
        `${capital(way.block.name)} has had its sets or its minutes.`,
        blockPathOf(paths, studentId, way.next),
        () => session.leave(way.block.key, "done"),
      );
    case "back":
      return leadTo(
        `Back to the session: ${way.block.name}`,
        "It still has sets and minutes.",
        blockPathOf(paths, studentId, way.block),
      );
    case "set": {
      const drill = drillOfSet(way.block, here?.drill);
      return leadTo(
        `Set ${way.number} of ${way.block.sets}: ${drillOfWords(subject, side, drill)}`,
        drill === here?.drill
          ? `${capital(oddsWords(here.chance))}. ${reasonWords(here.reason)}`
          : "As it was planned.",
        `${paths.floor(studentId, subject, side)}${floorAddress(drill)}`,
      );
    }
  }
}
