import { readHandleMessage, sensedTaps, ticksOf, withMessage, type HandleMessage } from "@mirrup/core/combos";
import { useEffect, useRef, useState } from "react";
import type { FloorRun } from "./use-run.js";

/** Jumpers that the simulated handle can play. */
export const JUMPERS = {
  steady: { name: "a steady jumper", query: { clean: 0.985, evenness: 95, drift: 1, fatigue: 0.005 } },
  learner: { name: "somebody learning", query: { clean: 0.88, evenness: 84, drift: 4, fatigue: 0.01 } },
  tiring: { name: "somebody who tires", query: { clean: 0.97, evenness: 92, drift: -6, fatigue: 0.08 } },
} as const;
export type JumperId = keyof typeof JUMPERS;

export type HandleState =
  | { readonly kind: "off" }
  | { readonly kind: "connecting" }
  /** It does not answer, or refuses. */
  | { readonly kind: "silent" }
  | { readonly kind: "listening"; readonly ticks: readonly number[]; readonly nonsense: number }
  /** The line broke; what is missed meanwhile comes with the next message. */
  | { readonly kind: "broken"; readonly ticks: readonly number[]; readonly nonsense: number }
  | { readonly kind: "ended"; readonly ticks: readonly number[]; readonly nonsense: number };

export interface Handle {
  readonly state: HandleState;
  readonly listen: (jumper: JumperId, seed: number, tempo: number) => void;
  readonly stop: () => void;
}

function parsed(data: string): unknown {
  try {
    return JSON.parse(data);
  } catch {
    return null;
  }
}

/** Listens to a rope handle and lets it count the run; a repetition is so many turns. */
export function useHandle(floor: FloorRun, turnsPerRepetition: number): Handle {
  const [state, setState] = useState<HandleState>({ kind: "off" });
  const source = useRef<EventSource>(undefined);
  useEffect(() => () => source.current?.close(), []);

  const close = () => {
    source.current?.close();
    source.current = undefined;
    floor.stopSensing();
  };
  const listen = (jumper: JumperId, seed: number, tempo: number) => {
    const query = Object.entries({ seed, tempo, ...JUMPERS[jumper].query }).map(
      ([name, value]) => `${name}=${value}`,
    );
    source.current?.close();
    const stream = new EventSource(`/api/handle/stream?${query.join("&")}`);
    source.current = stream;
    let messages: readonly HandleMessage[] = [];
    let nonsense = 0;
    let since: number | null = null;
    const tell = (kind: "listening" | "broken" | "ended") =>
      setState({ kind, ticks: ticksOf(messages), nonsense });
    setState({ kind: "connecting" });
    stream.onmessage = ({ data }: MessageEvent<string>) => {
      const message = readHandleMessage(parsed(data));
      if (message === null) {
        nonsense += 1;
      } else {
        since ??= Date.now() - message.at;
        const before = messages;
        messages = withMessage(messages, message);
        if (messages !== before) {
          floor.sense((offset) => sensedTaps(messages, turnsPerRepetition, offset), since);
        }
      }
      tell("listening");
    };
    stream.onerror = () => {
      // A line that broke is taken up again by itself; one that was refused is not.
      if (stream.readyState !== EventSource.CLOSED) {
        tell("broken");
        return;
      }
      close();
      setState({ kind: "silent" });
    };
    stream.addEventListener("end", () => {
      close();
      tell("ended");
    });
  };
  return {
    state,
    listen,
    stop: () => {
      close();
      setState((before) => ("ticks" in before ? { ...before, kind: "ended" } : { kind: "off" }));
    },
  };
}
