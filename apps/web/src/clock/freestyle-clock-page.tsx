import { piecesClock } from "@mirrup/core/combos";
import { useDocumentTitle } from "@mantine/hooks";
import { useMemo } from "react";
import { useSearchParams } from "react-router";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { skillName } from "../app/words.js";
import { FreestyleRound, useFreestyle } from "../combos/index.js";
import { useStopped, useWakeLock } from "../floor/index.js";
import { ClockStart } from "./clock-start.js";
import { clockCombos } from "./clock-combos.js";
import { Running } from "./running.js";
import { useClock } from "./use-clock.js";

/** A freestyle round by the clock: combo after combo, each called, with its rests. */
export function FreestyleClockPage() {
  const paths = usePaths();
  const [params] = useSearchParams();
  const { combos, student, plan, seconds, tempo, dominant } = useFreestyle();
  const clock = useClock(`freestyle ${student?.id ?? "all"}`);
  const stopped = useStopped(student?.id ?? "", student?.hasStopped ?? false);
  const kept = useMemo(() => clockCombos(combos.data ?? []), [combos.data]);
  useWakeLock();
  useDocumentTitle("Freestyle round · Mirrup");
  const failure = failureOf(combos);
  if (failure !== null) return <Fault title="The combos could not be read">{failure.message}</Fault>;
  const name = student?.name ?? "Freestyle round";
  const isStopped = student !== undefined && stopped.hasStopped;
  if (clock.clock !== null && !isStopped) return <Running clock={clock} unit="combo" name={name} />;
  const comboOf = (id: string) => kept.find((one) => one.id === id);
  const pieces = plan.pieces.map(({ id, rest, activeRest }) => ({
    ...{ parts: comboOf(id)?.parts ?? [], names: comboOf(id)?.names ?? [], rest },
    restName: activeRest === null ? null : skillName(activeRest),
  }));
  const stretches = piecesClock(pieces, { tempo, dominant });
  return (
    <ClockStart
      back={`${paths.comboPage("freestyle")}?${params.toString()}`}
      title="Freestyle round"
      sub={student?.name ?? "For anybody"}
      stopped={
        isStopped ? { name, isSent: student.hasStopped, onTakeBack: () => stopped.press(false) } : null
      }
      start="Start the round"
      canStart={stretches.length > 0}
      onStart={() => clock.begin(stretches)}
    >
      <FreestyleRound plan={plan} seconds={seconds} nameOf={(id) => comboOf(id)?.name ?? ""} />
    </ClockStart>
  );
}
