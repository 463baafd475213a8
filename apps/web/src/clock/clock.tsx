import { CAUTIONS } from "@mirrup/catalogue";
import type { Hand } from "@mirrup/core";
import { useLocalStorage } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { combosQuery } from "../combos/index.js";
import { floorClasses, FloorHeader, Stopped, useStopped } from "../floor/index.js";
import { Asked } from "./asked-form.js";
import { FIRST_ASKED, stretchesOf, type ClockAsked } from "./asked.js";
import { clockCombos } from "./clock-combos.js";
import type { PoolMove } from "./pool.js";
import { Running } from "./running.js";
import { useClock } from "./use-clock.js";
import classes from "./clock.module.css";

interface ClockProps {
  readonly keptAs: string;
  readonly name: string;
  readonly back: string;
  readonly hasStopped: boolean;
  /** Null for a class. */
  readonly studentId: string | null;
  /** What may be called; undefined while it is being read. */
  readonly pool: readonly PoolMove[] | undefined;
  readonly dominant: Hand;
}

/** Work and rest by the clock: chosen, then run. */
export function Clock({ keptAs, name, back, hasStopped, studentId, pool, dominant }: ClockProps) {
  const [written, setAsked] = useLocalStorage<ClockAsked>({
    key: `mirrup-clock-asked ${keptAs}`,
    defaultValue: FIRST_ASKED,
    getInitialValueInEffect: false,
  });
  const asked = { ...FIRST_ASKED, ...written };
  const [seed, setSeed] = useState(1);
  const stopped = useStopped(studentId ?? "", hasStopped);
  const isStopped = studentId !== null && stopped.hasStopped;
  const clock = useClock(keptAs);
  const kept = useQuery(combosQuery).data;
  const combos = useMemo(() => clockCombos(kept ?? []), [kept]);
  if (clock.clock !== null && !isStopped)
    return <Running clock={clock} unit={asked.kind === "circuit" ? "line" : "round"} name={name} />;
  const { stretches, leftOut } = stretchesOf(asked, { pool: pool ?? [], combos, dominant, seed });
  return (
    <main className={floorClasses.floor}>
      <FloorHeader to={back} title="Interval clock" sub={name} />
      {isStopped ? (
        <Stopped name={name} isSent={hasStopped} onTakeBack={() => stopped.press(false)} />
      ) : (
        <>
          <Asked
            asked={asked}
            pool={pool}
            combos={kept === undefined ? undefined : combos}
            onAsk={setAsked}
            stretches={stretches}
            leftOut={leftOut.map((move) => move.name)}
            onOther={() => setSeed(seed + 1)}
          />
          <p className={floorClasses.caution}>
            <strong>Care</strong> {CAUTIONS["warm-up"]} {CAUTIONS.surface}
          </p>
          <div className={floorClasses.spacer} />
          <div className={classes.start}>
            <button
              type="button"
              className={floorClasses.clean}
              disabled={stretches.length === 0}
              onClick={() => clock.begin(stretches)}
            >
              Start the clock
            </button>
          </div>
        </>
      )}
    </main>
  );
}
