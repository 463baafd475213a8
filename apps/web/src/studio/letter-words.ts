import type { MailView } from "@mirrup/contract";

/** What has become of a letter, beside its subject. */
export function stateWords({ state, trouble }: Pick<MailView, "state" | "trouble">): string {
  switch (state) {
    case "kept":
      return "to be handed on";
    case "waiting":
      return trouble === null ? "on its way" : `tried again soon: ${trouble}`;
    case "sent":
      return "sent";
    case "failed":
      return trouble === null ? "not sent" : `not sent: ${trouble}`;
  }
}

/** Instead of a letter whose text is kept no longer. */
export function goneWords({ state }: Pick<MailView, "state">): string {
  return state === "sent"
    ? "It has left, and its text is kept no longer."
    : "Its link can be used no more, and its text is kept no longer. Invite them again.";
}
