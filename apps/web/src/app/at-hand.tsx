import { PRECAUTIONS, type Precaution } from "@mirrup/core/planning";
import { Checkbox, Text } from "@mantine/core";
import classes from "./at-hand.module.css";
import { PRECAUTION_NAMES } from "./words.js";

interface AtHandProps {
  readonly missing: readonly Precaution[];
  readonly onChange: (missing: readonly Precaution[]) => void;
}

/** What is at hand today: without it, the skills whose cautions ask for it are not planned. */
export function AtHand({ missing, onChange }: AtHandProps) {
  const set = (one: Precaution, isThere: boolean) => {
    const others = missing.filter((each) => each !== one);
    onChange(isThere ? others : [...others, one]);
  };
  return (
    <fieldset className={classes.atHand}>
      <legend>At hand today</legend>
      {PRECAUTIONS.map((one) => (
        <Checkbox
          key={one}
          label={PRECAUTION_NAMES[one]}
          checked={!missing.includes(one)}
          onChange={(event) => set(one, event.currentTarget.checked)}
        />
      ))}
      <Text className={classes.hint}>What is not at hand keeps out the skills that ask for it.</Text>
    </fieldset>
  );
}
