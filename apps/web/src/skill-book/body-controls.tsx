import { multipleName, type TimingOptions } from "@mirrup/core";
import { NumberInput, Slider } from "@mantine/core";
import { useState } from "react";
import { usualHeight } from "../app/usual-height.js";
import { capital } from "../app/words.js";
import classes from "./body-controls.module.css";

/** How the jumper jumps: centimetres, milliseconds and millimetres, as the sliders show them. */
export interface BodySettings {
  /** Of the highest beat of the score; null for the usual one. */
  readonly heightCm: number | null;
  readonly contactMs: number;
  readonly clearanceMm: number;
}

export const DEFAULT_BODY: BodySettings = { heightCm: null, contactMs: 250, clearanceMm: 15 };

/** The timing's inputs: the height goes to the beats with most turns, the others keep theirs. */
export function timingOptions(
  { heightCm, contactMs, clearanceMm }: BodySettings,
  highest: number,
  turnRate: number,
): TimingOptions {
  const clearance = clearanceMm / 1000;
  // A pass needs the feet above the rope; what is too low for that is raised to the first centimetre that is not.
  const least = (metres: number) => Math.max(metres, (Math.floor(clearanceMm / 10) + 1) / 100);
  const heights = Object.fromEntries(
    Array.from({ length: highest + 1 }, (_, turns) => {
      const chosen = turns === highest && heightCm !== null ? heightCm / 100 : usualHeight(turns, turnRate);
      return [turns, turns === 0 ? chosen : least(chosen)];
    }),
  );
  return { height: heights, contact: contactMs / 1000, clearance };
}

interface ControlProps {
  readonly name: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

/** A slider and a number that refuses what is out of range, and says the range. */
function Control({ name, unit, min, max, value, onChange }: ControlProps) {
  // What is typed and refused; null while the number shown is the one in force.
  const [refused, setRefused] = useState<number | string | null>(null);
  const range = `${min} to ${max} ${unit}`;
  const type = (typed: number | string) => {
    const fits = typeof typed === "number" && typed >= min && typed <= max;
    setRefused(fits ? null : typed);
    if (fits) onChange(typed);
  };
  return (
    <div className={classes.control}>
      <NumberInput
        label={`${name} (${unit})`}
        error={refused === null ? undefined : `Give ${range}; ${value} ${unit} is used.`}
        clampBehavior="none"
        allowDecimal={false}
        value={refused ?? value}
        onChange={type}
        onBlur={() => setRefused(null)}
      />
      <Slider
        thumbLabel={name}
        min={min}
        max={max}
        step={1}
        value={value}
        label={(at) => `${at} ${unit}`}
        onChange={onChange}
      />
      <span className={classes.range}>{range}</span>
    </div>
  );
}

interface BodyControlsProps {
  readonly body: BodySettings;
  readonly highest: number;
  /** Turns a minute that the rope is jumped at, at the most. */
  readonly turnRate: number;
  readonly onChange: (body: BodySettings) => void;
}

/** Jump height, ground contact and clearance, which the windows and the turn rate follow. */
export function BodyControls({ body, highest, turnRate, onChange }: BodyControlsProps) {
  const { heightCm, contactMs, clearanceMm } = body;
  const least = Math.floor(clearanceMm / 10) + 1;
  const name = highest > 1 ? `${capital(multipleName(highest))}: jump height` : "Jump height";
  const height = Math.max(least, heightCm ?? Math.round(usualHeight(highest, turnRate) * 100));
  return (
    <div className={classes.controls}>
      <Control
        name={name}
        unit="cm"
        min={least}
        max={140}
        value={height}
        onChange={(value) => onChange({ ...body, heightCm: value })}
      />
      <Control
        name="Ground contact"
        unit="ms"
        min={80}
        max={600}
        value={contactMs}
        onChange={(value) => onChange({ ...body, contactMs: value })}
      />
      <Control
        name="Clearance"
        unit="mm"
        min={0}
        max={60}
        value={clearanceMm}
        onChange={(value) => onChange({ ...body, clearanceMm: value })}
      />
    </div>
  );
}
