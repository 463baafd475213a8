import { ActionIcon, SegmentedControl, Slider } from "@mantine/core";
import { IconPlayerPauseFilled, IconPlayerPlayFilled } from "@tabler/icons-react";
import classes from "./player.module.css";
import type { Playhead } from "./use-playhead.js";

const SPEEDS = [
  { value: "1", label: "as jumped" },
  { value: "0.25", label: "a quarter" },
  { value: "0.1", label: "a tenth" },
] as const;

interface PlayerProps {
  readonly playhead: Playhead;
  readonly seconds: number;
}

/** Plays a braid, slowly by default, and scrubs it. */
export function Player({ playhead, seconds }: PlayerProps) {
  const { at, playing, speed, toggle, scrub, setSpeed } = playhead;
  return (
    <div className={classes.player}>
      <ActionIcon size={44} variant="default" onClick={toggle} aria-label={playing ? "Pause" : "Play"}>
        {playing ? (
          <IconPlayerPauseFilled size={18} aria-hidden />
        ) : (
          <IconPlayerPlayFilled size={18} aria-hidden />
        )}
      </ActionIcon>
      <Slider
        className={classes.scrub}
        thumbLabel="Time"
        min={0}
        max={seconds}
        step={0.01}
        value={at ?? 0}
        onChange={scrub}
        label={(value) => `${value.toFixed(2)} s`}
      />
      <SegmentedControl
        aria-label="Speed"
        size="sm"
        data={[...SPEEDS]}
        value={String(speed)}
        onChange={(value) => setSpeed(Number(value))}
      />
    </div>
  );
}
