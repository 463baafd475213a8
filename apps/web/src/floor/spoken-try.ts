import { spacingCall } from "@mirrup/catalogue";
import type { Run } from "@mirrup/core/teaching";

/** What of a run is said aloud. */
export type Heard = Pick<Run, "tries" | "done" | "spacing">;

/** A number is said at once; a word may take a device's own voice. */
export type Spoken =
  { readonly kind: "count"; readonly number: number } | { readonly kind: "word"; readonly text: string };

/**
 * What is said when a run has gone on by one try: its number, that it missed, or how many bounces are left between
 * where they became fewer. Null for what is taken back, or typed several at a time.
 */
export function spokenTry(before: Heard, after: Heard): Spoken | null {
  const last = after.tries.at(-1);
  if (last === undefined || after.tries.length !== before.tries.length + 1) return null;
  if (after.spacing !== null && after.spacing !== before.spacing)
    return { kind: "word", text: spacingCall(after.spacing) };
  return last.kind === "clean" ? { kind: "count", number: after.done } : { kind: "word", text: "miss" };
}
