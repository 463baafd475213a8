import { useNow } from "../app/use-now.js";
import { usePersonId } from "../device/index.js";
import type { Presence } from "./use-presence.js";
import { presenceWords } from "./words.js";
import classes from "./presence-note.module.css";

const TICK_MS = 10_000;

interface PresenceNoteProps {
  readonly presence: Presence;
  /** What taking over means for what was counted. */
  readonly what: string;
  /** Counts here as well, apart from them; nothing where a place is for one alone. */
  readonly onApart?: () => void;
}

/** That somebody else counts here, and one tap that takes it over. */
export function PresenceNote({ presence: { other, takeOver }, what, onApart }: PresenceNoteProps) {
  const now = useNow(TICK_MS, other !== null);
  const personId = usePersonId();
  if (other === null) return null;
  return (
    <div className={classes.note} role="status">
      <p>
        <strong>{presenceWords(other, personId, now)}</strong> {what}
      </p>
      {onApart !== undefined && (
        <button type="button" className={classes.apart} onClick={onApart}>
          Count another group
        </button>
      )}
      {takeOver !== null && (
        <button type="button" className={classes.take} onClick={takeOver}>
          Take over
        </button>
      )}
    </div>
  );
}
