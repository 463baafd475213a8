import type {
  Done,
  PresenceLeft,
  PresenceReply,
  PresenceRequest,
  PresenceView,
  RoundCounted,
} from "@mirrup/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { useMayTeach } from "../account/index.js";
import { post, remove } from "../app/api.js";
import { TAB_ID } from "../app/tab-id.js";
import { presenceQuery } from "./queries.js";

const BEAT_MS = 20_000;
/** Several taps in a row are told at once. */
const GATHER_MS = 250;
const LONGEST_MS = 8000;

/** What a device knows of what is counted at a place. */
export interface Counted {
  readonly turn: string | null;
  readonly round: RoundCounted | null;
}
const NOTHING: Counted = { turn: null, round: null };

interface Asked {
  readonly place: string;
  /** Whether somebody counts here, and not only looks. */
  readonly isHere: boolean;
  readonly counted?: Counted;
  /** What the server says of what was told. */
  readonly onReply?: (reply: PresenceReply, told: Counted) => void;
}

export interface Presence {
  /** Who counts here on another device; null where nobody does, as far as is known. */
  readonly other: PresenceView | null;
  /** Null for whoever may not count. Counts here at once; the server hears of it as soon as it answers. */
  readonly takeOver: (() => void) | null;
  /** Lets go of the place once what was counted there is finished. */
  readonly finish: () => void;
}

/** Says that somebody counts at a place for as long as they do, and who else does. Silent where nobody answers. */
export function usePresence({ place, isHere, counted = NOTHING, onReply }: Asked): Presence {
  const client = useQueryClient();
  const mayTeach = useMayTeach();
  const says = isHere && mayTeach;
  const { data: all } = useQuery(presenceQuery);
  const [held, setHeld] = useState<PresenceView | null>(null);
  /** Taken over here, and the server does not know yet. */
  const [insists, setInsists] = useState(false);
  const isInsisting = useRef(false);
  const latest = useRef({ counted, onReply });
  useEffect(() => {
    latest.current = { counted, onReply };
  });

  // One at a time, in order: what is told last is what the server keeps.
  const queue = useRef<Promise<void>>(Promise.resolve());
  const say = useCallback(
    (takesOver: boolean) => {
      const tell = async () => {
        const told = latest.current.counted;
        const request: PresenceRequest = {
          ...{ place, tab: TAB_ID, ...told },
          takesOver: takesOver || isInsisting.current,
        };
        const reply = await post<PresenceReply>("/presence", request, { longestMs: LONGEST_MS });
        setHeld(reply.holder);
        if (reply.isYours) {
          isInsisting.current = false;
          setInsists(false);
        }
        client.setQueryData(presenceQuery.queryKey, (before) => [
          ...(before ?? []).filter((one) => one.place !== place),
          reply.holder,
        ]);
        latest.current.onReply?.(reply, told);
      };
      // Where nobody answers it is said again with the next beat.
      queue.current = queue.current.then(tell).catch(() => undefined);
    },
    [client, place],
  );
  const leave = useCallback(
    (isFinished: boolean) => {
      const left: PresenceLeft = { place, tab: TAB_ID, isFinished };
      const go = () => remove<Done>("/presence", left, { longestMs: LONGEST_MS });
      queue.current = queue.current
        .then(go)
        .then(() => undefined)
        .catch(() => undefined);
    },
    [place],
  );

  useEffect(() => {
    if (!says) return undefined;
    say(false);
    const timer = setInterval(() => {
      if (document.visibilityState === "visible") say(false);
    }, BEAT_MS);
    return () => {
      clearInterval(timer);
      // A page that is only loaded anew goes nowhere: it is this component that ends, not the page.
      leave(false);
    };
  }, [says, say, leave]);

  const row = all?.find((one) => one.place === place) ?? null;
  const isOutdated = says && held !== null && (row?.tab ?? null) !== held.tab;
  useEffect(() => {
    // Somebody came, took over or went: what that means for this device the server says.
    if (isOutdated) say(false);
  }, [isOutdated, say]);

  const key = JSON.stringify(counted.round);
  const told = useRef(key);
  useEffect(() => {
    if (!says || told.current === key) return undefined;
    const timer = setTimeout(() => {
      told.current = key;
      say(false);
    }, GATHER_MS);
    return () => clearTimeout(timer);
  }, [says, say, key]);

  return {
    other: row !== null && row.tab !== TAB_ID && !insists ? row : null,
    takeOver: mayTeach
      ? () => {
          isInsisting.current = true;
          setInsists(true);
          say(true);
        }
      : null,
    finish: () => leave(true),
  };
}
