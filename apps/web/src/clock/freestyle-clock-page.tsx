import { piecesClock } from "@mirrup/core/combos";
import type { Stretch } from "@mirrup/core/teaching";
import { useDocumentTitle } from "@mantine/hooks";
import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { skillName } from "../app/words.js";
import { FreestyleRound, useFor, useFreestyle } from "../combos/index.js";
import { useStopped, useWakeLock } from "../floor/index.js";
import { ClockStart } from "./clock-start.js";
import { clockCombos } from "./clock-combos.js";
import { Running } from "./running.js";
import { useClock } from "./use-clock.js";

/** A freestyle round by the clock: combo after combo, each called, with its rests. */
export function FreestyleClockPage() {
  const { id, student } = useFor();
  const clock = useClock(`freestyle ${id ?? "all"}`);
  const stopped = useStopped(id ?? "", student?.hasStopped ?? false);
  useWakeLock();
  useDocumentTitle("Freestyle round · Mirrup");
  const isStopped = student !== undefined && stopped.hasStopped;
  // A clock that runs is looked at ten times a second, and has its round with it: nothing is planned meanwhile.
  if (clock.clock !== null && !isStopped)
    return (
      <Running
        clock={clock}
        unit="combo"
        name={student?.name ?? "Freestyle round"}
        onPain={student === undefined ? null : () => stopped.press(true)}
      />
    );
  return <FreestyleStart isStopped={isStopped} takeBack={() => stopped.press(false)} onStart={clock.begin} />;
}

interface FreestyleStartProps {
  readonly isStopped: boolean;
  readonly takeBack: () => void;
  readonly onStart: (stretches: readonly Stretch[]) => void;
}

function FreestyleStart({ isStopped, takeBack, onStart }: FreestyleStartProps) {
  const paths = usePaths();
  const [params] = useSearchParams();
  const { combos, student, plan, seconds, jumping } = useFreestyle();
  const kept = useMemo(() => clockCombos(combos.data ?? []), [combos.data]);
  const failure = failureOf(combos);
  if (failure !== null)
    return (
      <Fault title="The combos could not be read" onRetry={() => void combos.refetch()}>
        {failure.message}
      </Fault>
    );
  const comboOf = (id: string) => kept.find((one) => one.id === id);
  const pieces = plan.pieces.map(({ id, rest, activeRest }) => ({
    ...{ parts: comboOf(id)?.parts ?? [], names: comboOf(id)?.names ?? [], rest },
    restName: activeRest === null ? null : skillName(activeRest),
  }));
  const stretches = piecesClock(pieces, jumping);
  const stopped = { name: student?.name ?? "", isSent: student?.hasStopped ?? false, onTakeBack: takeBack };
  return (
    <ClockStart
      back={`${paths.comboPage("freestyle")}?${params.toString()}`}
      title="Freestyle round"
      sub={student?.name ?? "For anybody"}
      stopped={isStopped ? stopped : null}
      start="Start the round"
      canStart={stretches.length > 0}
      onStart={() => onStart(stretches)}
    >
      <FreestyleRound plan={plan} seconds={seconds} nameOf={(id) => comboOf(id)?.name ?? ""} />
    </ClockStart>
  );
}
