import {
  ARMS,
  armsWords,
  expandBeats,
  FEET,
  GESTURES,
  gestureWords,
  grouped,
  PAD_BEATS,
  padFaults,
  padFeet,
  padScore,
  pressedText,
  type Arms,
  type Foot,
  type PadPress,
} from "@mirrup/core";
import { Button, Checkbox, Group, NativeSelect, SegmentedControl, Text } from "@mantine/core";
import { IconArrowBackUp } from "@tabler/icons-react";
import { useMemo, useState } from "react";
import { capital } from "../app/words.js";
import classes from "./score-pad.module.css";

const FOOT_NAMES: Readonly<Record<Foot, string>> = { b: "both feet", l: "left foot", r: "right foot" };
const ADDED = [
  { value: "", label: "and nothing else" },
  ...GESTURES.map((value) => ({ value, label: gestureWords(value) })),
];

/** What the arms do, by the letter of it, and whose left and right it is that is pressed. */
const SHAPE_NAMES: Readonly<Record<string, string>> = {
  o: "Open",
  x: "Cross, arm on top",
  s: "Side swing to the",
  b: "Front-back cross, arm behind",
  e: "Back-arm swing, arm behind",
  u: "Leg-over, leg lifted",
  k: "Cross behind the knees",
  w: "Wrap on the arm",
  h: "Handle let go",
};
const SIDE_NAMES: Readonly<Record<string, string>> = { l: "Left", r: "Right" };
const SHAPES = [...grouped(ARMS, (arms) => arms.charAt(0))].map(([letter, sides]) => ({
  name: SHAPE_NAMES[letter] ?? letter,
  sides,
}));

interface ScorePadProps {
  readonly text: string;
  readonly onChange: (text: string) => void;
}

/** A score played on buttons, turn by turn: what cannot come next cannot be pressed, and says why. */
export function ScorePad({ text, onChange }: ScorePadProps) {
  const [isSameJump, setSameJump] = useState(false);
  const score = useMemo(() => padScore(text), [text]);
  const beats = score === null ? 0 : expandBeats(score).length;
  const kind = isSameJump && beats > 0 ? "more" : "turn";
  const faults = useMemo(
    () => (score === null || beats > PAD_BEATS ? new Map<Arms, string>() : padFaults(score, kind)),
    [score, beats, kind],
  );
  if (score === null)
    return <Text className={classes.told}>Mend the score above, or empty it to play one.</Text>;
  if (beats > PAD_BEATS) return <Text className={classes.told}>A score this long is typed.</Text>;
  const press = (one: PadPress) => onChange(pressedText(score, one));
  const feet = padFeet(score);
  const last = expandBeats(score).at(-1);
  return (
    <div role="group" aria-label="Play the score" className={classes.pad}>
      <div className={classes.arms}>
        {SHAPES.map(({ name, sides }) => (
          <div key={name} className={classes.shape}>
            <span aria-hidden>{name}</span>
            <span className={classes.sides}>
              {sides.map((arms) => {
                const fault = faults.get(arms);
                return (
                  <Button
                    key={arms}
                    variant="default"
                    size="md"
                    px="sm"
                    aria-label={capital(armsWords(arms))}
                    title={fault ?? capital(armsWords(arms))}
                    disabled={fault !== undefined}
                    onClick={() => press({ kind, arms })}
                  >
                    {SIDE_NAMES[arms.charAt(1)] ?? "Press"}
                  </Button>
                );
              })}
            </span>
          </div>
        ))}
      </div>
      <Group gap="md">
        <Checkbox
          label="in the same jump"
          disabled={beats === 0}
          checked={isSameJump && beats > 0}
          onChange={({ currentTarget }) => setSameJump(currentTarget.checked)}
        />
        <SegmentedControl
          aria-label="The last jump lands on"
          disabled={feet === null}
          value={feet ?? "b"}
          data={FEET.map((value) => ({ value, label: FOOT_NAMES[value] }))}
          onChange={(foot) => press({ kind: "feet", landing: FEET.find((one) => one === foot) ?? "b" })}
        />
        <NativeSelect
          aria-label="What the body does in the last jump"
          disabled={feet === null}
          data={ADDED}
          value={last?.gestures.at(-1) ?? ""}
          onChange={({ currentTarget }) => {
            const chosen = GESTURES.find((one) => one === currentTarget.value) ?? last?.gestures.at(-1);
            if (chosen !== undefined) press({ kind: "gesture", gesture: chosen });
          }}
        />
        <Button variant="default" size="sm" disabled={feet === null} onClick={() => press({ kind: "stop" })}>
          {last?.turns.at(-1)?.caught === true ? "Rope goes on" : "Stop the rope"}
        </Button>
        <Button
          variant="default"
          size="sm"
          disabled={feet === null}
          onClick={() => press({ kind: "direction" })}
        >
          {score.direction === "forward" ? "Turn it backward" : "Turn it forward"}
        </Button>
        <Button
          variant="default"
          size="sm"
          disabled={feet === null}
          leftSection={<IconArrowBackUp size={18} aria-hidden />}
          onClick={() => press({ kind: "back" })}
        >
          Take the last back
        </Button>
      </Group>
    </div>
  );
}
