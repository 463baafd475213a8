import { NativeSelect } from "@mantine/core";
import { useState } from "react";
import choice from "./drill-choice.module.css";
import { rhythmWords } from "./rhythm-words.js";
import classes from "./tempo-bar.module.css";
import { JUMPERS, type Handle, type HandleState, type JumperId } from "./use-handle.js";

const JUMPER_IDS: readonly JumperId[] = ["steady", "learner", "tiring"];

function stateWords(state: HandleState): string {
  switch (state.kind) {
    case "off":
      return "The handle is off.";
    case "connecting":
      return "Looking for the handle …";
    case "silent":
      return "The handle does not answer. Check that you are online and signed in, then listen again.";
    case "listening":
    case "broken":
    case "ended": {
      const rhythm = rhythmWords(state.ticks);
      const nonsense =
        state.nonsense > 0 ? ` ${state.nonsense} of its messages made no sense and were left out.` : "";
      const line =
        state.kind === "broken"
          ? "The line broke; it is being taken up again. "
          : state.kind === "ended"
            ? "The handle is off. "
            : "";
      return `${line}${rhythm}${nonsense}`;
    }
  }
}

interface HandleBarProps {
  readonly handle: Handle;
  readonly tempo: number;
  readonly disabled: boolean;
}

/** Switches a rope handle on and off, and shows what it hears. */
export function HandleBar({ handle, tempo, disabled }: HandleBarProps) {
  const [jumper, setJumper] = useState<JumperId>("steady");
  const { kind } = handle.state;
  const isOn = kind === "connecting" || kind === "listening" || kind === "broken";
  return (
    <div className={classes.bar} role="group" aria-label="The rope’s handle">
      <button
        type="button"
        className={classes.tool}
        aria-pressed={isOn}
        disabled={disabled}
        onClick={() => {
          if (isOn) handle.stop();
          else handle.listen(jumper, Math.floor(Math.random() * 1e6), tempo);
        }}
      >
        {isOn ? "Stop listening" : "Listen to the handle"}
      </button>
      <NativeSelect
        aria-label="Who holds the simulated handle"
        size="md"
        disabled={isOn}
        value={jumper}
        data={JUMPER_IDS.map((id) => ({ value: id, label: `simulated: ${JUMPERS[id].name}` }))}
        onChange={(event) =>
          setJumper(JUMPER_IDS.find((one) => one === event.currentTarget.value) ?? "steady")
        }
        classNames={{ input: choice.ruleInput }}
      />
      <span className={classes.rhythm} role="status">
        {stateWords(handle.state)}
      </span>
    </div>
  );
}
