import type { ReactNode } from "react";
import type { SetRequest, StandingItem } from "@mirrup/contract";
import { missCount } from "@mirrup/core";
import { evidenceWords, oddsWords } from "../app/drill-words.js";
import { capital, gateWords, listWords, percentWords, subjectName, weekWords } from "../app/words.js";
import { Bead, beadState, bySkill } from "../beads/index.js";
import { useQuery } from "@tanstack/react-query";
import { loadQuery } from "../students/index.js";
import { Link } from "react-router";
import { familyOf } from "../app/family.js";
import { RhythmPicture } from "./rhythm-picture.js";
import { setRhythmWords } from "./rhythm-words.js";
import { SetNote } from "./set-note.js";
import type { Outcome } from "./use-outcome.js";
import type { Lead } from "./use-lead.js";
import type { FloorSuggestion } from "./use-suggestion.js";
import classes from "./result.module.css";

/** What became of the set, in a heading and a sentence. */
function said(set: SetRequest, outcome: Outcome): { readonly heading: string; readonly sentence: string } {
  const what = subjectName(set.subject, set.side);
  switch (outcome.kind) {
    case "sending":
      return { heading: "Set finished", sentence: "It is kept on this device and being sent." };
    case "kept":
      return {
        heading: "Kept on this device",
        sentence:
          "The server does not answer just now. The set is sent, and its gate judged, as soon as it does.",
      };
    case "signed-out":
      return {
        heading: "Kept on this device",
        sentence: "You are signed out. The set is sent, and its gate judged, when you sign in again.",
      };
    case "refused":
      return {
        heading: "Not stored",
        sentence: `${outcome.message} The set waits on this device under “needs attention”.`,
      };
    case "stored": {
      const { change } = outcome;
      if (change?.to === "cleared") {
        const heading = change.from === "cleared" ? `${capital(what)}: still clear` : `Cleared: ${what}`;
        return {
          heading,
          sentence: `The gate was ${gateWords(change.gate)}; best in a row is ${change.bestStreak}.`,
        };
      }
      const best =
        change === undefined
          ? ""
          : `Best in a row is ${change.bestStreak}, the gate is ${gateWords(change.gate)}. `;
      const chance = change === undefined ? "" : `A clean try now comes ${oddsWords(change.cleanChance)}.`;
      return {
        heading: `${set.clean} of ${set.clean + missCount(set.misses)} clean`,
        sentence: `${best}${chance}`,
      };
    }
  }
}

interface ResultProps {
  /** The one suggestion that the set itself gives; null where it gives none. */
  readonly suggestion: FloorSuggestion | null;
  readonly set: SetRequest;
  readonly outcome: Outcome;
  readonly standings: readonly StandingItem[] | undefined;
  /** The way on; null while it is not known. */
  readonly lead: Lead | null;
  /** What stands above what comes next. */
  readonly children?: ReactNode;
}

/** After a set: what it came to, what that opened, and one proposal with its reason. */
export function Result({ set, outcome, standings, suggestion, lead, children }: ResultProps) {
  // Before the set is stored it would be what it was before the set.
  const week = useQuery({ ...loadQuery(set.studentId), enabled: outcome.kind !== "sending" });
  const missed = missCount(set.misses);
  const rhythm = setRhythmWords(set.ticks ?? []);
  // One thing is proposed once.
  const isSame = suggestion?.to != null && suggestion.to.address === lead?.address;
  const { heading, sentence } = said(set, outcome);
  const standing = bySkill(standings ?? []).get(set.subject);
  const opened = outcome.kind === "stored" ? outcome.opened : [];
  const cleared = outcome.kind === "stored" && outcome.change?.to === "cleared";
  return (
    <div className={classes.result}>
      <div className={classes.columns}>
        <div role="status" className={classes.said}>
          <div className={classes.heading} data-cleared={cleared}>
            {standing !== undefined && (
              <span className={classes.bead}>
                <Bead state={beadState(standing)} family={familyOf(set.subject)} size={72} />
              </span>
            )}
            <h2>{heading}</h2>
          </div>
          <p>{sentence}</p>
          <p>{evidenceWords({ drill: set.drill, subject: set.subject, side: set.side })}</p>
          {opened.length > 0 && (
            <p>
              <strong>Opened:</strong> {listWords(opened.map((one) => subjectName(one.subject, one.side)))}.
            </p>
          )}
          <p className={classes.quiet}>
            {week.data !== undefined && outcome.kind === "stored" && `${weekWords(week.data)} `}
            {set.clean} clean, {missed} missed ({percentWords(set.clean / (set.clean + missed))} clean).
          </p>
        </div>
        <div className={classes.beside}>
          {children}
          {rhythm !== "" && (
            <div>
              <RhythmPicture ticks={set.ticks ?? []} />
              <p className={classes.quiet}>{capital(rhythm)}</p>
            </div>
          )}
          <SetNote key={set.id} set={set} />
        </div>
      </div>
      {outcome.kind !== "sending" && suggestion !== null && !isSame && (
        <div className={classes.suggestion}>
          <strong>{suggestion.title}</strong>
          <span>{suggestion.why}</span>
          {suggestion.to !== null && (
            <Link to={suggestion.to.address} onClick={suggestion.onGo} className={classes.go}>
              {suggestion.to.name}
            </Link>
          )}
        </div>
      )}
      {outcome.kind !== "sending" && lead !== null && (
        <button type="button" className={classes.next} onClick={lead.go}>
          <span className={classes.nextName}>
            {lead.name}
            <kbd>Enter</kbd>
          </span>
          <span>{lead.why}</span>
        </button>
      )}
    </div>
  );
}
