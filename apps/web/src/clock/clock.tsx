import type { Jumping } from "@mirrup/core/combos";
import { useLocalStorage } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { combosQuery } from "../combos/index.js";
import { useStopped } from "../floor/index.js";
import { Asked } from "./asked-form.js";
import { FIRST_ASKED, stretchesOf, type ClockAsked } from "./asked.js";
import { ClockStart } from "./clock-start.js";
import { clockCombos } from "./clock-combos.js";
import type { PoolMove } from "./pool.js";
import { Running } from "./running.js";
import { useClock } from "./use-clock.js";

interface ClockProps {
  readonly keptAs: string;
  readonly name: string;
  readonly back: string;
  readonly hasStopped: boolean;
  /** Null for a class. */
  readonly studentId: string | null;
  /** What may be called; undefined while it is being read. */
  readonly pool: readonly PoolMove[] | undefined;
  readonly jumper: Omit<Jumping, "tempo">;
}

/** Work and rest by the clock: chosen, then run. */
export function Clock({ keptAs, name, back, hasStopped, studentId, pool, jumper }: ClockProps) {
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
    return (
      <Running
        clock={clock}
        unit={asked.kind === "circuit" ? "line" : "round"}
        name={name}
        onPain={studentId === null ? null : () => stopped.press(true)}
      />
    );
  const { stretches, leftOut } = stretchesOf(asked, { pool: pool ?? [], combos, jumper, seed });
  return (
    <ClockStart
      back={back}
      title="Interval clock"
      sub={name}
      stopped={isStopped ? { name, isSent: hasStopped, onTakeBack: () => stopped.press(false) } : null}
      start="Start the clock"
      canStart={stretches.length > 0}
      onStart={() => clock.begin(stretches)}
    >
      <Asked
        asked={asked}
        pool={pool}
        combos={kept === undefined ? undefined : combos}
        onAsk={setAsked}
        stretches={stretches}
        leftOut={leftOut.map((move) => move.name)}
        onOther={() => setSeed(seed + 1)}
      />
    </ClockStart>
  );
}
