import { cleanSinceMiss, correctionTo } from "@mirrup/core/teaching";
import { useState } from "react";
import classes from "./corrections.module.css";
import type { FloorRun } from "./use-run.js";

const STEPS = [-5, -1, 1, 5] as const;
const LONGEST = 4;

/** Puts a count right: by one or five either way, or to a typed number in a row. */
export function Corrections({ floor }: { readonly floor: FloorRun }) {
  const [typed, setTyped] = useState("");
  const inRow = cleanSinceMiss(floor.run.tries);
  const step = (by: number) =>
    floor.enter(by > 0 ? { kind: "clean", times: by } : { kind: "less", times: -by });
  return (
    <div className={classes.corrections} role="group" aria-label="Put the count right">
      {STEPS.map((by) => (
        <button
          key={by}
          type="button"
          className={classes.step}
          disabled={floor.sensing || (by < 0 && inRow === 0)}
          onClick={() => step(by)}
        >
          {by < 0 ? `−${-by}` : `+${by}`}
        </button>
      ))}
      <form
        className={classes.typed}
        onSubmit={(event) => {
          event.preventDefault();
          const correction = typed === "" ? null : correctionTo(Number(typed), floor.run.tries);
          if (correction?.kind === "clean" || correction?.kind === "less") floor.enter(correction);
          setTyped("");
          // The keys belong to the counting again.
          if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
        }}
      >
        <input
          className={classes.number}
          inputMode="numeric"
          aria-label="In a row, typed"
          placeholder="in a row"
          disabled={floor.sensing}
          value={typed}
          onChange={(event) => setTyped(event.currentTarget.value.replace(/\D/g, "").slice(0, LONGEST))}
        />
        <button type="submit" className={classes.step} disabled={typed === ""}>
          Set
        </button>
      </form>
    </div>
  );
}
