import type { LoggedDecision } from "@mirrup/contract";
import { gateWords } from "./words.js";

/** What was decided about a side. */
export function decisionWords(decision: LoggedDecision): string {
  switch (decision.kind) {
    case "clear":
      return "cleared by hand";
    case "reopen":
      return "reopened";
    case "place":
      return decision.seen ? `placed: ${decision.answer}` : "taken as likely known";
    case "override":
      return decision.gate === null ? "the school’s gate again" : `gate set to ${gateWords(decision.gate)}`;
    case "void":
      return "taken back";
  }
}
