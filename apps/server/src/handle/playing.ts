import { playHandle, type Jumper } from "@mirrup/cohort";
import type { MessageEvent } from "@nestjs/common";
import { Observable } from "rxjs";

/** A set is over before that; a handle that nobody switches off does so by itself. */
const LONGEST_SECONDS = 600;
const RECONNECT_MS = 400;
/** What went out last before a break may not have arrived: it is said again. */
const SAID_AGAIN = 3;

/** When the handle was switched on, and the place of the last event in what it sends. */
interface Heard {
  readonly startedAt: number;
  readonly place: number;
}

function heardFrom(id: string | undefined, now: number): Heard {
  const [, startedAt, place] = /^(\d{1,15})-(\d{1,6})$/.exec(id ?? "") ?? [];
  const since = now - Number(startedAt);
  const isOurs = startedAt !== undefined && since >= 0 && since < LONGEST_SECONDS * 1000;
  return isOurs ? { startedAt: Number(startedAt), place: Number(place) } : { startedAt: now, place: -1 };
}

/**
 * What a handle sends, each event when its time has come. All that has to be remembered is in the
 * event's id, so that a server started anew goes on where the last one broke off.
 */
export function handleEvents(
  jumper: Jumper,
  lastEventId: string | undefined,
  now: number,
): Observable<MessageEvent> {
  const { startedAt, place: heard } = heardFrom(lastEventId, now);
  const sendings = playHandle(jumper, LONGEST_SECONDS);
  return new Observable((listener) => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const send = (place: number) => {
      const sending = sendings[place];
      if (sending === undefined) {
        listener.next({ type: "end", data: "{}" });
        listener.complete();
        return;
      }
      const wait = startedAt + sending.sentAt - Date.now();
      timer = setTimeout(
        () => {
          listener.next({
            id: `${startedAt}-${place}`,
            data: JSON.stringify(sending.message),
            retry: RECONNECT_MS,
          });
          if (sending.breaksAfter && place > heard) listener.complete();
          else send(place + 1);
        },
        Math.max(0, wait),
      );
    };
    send(heard < 0 ? 0 : Math.max(0, heard + 1 - SAID_AGAIN));
    return () => clearTimeout(timer);
  });
}
