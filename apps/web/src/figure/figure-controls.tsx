import { sideScore } from "@mirrup/core";
import type { ViewName } from "@mirrup/core/figure";
import { ActionIcon, Checkbox, Group, SegmentedControl, Select, Text } from "@mantine/core";
import {
  IconPlayerPauseFilled,
  IconPlayerPlayFilled,
  IconRotate,
  IconRotateClockwise,
} from "@tabler/icons-react";
import { memo } from "react";
import { ofCatalogue } from "../app/catalogue.js";
import { byAnyName, skillOptions } from "../app/skill-options.js";
import { VIEW_NAMES, VIEW_SHOWS } from "./moment-words.js";
import type { Turned } from "./use-turned.js";

export const NOBODY = "nobody";
export const MIRROR = "mirror";
const EIGHTH = Math.PI / 8;

/** Whom one can stand beside it: the other side, or a skill by any of its names. */
const others = ofCatalogue(({ skills }) => [
  { value: NOBODY, label: "nobody" },
  { value: MIRROR, label: "the other side" },
  ...skillOptions().filter(({ value }) => {
    const skill = skills.get(value);
    return skill !== undefined && sideScore(skill, "right") !== null;
  }),
]);

const VIEWS = Object.entries(VIEW_NAMES).map(([value, label]) => ({ value, label }));

interface FigureControlsProps {
  readonly playing: boolean;
  readonly onToggle: () => void;
  readonly named: ViewName | null;
  readonly look: Turned["look"];
  readonly turn: Turned["turn"];
  readonly beside: string;
  readonly onBeside: (beside: string) => void;
  readonly around: boolean;
  readonly onAround: (around: boolean) => void;
}

/** What plays and turns the figure. It is drawn anew only where something of it changes, and not at every frame. */
export const FigureControls = memo(function FigureControls(props: FigureControlsProps) {
  const { playing, onToggle, named, look, turn, beside, onBeside, around, onAround } = props;
  return (
    <>
      <SegmentedControl
        aria-label="Seen from"
        size="sm"
        fullWidth
        value={named ?? ""}
        onChange={(value) => look(value as ViewName)}
        data={VIEWS}
      />
      <Group gap="xs" wrap="nowrap">
        <ActionIcon
          size={44}
          variant="default"
          aria-label={playing ? "Pause the figure" : "Play the figure"}
          onClick={onToggle}
        >
          {playing ? (
            <IconPlayerPauseFilled size={18} aria-hidden />
          ) : (
            <IconPlayerPlayFilled size={18} aria-hidden />
          )}
        </ActionIcon>
        <ActionIcon
          size={44}
          variant="default"
          aria-label="Turn to the left"
          onClick={() => turn(-EIGHTH, 0)}
        >
          <IconRotate size={20} aria-hidden />
        </ActionIcon>
        <ActionIcon
          size={44}
          variant="default"
          aria-label="Turn to the right"
          onClick={() => turn(EIGHTH, 0)}
        >
          <IconRotateClockwise size={20} aria-hidden />
        </ActionIcon>
      </Group>
      <Text size="sm">{named === null ? "Drag the picture to turn it." : `Shows ${VIEW_SHOWS[named]}.`}</Text>
      <Select
        label="Beside it"
        data={others()}
        value={beside}
        searchable
        filter={byAnyName}
        limit={40}
        allowDeselect={false}
        nothingFoundMessage="No skill is called that."
        onChange={(value) => onBeside(value ?? NOBODY)}
      />
      <Checkbox
        label="Where the hands, the rope and the feet come next"
        checked={around}
        onChange={(event) => onAround(event.currentTarget.checked)}
      />
    </>
  );
});
