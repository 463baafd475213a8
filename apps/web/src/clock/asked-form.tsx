import { INTERVALS } from "@mirrup/catalogue";
import { clockSeconds, type Stretch } from "@mirrup/core/teaching";
import { Button, MultiSelect, NativeSelect, SegmentedControl, TextInput } from "@mantine/core";
import { NumberField } from "../app/number-field.js";
import { counted, pluralOf } from "../app/plural.js";
import { leftWords } from "../app/left-words.js";
import { listWords } from "../app/words.js";
import { floorClasses } from "../floor/index.js";
import {
  BOUNDS,
  CLOCK_KINDS,
  type ClockAsked,
  type ClockKind,
  type ClockNumber,
  withInterval,
} from "./asked.js";
import classes from "./clock.module.css";
import type { ClockCombo, PoolMove } from "./pool.js";

const KIND_NAMES: Readonly<Record<ClockKind, string>> = {
  rounds: "Work and rest",
  circuit: "Growing circuit",
  mix: "Mix, called out",
  combo: "A combo",
};

const FIELDS: Readonly<Record<ClockKind, readonly (readonly [ClockNumber, string, string])[]>> = {
  rounds: [
    ["rounds", "Rounds", ""],
    ["work", "Work", " s"],
    ["rest", "Rest", " s"],
    ["sets", "Sets of these", ""],
    ["setRest", "Rest between sets", " s"],
  ],
  circuit: [
    ["lineSets", "Each line", " times"],
    ["recover", "Rest after it", " counts"],
    ["tempo", "Tempo", " a minute"],
  ],
  mix: [
    ["minutes", "How long", " min"],
    ["every", "A call every", " counts"],
    ["tempo", "Tempo", " a minute"],
  ],
  combo: [
    ["rounds", "How often", " times"],
    ["rest", "Rest between", " s"],
    ["tempo", "Tempo", " a minute"],
  ],
};

const MANNERS: Readonly<Record<ClockKind, string>> = {
  rounds: "Work for a set time, then rest for a set time. A tone and a colour mark each change.",
  circuit:
    "Begins with four bounces; each line holds the one before and one part more. Press “Once more” where a bounce was dropped.",
  mix: "What is cleared, in a random order, legal at every join.",
  combo: "One combo, part by part, with a click at each turn of the rope.",
};

interface AskedProps {
  readonly asked: ClockAsked;
  readonly pool: readonly PoolMove[] | undefined;
  /** The kept combos; undefined while they are being read. */
  readonly combos: readonly ClockCombo[] | undefined;
  readonly onAsk: (asked: ClockAsked) => void;
  readonly stretches: readonly Stretch[];
  readonly leftOut: readonly string[];
  /** Another order of the mix. */
  readonly onOther: () => void;
}

/** What the clock is to be, and how long that comes to. */
export function Asked({ asked, pool, combos, onAsk, stretches, leftOut, onOther }: AskedProps) {
  const { kind } = asked;
  return (
    <div className={classes.asked}>
      <SegmentedControl
        aria-label="What kind"
        withItemsBorders={false}
        size="lg"
        value={kind}
        data={CLOCK_KINDS.map((value) => ({ value, label: KIND_NAMES[value] }))}
        onChange={(value) => onAsk({ ...asked, kind: CLOCK_KINDS.find((one) => one === value) ?? "rounds" })}
        classNames={{ root: classes.kinds, label: classes.kind, indicator: classes.chosen }}
      />
      <p className={floorClasses.note}>{MANNERS[kind]}</p>
      {kind === "rounds" && (
        <div className={classes.presets} role="group" aria-label="Ready-made">
          {INTERVALS.map((preset) => (
            <Button
              key={preset.name}
              variant="default"
              size="md"
              className={classes.preset}
              onClick={() => onAsk(withInterval(asked, preset))}
            >
              {preset.name}
            </Button>
          ))}
        </div>
      )}
      <div className={classes.fields}>
        {FIELDS[kind].map(([field, label, suffix]) => (
          <NumberField
            key={field}
            label={label}
            size="md"
            value={asked[field]}
            min={BOUNDS[field][0]}
            max={BOUNDS[field][1]}
            suffix={suffix}
            onSay={(value) => onAsk({ ...asked, [field]: value })}
            classNames={{ input: classes.input, control: classes.control }}
          />
        ))}
        {kind === "rounds" && (
          <TextInput
            label="What is done"
            size="md"
            value={asked.what}
            maxLength={60}
            placeholder="skier, steps, whatever comes"
            onChange={(event) => onAsk({ ...asked, what: event.currentTarget.value })}
            classNames={{ input: classes.input }}
          />
        )}
      </div>
      {kind === "circuit" && (
        <MultiSelect
          label="Parts after the bounces, in their order"
          size="md"
          searchable
          maxValues={6}
          value={asked.parts.filter((key) => pool?.some((move) => move.key === key) ?? false)}
          data={(pool ?? []).map(({ key, name }) => ({ value: key, label: name }))}
          nothingFoundMessage="Nothing of that name is cleared."
          placeholder={pool === undefined ? "Reading what is cleared …" : "Add a part"}
          onChange={(parts) => onAsk({ ...asked, parts })}
          classNames={{ input: classes.input, pill: classes.pill }}
        />
      )}
      {kind === "combo" &&
        (combos?.length === 0 ? (
          <p className={floorClasses.note}>No combo is saved yet. Build one on the bench, and save it.</p>
        ) : (
          <NativeSelect
            label="Which combo"
            size="md"
            value={asked.combo}
            disabled={combos === undefined}
            data={(combos ?? []).map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(event) => onAsk({ ...asked, combo: event.currentTarget.value })}
            classNames={{ input: classes.input }}
          />
        ))}
      {kind === "mix" && (
        <p className={floorClasses.note}>
          {pool === undefined
            ? "Reading what is cleared …"
            : pool.length === 0
              ? "Nothing is cleared yet that could be called. Choose work and rest."
              : `Of ${counted(pool.length, "side")} that ${pluralOf(pool.length, "is", "are")} cleared. `}
          {leftOut.length > 0 &&
            `Not among them, since they cannot be repeated: ${listWords(leftOut.slice(0, 5))}. `}
          {stretches.length > 0 && (
            <button type="button" className={floorClasses.inline} onClick={onOther}>
              Another order
            </button>
          )}
        </p>
      )}
      {stretches.length > 0 && (
        <p className={classes.sum}>
          {leftWords(Math.round(clockSeconds(stretches)))} in all
          {kind === "circuit" && `, ${asked.parts.length + 1} lines`}
        </p>
      )}
      {kind === "circuit" && stretches.length === 0 && (
        <p className={floorClasses.note}>Add a part: a circuit needs one to grow.</p>
      )}
    </div>
  );
}
