import { useState } from "react";
import { handFault, type HandCounts } from "../app/floor-run.js";
import floor from "./floor.module.css";
import classes from "./hand-form.module.css";

const LONGEST = 4;

const FIELDS: readonly (readonly [keyof HandCounts, string])[] = [
  ["clean", "Clean in all"],
  ["missed", "Missed"],
  ["best", "Most in a row"],
];

interface HandFormProps {
  readonly onFinish: (counts: HandCounts) => void;
}

/** A set that was counted elsewhere: three numbers, checked against one another before they are taken. */
export function HandForm({ onFinish }: HandFormProps) {
  const [typed, setTyped] = useState<Readonly<Record<keyof HandCounts, string>>>({
    clean: "",
    missed: "",
    best: "",
  });
  const [said, setSaid] = useState<string | null>(null);
  const number = (field: keyof HandCounts) => Number(typed[field]);
  const counts: HandCounts = {
    clean: number("clean"),
    missed: number("missed"),
    // Without a miss all of them were in a row.
    best: typed.best === "" && number("missed") === 0 ? number("clean") : number("best"),
  };
  return (
    <form
      className={classes.form}
      aria-label="The set in numbers"
      onSubmit={(event) => {
        event.preventDefault();
        const fault = handFault(counts);
        setSaid(fault);
        if (fault === null) onFinish(counts);
      }}
    >
      <div className={classes.fields}>
        {FIELDS.map(([field, label]) => (
          <label key={field} className={classes.field}>
            {label}
            <input
              inputMode="numeric"
              value={typed[field]}
              onChange={(event) => {
                const digits = event.currentTarget.value.replace(/\D/g, "").slice(0, LONGEST);
                setTyped({ ...typed, [field]: digits });
              }}
            />
          </label>
        ))}
      </div>
      {said !== null && (
        <p role="alert" className={floor.note}>
          {said}
        </p>
      )}
      <button type="submit" className={floor.clean}>
        Count the set
      </button>
    </form>
  );
}
