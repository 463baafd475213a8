import { FAMILIES } from "@mirrup/core";
import type { Helper } from "@mirrup/core/planning";
import { Button, Checkbox, Popover, Text } from "@mantine/core";
import { NumberField } from "../app/number-field.js";
import { FAMILY_NAMES } from "../app/words.js";
import { helpersOf } from "./means.js";
import classes from "./means.module.css";

interface HelpersFieldProps {
  readonly helpers: readonly Helper[];
  readonly onChange: (helpers: readonly Helper[]) => void;
}

/** How many help, and what each may look at where it asks for a coach. */
export function HelpersField({ helpers, onChange }: HelpersFieldProps) {
  const set = (number: number, family: Helper["mayLead"][number], isIn: boolean) =>
    onChange(
      helpers.map((helper, at) =>
        at === number
          ? { mayLead: FAMILIES.filter((one) => (one === family ? isIn : helper.mayLead.includes(one))) }
          : helper,
      ),
    );
  return (
    <div className={classes.field}>
      <NumberField
        label="Helpers"
        size="md"
        w={104}
        min={0}
        max={12}
        afterPause
        value={helpers.length}
        onSay={(next) => onChange(helpersOf(next, helpers))}
      />
      {helpers.length > 0 && (
        <Popover trapFocus position="bottom-start" shadow="md" withinPortal>
          <Popover.Target>
            <Button variant="default" size="md" aria-label="What helpers may look at">
              Look at
            </Button>
          </Popover.Target>
          <Popover.Dropdown>
            <div className={classes.panel}>
              <h3>What helpers may look at</h3>
              <Text className={classes.hint}>
                Everybody looks at what is new. Where a drill asks for a coach, a helper may stand in for one
                only at what you tick: what you have shown them, and the venue’s rules allow.
              </Text>
              {helpers.map(({ mayLead }, number) => (
                <fieldset key={number} className={classes.families}>
                  <legend>Helper {number + 1}</legend>
                  {FAMILIES.map((family) => (
                    <Checkbox
                      key={family}
                      label={FAMILY_NAMES[family]}
                      checked={mayLead.includes(family)}
                      onChange={(event) => set(number, family, event.currentTarget.checked)}
                    />
                  ))}
                </fieldset>
              ))}
            </div>
          </Popover.Dropdown>
        </Popover>
      )}
    </div>
  );
}
