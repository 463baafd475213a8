import { Group } from "@mantine/core";
import { NumberField } from "../app/number-field.js";
import { AtHand } from "../app/at-hand.js";
import { FloorField } from "./floor-field.js";
import { HelpersField } from "./helpers-field.js";
import { PairsField, type Named } from "./pairs-field.js";
import { RopesField } from "./ropes-field.js";
import { withNumbers, type Asked } from "./asked.js";
import classes from "./plan-page.module.css";

interface CountProps {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly step?: number;
  readonly onChange: (value: number) => void;
}

function Count({ label, value, most, step = 1, onChange }: CountProps) {
  return (
    <NumberField
      label={label}
      size="md"
      w={104}
      min={0}
      max={most}
      step={step}
      afterPause
      value={value}
      onSay={onChange}
    />
  );
}

interface PlanControlsProps {
  readonly asked: Asked;
  /** Everybody of the lesson. */
  readonly students: readonly Named[];
  readonly onAsk: (asked: Asked) => void;
}

/** What there is: minutes, stations, people, floor, and what is at hand. */
export function PlanControls({ asked, students, onAsk }: PlanControlsProps) {
  const { minutes, stations, coaches, helpers, ropes, floor, missing } = asked;
  const change = (changes: Parameters<typeof withNumbers>[1]) => onAsk(withNumbers(asked, changes));
  return (
    <div className={classes.controls}>
      <Group align="end" gap="sm">
        <Count
          label="Minutes"
          most={240}
          step={5}
          value={minutes}
          onChange={(value) => change({ minutes: value })}
        />
        <Count
          label="Stations"
          most={12}
          value={stations}
          onChange={(value) => change({ stations: value })}
        />
        <Count label="Coaches" most={12} value={coaches} onChange={(value) => change({ coaches: value })} />
        <HelpersField helpers={helpers} onChange={(value) => change({ helpers: value })} />
        <RopesField label="Ropes" stock={ropes ?? null} onChange={(value) => change({ ropes: value })} />
        <FloorField floor={floor ?? null} onChange={(value) => change({ floor: value })} />
        <PairsField students={students} />
      </Group>
      <AtHand missing={missing} onChange={(next) => onAsk({ ...asked, missing: next })} />
    </div>
  );
}
