import { DRILLS } from "@mirrup/catalogue";
import { HAND_KINDS, HAND_LADDER_LIMITS, NO_PART, type HandDrill } from "@mirrup/core";
import { ActionIcon, Button, Group, NativeSelect, Text, TextInput } from "@mantine/core";
import { IconArrowDown, IconArrowUp, IconX } from "@tabler/icons-react";
import { NumberField } from "../app/number-field.js";
import { capital } from "../app/words.js";
import classes from "./own-skill.module.css";

const KIND_OPTIONS = HAND_KINDS.map((value) => ({ value, label: capital(DRILLS[value].name) }));
/** What is held is held by the clock, and what is watched is watched. */
const UNCOUNTED: ReadonlySet<HandDrill["kind"]> = new Set(["hold", "tempo-shadow"]);

interface HandLadderFieldProps {
  readonly value: readonly HandDrill[];
  readonly onChange: (value: readonly HandDrill[]) => void;
}

/** The drills moved so that one stands a place further up or down. */
export function withMoved(drills: readonly HandDrill[], place: number, by: -1 | 1): readonly HandDrill[] {
  const one = drills[place];
  const to = place + by;
  if (one === undefined || to < 0 || to >= drills.length) return drills;
  return drills.toSpliced(place, 1).toSpliced(to, 0, one);
}

/** A drill with something of it said otherwise, and nothing said of it that its kind has not. */
function changed(drill: HandDrill, { kind, count, part }: Partial<HandDrill>): HandDrill {
  const now = { kind: kind ?? drill.kind, count: count ?? drill.count, part: part ?? drill.part };
  return {
    kind: now.kind,
    ...(now.count === undefined || UNCOUNTED.has(now.kind) ? {} : { count: now.count }),
    ...(now.part === undefined || now.part === "" || now.kind !== "apart" ? {} : { part: now.part }),
  };
}

/** The drills of a trick without a score, in the order in which they are done; its kind's where none is named. */
export function HandLadderField({ value, onChange }: HandLadderFieldProps) {
  const put = (place: number, change: Partial<HandDrill>) =>
    onChange(value.map((one, at) => (at === place ? changed(one, change) : one)));
  return (
    <fieldset className={classes.ladder}>
      <legend>Drills that lead to it</legend>
      <Text className={classes.quiet}>
        {value.length === 0
          ? "Those of its kind. Add drills to have its own; the gate comes at their end."
          : "In this order. The gate comes at their end, or where “in a row” stands without a number."}
      </Text>
      <ol>
        {value.map((drill, place) => {
          const name = `drill ${String(place + 1)}`;
          return (
            <li key={place}>
              <Group gap="xs" align="end">
                <NativeSelect
                  aria-label={capital(name)}
                  size="md"
                  data={KIND_OPTIONS}
                  value={drill.kind}
                  onChange={({ currentTarget }) => {
                    const kind = HAND_KINDS.find((one) => one === currentTarget.value);
                    if (kind !== undefined) put(place, { kind });
                  }}
                />
                {!UNCOUNTED.has(drill.kind) && (
                  <NumberField
                    aria-label={`How many in ${name}`}
                    placeholder="as usual"
                    size="md"
                    w={110}
                    min={1}
                    max={HAND_LADDER_LIMITS.count}
                    mayBeEmpty
                    value={drill.count ?? null}
                    onSay={(count) => {
                      const { count: _was, ...rest } = drill;
                      const next = count === null ? rest : changed(rest, { count });
                      onChange(value.map((one, at) => (at === place ? next : one)));
                    }}
                  />
                )}
                {drill.kind === "apart" && (
                  <TextInput
                    aria-label={`Which part in ${name}`}
                    placeholder="which part"
                    size="md"
                    maxLength={HAND_LADDER_LIMITS.part}
                    value={drill.part ?? ""}
                    onChange={({ currentTarget }) => {
                      const { part: _was, ...rest } = drill;
                      const part = currentTarget.value.replaceAll(new RegExp(NO_PART, "g"), "");
                      onChange(value.map((one, at) => (at === place ? changed(rest, { part }) : one)));
                    }}
                  />
                )}
                <ActionIcon
                  variant="default"
                  size={42}
                  aria-label={`Move ${name} up`}
                  disabled={place === 0}
                  onClick={() => onChange(withMoved(value, place, -1))}
                >
                  <IconArrowUp size={18} aria-hidden />
                </ActionIcon>
                <ActionIcon
                  variant="default"
                  size={42}
                  aria-label={`Move ${name} down`}
                  disabled={place === value.length - 1}
                  onClick={() => onChange(withMoved(value, place, 1))}
                >
                  <IconArrowDown size={18} aria-hidden />
                </ActionIcon>
                <ActionIcon
                  variant="subtle"
                  size={42}
                  aria-label={`Remove ${name}`}
                  onClick={() => onChange(value.toSpliced(place, 1))}
                >
                  <IconX size={18} aria-hidden />
                </ActionIcon>
              </Group>
            </li>
          );
        })}
      </ol>
      <Button
        className={classes.add}
        variant="default"
        size="sm"
        disabled={value.length >= HAND_LADDER_LIMITS.drills}
        onClick={() => {
          const next = HAND_KINDS.find((kind) => value.every((one) => one.kind !== kind)) ?? "streak";
          onChange([...value, { kind: next }]);
        }}
      >
        Add a drill
      </Button>
    </fieldset>
  );
}
