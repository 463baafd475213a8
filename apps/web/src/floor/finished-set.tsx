import type { NextItem, SetRequest, StandingItem } from "@mirrup/contract";
import type { Gate } from "@mirrup/core";
import { useEffect, useRef } from "react";
import classes from "./floor.module.css";
import { Rest } from "./rest.js";
import { Result } from "./result.js";
import { useFloorKeys } from "./use-floor-keys.js";
import type { Lead } from "./use-lead.js";
import { useOutcome } from "./use-outcome.js";
import { useSuggestion } from "./use-suggestion.js";

interface FinishedSetProps {
  readonly set: SetRequest;
  /** What the set was on the way to. */
  readonly gate: Gate;
  readonly standings: readonly StandingItem[] | undefined;
  /** What is proposed of this side now; undefined while it is being read. */
  readonly here: NextItem | undefined;
  /** The way on after the set. */
  readonly lead: Lead | null;
  readonly onAgain: () => void;
  /** Hears that the rest is over. */
  readonly onRested: () => void;
}

/** What a set came to, what became of it, and the way on. Nothing of it is read or drawn while a set is counted. */
export function FinishedSet({ set, gate, standings, here, lead, onAgain, onRested }: FinishedSetProps) {
  const outcome = useOutcome(set);
  const isKnown = outcome.kind !== "sending";
  const suggestion = useSuggestion(set, gate, standings, here, onAgain, isKnown);
  const heading = useRef<HTMLDivElement>(null);
  useFloorKeys({ next: () => isKnown && lead?.go() });
  // The button that had the focus is gone once the set is finished.
  useEffect(() => heading.current?.focus(), []);
  return (
    <div ref={heading} tabIndex={-1} className={classes.stage}>
      <Result set={set} outcome={outcome} standings={standings} suggestion={suggestion} lead={lead}>
        <Rest studentId={set.studentId} onOver={onRested} />
      </Result>
    </div>
  );
}
