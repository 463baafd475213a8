/** Who counts where just now, and what of a round goes along when another takes over. */
import type { Drill, SideName } from "@mirrup/core";
import type { RoundAnswer } from "@mirrup/core/teaching";

/** A round as far as it was counted; instants by the server's clock. */
export interface RoundCounted {
  /** Names the round, and through it each set that it comes to. */
  readonly id: string;
  readonly side: SideName;
  readonly drill: Drill;
  readonly startedAt: string;
  /** When the clock of its holds was started. */
  readonly heldFrom: string | null;
  readonly answers: Readonly<Record<string, RoundAnswer>>;
  readonly away: readonly string[];
}

/** A device says that somebody counts at a place, and what was counted there so far. */
export interface PresenceRequest {
  readonly place: string;
  /** The tab of a browser that says so; it outlives a reload. */
  readonly tab: string;
  /** The last turn of hands that it knows; null where it holds nothing yet. */
  readonly turn: string | null;
  readonly takesOver: boolean;
  readonly round: RoundCounted | null;
}

/** Somebody who counts at a place. */
export interface PresenceView {
  readonly place: string;
  readonly tab: string;
  readonly personId: string;
  readonly name: string;
  readonly since: string;
  readonly seenAt: string;
}

export interface PresenceReply {
  /** Who holds the place now. */
  readonly holder: PresenceView;
  readonly isYours: boolean;
  readonly turn: string;
  /** What was counted there before, where this device holds it and did not know. */
  readonly round: RoundCounted | null;
  /** Whether it means anything new to whoever looks on. */
  readonly isNews: boolean;
}

/** A device goes away from a place. */
export interface PresenceLeft {
  readonly place: string;
  readonly tab: string;
  /** Whether what was counted there is finished; else it waits for whoever comes. */
  readonly isFinished: boolean;
}
