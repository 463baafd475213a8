import type { Gate } from "@mirrup/core";
import { Group, NativeSelect } from "@mantine/core";
import { NumberField } from "./number-field.js";

const GATE_KINDS: readonly Gate["kind"][] = ["streak", "hold", "clean", "count"];
const GATE_WORDS: Readonly<Record<Gate["kind"], string>> = {
  streak: "in a row",
  hold: "seconds held",
  clean: "clean of",
  count: "in seconds",
};

/** Numbers of a gate's kind: the first, and the second where it has one. */
function gateOfNumbers(kind: Gate["kind"], first: number, second: number): Gate {
  switch (kind) {
    case "streak":
      return { kind, count: first };
    case "hold":
      return { kind, seconds: first };
    case "clean":
      return { kind, clean: Math.min(first, second), of: second };
    case "count":
      return { kind, count: first, seconds: second };
  }
}

function numbersOf(gate: Gate): readonly [number, number] {
  switch (gate.kind) {
    case "streak":
      return [gate.count, 10];
    case "hold":
      return [gate.seconds, 10];
    case "clean":
      return [gate.clean, gate.of];
    case "count":
      return [gate.count, gate.seconds];
  }
}

interface GateFieldProps {
  readonly label?: string;
  /** Whether what stands around it says already what it is. */
  readonly isBare?: boolean;
  readonly value: Gate;
  readonly onChange: (gate: Gate) => void;
}

/** What clears a side: its kind, and one number or two. */
export function GateField({ label = "Gate", isBare = false, value, onChange }: GateFieldProps) {
  const { kind } = value;
  const [first, second] = numbersOf(value);
  return (
    <Group gap={6} align="flex-end" wrap="nowrap">
      <NumberField
        {...(isBare ? { "aria-label": label } : { label })}
        min={1}
        max={9999}
        w={80}
        hideControls
        value={first}
        onSay={(number) => onChange(gateOfNumbers(kind, number, second))}
      />
      <NativeSelect
        aria-label={`Kind of ${label.toLowerCase()}`}
        data={GATE_KINDS.map((one) => ({ value: one, label: GATE_WORDS[one] }))}
        value={kind}
        onChange={({ currentTarget }) =>
          onChange(
            gateOfNumbers(GATE_KINDS.find((one) => one === currentTarget.value) ?? "streak", first, second),
          )
        }
      />
      {(kind === "clean" || kind === "count") && (
        <NumberField
          aria-label={kind === "clean" ? "Tries" : "Seconds"}
          min={1}
          max={9999}
          w={70}
          hideControls
          value={second}
          onSay={(number) => onChange(gateOfNumbers(kind, first, number))}
        />
      )}
    </Group>
  );
}
