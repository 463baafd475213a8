import type { PresenceView } from "@mirrup/contract";
import { byOwnClock } from "../app/server-clock.js";

/** A device says every 20 s that it is there; one that has not for so long is out of reach. */
const SILENT_MS = 60_000;

const time = new Intl.DateTimeFormat("en", { hour: "2-digit", minute: "2-digit", hourCycle: "h23" });

/** Whether a device has not been heard of for a while, at an instant of this one's clock. */
export function isSilent({ seenAt }: Pick<PresenceView, "seenAt">, now: number): boolean {
  return now - byOwnClock(seenAt) > SILENT_MS;
}

/** Who counts there and since when, or until when they were heard of. */
export function presenceWords(
  { name, personId, since, seenAt }: PresenceView,
  ownPersonId: string,
  now: number,
): string {
  const isOwn = personId === ownPersonId;
  const at = (instant: string) => time.format(byOwnClock(instant));
  if (isSilent({ seenAt }, now)) {
    const who = isOwn ? "You counted here on another device or tab" : `${name} counted here`;
    return `${who} until ${at(seenAt)}; that device has not been heard from since.`;
  }
  return `${isOwn ? "You are counting here on another device or tab" : `${name} is counting here`}, since ${at(since)}.`;
}
