import type { JumpMeasure, SetView } from "@mirrup/contract";
import { CONTACTS, jumpOf, type MeasuredJump } from "@mirrup/core/figure";
import { Button, Group, Input, NumberInput, SegmentedControl, Text, Title } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useState } from "react";
import { v7 as uuid } from "uuid";
import { beatName, heightWords, JUMP_WAY_NAMES } from "../app/jump-words.js";
import { dateTimeWords, type LengthUnit } from "../app/words.js";
import classes from "./timing.module.css";
import { unreadWords } from "./timing-words.js";
import { useLandings } from "./use-landings.js";

const FLOORS = [
  { value: String(CONTACTS.usual), label: "usual" },
  { value: String(CONTACTS.springy), label: "springy" },
];
const TURNS = [1, 2, 3, 4].map((turns) => ({ value: String(turns), label: beatName(turns) }));
const ENOUGH = 11;

interface MeasureJumpProps {
  /** Whose jump is measured; null for nobody in particular, of whom nothing is kept. */
  readonly name: string | null;
  /** Whether whoever is signed in may write on the record. */
  readonly mayKeep: boolean;
  readonly jumps: readonly JumpMeasure[];
  /** The highest jump of the score: what is most likely measured. */
  readonly highest: number;
  /** Sets of theirs that were tapped, each try one jump; the newest first. */
  readonly tapped: readonly SetView[];
  readonly unit: LengthUnit;
  readonly onKeep: (jump: JumpMeasure) => void;
  readonly onRemove: (jump: JumpMeasure) => void;
}

/** A jump's height without any device: ten rebounds, each landing tapped (drills.md, Body and rope). */
export function MeasureJump(props: MeasureJumpProps) {
  const { name, mayKeep, jumps, highest, tapped, unit, onKeep, onRemove } = props;
  const isKept = name !== null && mayKeep;
  const { taps, tap, clear } = useLandings();
  const [turns, setTurns] = useState(String(Math.min(4, Math.max(1, highest))));
  const [floor, setFloor] = useState(String(CONTACTS.usual));
  const [typed, setTyped] = useState<number | string>("");
  const contact = Number(floor);
  const read = jumpOf(taps, contact);
  useHotkeys([["L", (event) => !event.repeat && tap(event.timeStamp)]]);
  const keep = (
    way: JumpMeasure["way"],
    jump: Pick<MeasuredJump, "height" | "contact"> & { readonly landings: number | null },
  ) => {
    onKeep({
      ...{ id: uuid(), turns: Number(turns), way, landings: jump.landings },
      heightMm: Math.max(5, Math.round(1000 * jump.height)),
      contactMs: Math.round(1000 * jump.contact),
      measuredAt: new Date().toISOString(),
    });
    clear();
  };
  const metres = typeof typed === "number" ? (unit === "cm" ? typed / 100 : typed * 0.0254) : null;
  return (
    <section className={classes.panel} aria-label="Measure a jump">
      <Title order={2}>{name === null ? "Measure a jump" : `How high ${name} jumps`}</Title>
      <Text size="sm">
        Ten rebounds in a row, each as high as in the trick. Tap at every landing, or press L.
      </Text>
      <Group gap="md" my="sm">
        <Input.Wrapper label="As high as in a">
          <SegmentedControl
            display="flex"
            aria-label="As high as in a"
            data={TURNS}
            value={turns}
            onChange={setTurns}
          />
        </Input.Wrapper>
        <Input.Wrapper label="Time on the floor">
          <SegmentedControl
            display="flex"
            aria-label="Time on the floor"
            data={FLOORS}
            value={floor}
            onChange={setFloor}
          />
        </Input.Wrapper>
      </Group>
      <button
        type="button"
        className={classes.tap}
        onPointerDown={(event) => tap(event.timeStamp)}
        onKeyDown={(event) => {
          const isPress = event.key === " " || event.key === "Enter";
          if (isPress) event.preventDefault();
          if (isPress && !event.repeat) tap(event.timeStamp);
        }}
      >
        Landing <kbd>L</kbd>
        <span aria-hidden>{taps.length}</span>
      </button>
      <div role="status" className={classes.reading}>
        {read.ok ? (
          <>
            <Text fw={700} size="lg">
              {heightWords(read.jump.height, unit)}
            </Text>
            <Text size="sm">
              Between {heightWords(read.jump.least, unit)} and {heightWords(read.jump.most, unit)}, by how
              long the feet stay down; {Math.round(1000 * read.jump.airtime)} ms in the air, from{" "}
              {read.jump.landings} landings
              {taps.length < ENOUGH && "; eleven are better"}.
            </Text>
          </>
        ) : (
          <Text size="sm">{unreadWords(read.why, taps.length)}</Text>
        )}
      </div>
      <Group gap="sm">
        {isKept && (
          <Button disabled={!read.ok} onClick={() => read.ok && keep("taps", read.jump)}>
            Keep it on the record
          </Button>
        )}
        <Button variant="default" disabled={taps.length === 0} onClick={clear}>
          Begin anew
        </Button>
      </Group>
      {isKept && (
        <Group gap="sm" align="end" mt="sm">
          <NumberInput
            label={`Or as it is known (${unit})`}
            w={170}
            min={unit === "cm" ? 1 : 0.5}
            max={unit === "cm" ? 100 : 39}
            value={typed}
            onChange={setTyped}
          />
          <Button
            variant="default"
            disabled={metres === null || metres < 0.005 || metres > 1}
            onClick={() => {
              if (metres !== null) keep("typed", { height: metres, contact, landings: null });
              setTyped("");
            }}
          >
            Keep this height
          </Button>
        </Group>
      )}
      <FromSets
        tapped={tapped}
        contact={contact}
        unit={unit}
        onKeep={isKept ? (jump) => keep("ticks", jump) : null}
      />
      {jumps.length > 0 && (
        <>
          <Title order={3} mt="md">
            Measured
          </Title>
          <ul className={classes.measured}>
            {jumps.slice(0, 8).map((jump) => (
              <li key={jump.id}>
                <span>
                  <strong>{heightWords(jump.heightMm / 1000, unit)}</strong> in a {beatName(jump.turns)},{" "}
                  {dateTimeWords(jump.measuredAt)}, {JUMP_WAY_NAMES[jump.way]}
                </span>
                {isKept && (
                  <Button variant="subtle" size="compact-sm" onClick={() => onRemove(jump)}>
                    Remove
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

interface FromSetsProps {
  readonly tapped: readonly SetView[];
  readonly contact: number;
  readonly unit: LengthUnit;
  readonly onKeep: ((jump: MeasuredJump) => void) | null;
}

/** The same from sets that were tapped as they were counted: each try is a landing. */
function FromSets({ tapped, contact, unit, onKeep }: FromSetsProps) {
  const read = tapped.flatMap((set) => {
    const reading = jumpOf(set.ticks ?? [], contact);
    return reading.ok ? [{ set, jump: reading.jump }] : [];
  });
  if (read.length === 0) return null;
  return (
    <>
      <Title order={3} mt="md">
        From tapped sets
      </Title>
      <ul className={classes.measured}>
        {read.slice(0, 3).map(({ set, jump }) => (
          <li key={set.id}>
            <span>
              {dateTimeWords(set.at)}: {heightWords(jump.height, unit)} ({heightWords(jump.least, unit)} to{" "}
              {heightWords(jump.most, unit)})
            </span>
            {onKeep !== null && (
              <Button variant="subtle" size="compact-sm" onClick={() => onKeep(jump)}>
                Keep
              </Button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
