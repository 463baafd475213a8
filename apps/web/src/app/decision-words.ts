import type { LoggedDecision } from "@mirrup/contract";
import { programmeSubject } from "@mirrup/core";
import { gateWords } from "./words.js";

/** What was decided about a side of a subject, which may be a programme or an item of one. */
export function decisionWords(decision: LoggedDecision, subject: string): string {
  switch (decision.kind) {
    case "clear": {
      const programme = programmeSubject(subject);
      if (programme === null) return "cleared by hand";
      return programme.item === null ? "finished" : "ticked by hand";
    }
    case "reopen":
      return "reopened";
    case "place":
      return decision.seen ? `placed: ${decision.answer}` : "taken as likely known";
    case "override":
      return decision.gate === null ? "the school’s gate again" : `gate set to ${gateWords(decision.gate)}`;
    case "void":
      return "taken back";
    case "accept":
      return "a set of practice alone accepted";
  }
}
