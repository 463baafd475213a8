/** What a line of the log changed. */
import type { Gate, SideName } from "@mirrup/core";
import type { Status } from "@mirrup/core/teaching";

export interface StandingChange {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
  readonly from: Status;
  readonly to: Status;
  readonly bestStreak: number;
  readonly cleanChance: number;
  readonly gate: Gate;
  readonly gateBest: number;
}

export interface Opened {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
}
