import { ROPE_KINDS, type RopeStock } from "@mirrup/core/planning";
import { ActionIcon, Button, Input, NativeSelect, Popover, Text } from "@mantine/core";
import { IconTrash } from "@tabler/icons-react";
import { NumberField } from "../app/number-field.js";
import { lengthIn, millimetresOf } from "../app/words.js";
import { useSettings } from "../students/index.js";
import { isPlain, manyRopes, ropesOf } from "./means.js";
import { ROPE_KIND_NAMES } from "./words.js";
import classes from "./means.module.css";

interface RopesFieldProps {
  readonly label: string;
  readonly stock: readonly RopeStock[] | null;
  readonly onChange: (stock: readonly RopeStock[] | null) => void;
}

const KINDS = [
  { value: "", label: "any kind" },
  ...ROPE_KINDS.map((value) => ({ value, label: ROPE_KIND_NAMES[value] })),
];

/** The hall's ropes: how many, or each kind and length of them. Empty where everybody has one. */
export function RopesField({ label, stock, onChange }: RopesFieldProps) {
  const isTold = !isPlain(stock);
  return (
    <div className={classes.field}>
      {isTold ? (
        <Input.Wrapper label={label} size="md">
          <Text className={classes.told}>{manyRopes(stock)}</Text>
        </Input.Wrapper>
      ) : (
        <NumberField
          mayBeEmpty
          size="md"
          w={116}
          label={label}
          min={0}
          max={200}
          placeholder="one each"
          value={manyRopes(stock)}
          onSay={(many) => onChange(ropesOf(many))}
        />
      )}
      <Popover trapFocus position="bottom-start" shadow="md" withinPortal>
        <Popover.Target>
          <Button variant="default" size="md" aria-label={`${label}: kinds and lengths`}>
            Which
          </Button>
        </Popover.Target>
        <Popover.Dropdown>
          <Stock stock={stock ?? []} onChange={onChange} />
        </Popover.Dropdown>
      </Popover>
    </div>
  );
}

interface StockProps {
  readonly stock: readonly RopeStock[];
  readonly onChange: RopesFieldProps["onChange"];
}

function Stock({ stock, onChange }: StockProps) {
  const { unit } = useSettings();
  const put = (place: number, changes: Partial<RopeStock>) =>
    onChange(stock.map((one, at) => (at === place ? { ...one, ...changes } : one)));
  return (
    <div className={classes.panel}>
      <h3>Ropes of the hall</h3>
      {stock.map(({ kind, lengthMm, many }, place) => (
        <div key={place} className={classes.row} role="group" aria-label={`Ropes, line ${place + 1}`}>
          <NumberField
            label="How many"
            size="md"
            w={92}
            min={0}
            max={500}
            value={many}
            onSay={(next) => put(place, { many: next })}
          />
          <NativeSelect
            label="Kind"
            size="md"
            data={KINDS}
            value={kind ?? ""}
            onChange={({ currentTarget: { value } }) =>
              put(place, { kind: ROPE_KINDS.find((one) => one === value) ?? null })
            }
          />
          <NumberField
            label={`Length, ${unit}`}
            size="md"
            w={110}
            hideControls
            placeholder="fits all"
            min={lengthIn(1000, unit)}
            max={lengthIn(5000, unit)}
            mayBeEmpty
            allowDecimal
            value={lengthMm === null ? null : lengthIn(lengthMm, unit)}
            onSay={(next) => put(place, { lengthMm: next === null ? null : millimetresOf(next, unit) })}
          />
          <ActionIcon
            variant="default"
            size="xl"
            aria-label={`Remove line ${place + 1}`}
            onClick={() => onChange(stock.length === 1 ? null : stock.filter((_, at) => at !== place))}
          >
            <IconTrash size={20} />
          </ActionIcon>
        </div>
      ))}
      <Button
        variant="default"
        size="md"
        onClick={() => onChange([...stock, { kind: null, lengthMm: null, many: 1 }])}
      >
        {stock.length === 0 ? "Tell the ropes apart" : "Another kind or length"}
      </Button>
      <Text className={classes.hint}>
        A longer rope is shortened by a knot. Who brings one of their own is marked where you mark who comes.
      </Text>
    </div>
  );
}
