import { callOf, type CalledBeat, type Score } from "@mirrup/core";
import { useState } from "react";
import { CallOut } from "./call-out.js";
import { TempoBar } from "./tempo-bar.js";
import type { Voice } from "../voice/index.js";
import type { FloorTempo } from "./use-tempo.js";

interface TempoToolsProps {
  readonly tempo: FloorTempo;
  /** When each try was tapped, for its tempo and evenness. */
  readonly ticks: readonly number[];
  /** What can be called out; null outside the rope model. */
  readonly score: Score | null;
  readonly voice: Voice;
}

/** The beat of a drill, and its pattern called out in time with it. */
export function TempoTools({ tempo, ticks, score, voice }: TempoToolsProps) {
  const [called, setCalled] = useState<readonly CalledBeat[] | null>(null);
  const call = (of: Score) => {
    const pattern = callOf(of);
    setCalled(pattern);
    tempo.call(pattern);
  };
  return (
    <>
      <TempoBar
        tempo={tempo}
        ticks={ticks}
        voice={voice}
        onCall={score === null ? null : () => call(score)}
      />
      {called !== null && (
        <CallOut
          pattern={called}
          beats={tempo.beats}
          onStop={() => {
            tempo.stop();
            setCalled(null);
          }}
        />
      )}
    </>
  );
}
