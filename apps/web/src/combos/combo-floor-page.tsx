import { comboKey, SIDE_NAMES, type SideName } from "@mirrup/core";
import type { LearningStep } from "@mirrup/core/combos";
import type { ComboView, StudentView } from "@mirrup/contract";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { failureOf } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { useOpened } from "../app/use-opened.js";
import { capital } from "../app/words.js";
import { floorClasses, FloorHeader, Stopped, useStopped, useWakeLock } from "../floor/index.js";
import { LedBar, useLed } from "../led/index.js";
import { studentQuery } from "../students/index.js";
import { comboSetsQuery, combosQuery, namesOf } from "./queries.js";
import { StepSet } from "./step-set.js";
import { useLearning } from "./use-learning.js";
import { useTempoAsked } from "./use-tempo-asked.js";
import { comboSideName, stepName, type ComboNames } from "./words.js";

/** Whether a link is within a step, closed or not. */
const inStep = ({ from, to }: LearningStep, place: number) => place > from && place < to;

/** A step of a combo's ladder, run on the floor. */
export function ComboFloorPage() {
  const { studentId = "", comboId = "", side = "", step = "" } = useParams();
  const combos = useQuery(combosQuery);
  const student = useQuery(studentQuery(studentId));
  const sets = useQuery(comboSetsQuery(studentId, comboId));
  useWakeLock();
  const floorKey = `${studentId} ${comboId} ${side} ${step}`;
  const isOpen = useOpened(sets.data === undefined && sets.fetchStatus === "fetching", floorKey);
  const combo = combos.data?.find((one) => one.id === comboId);
  const known = SIDE_NAMES.find((one) => one === side);
  const failed = [combos, student].find((query) => failureOf(query) !== null);
  if (failed?.error) {
    return (
      <Fault title="The floor could not be opened" onRetry={() => void failed.refetch()}>
        {failed.error.message}
      </Fault>
    );
  }
  if (combos.data === undefined || !isOpen) {
    return (
      <main className={floorClasses.floor}>
        <p role="status">Opening the floor …</p>
      </main>
    );
  }
  if (combo === undefined || known === undefined) {
    return <Fault title="There is no such combo">Choose one on the shelf of combos.</Fault>;
  }
  return (
    <ComboFloor
      key={floorKey}
      combo={combo}
      names={namesOf(combos.data)}
      student={student.data ?? { id: studentId, name: "", hasStopped: false, dominantHand: null }}
      side={known}
      stepId={step}
    />
  );
}

interface ComboFloorProps {
  readonly combo: ComboView;
  readonly names: ComboNames;
  readonly student: Pick<StudentView, "id" | "name" | "hasStopped" | "dominantHand">;
  readonly side: SideName;
  readonly stepId: string;
}

function ComboFloor({ combo, names, student, side, stepId }: ComboFloorProps) {
  const studentId = student.id;
  const paths = usePaths();
  const navigate = useNavigate();
  const { tempo } = useTempoAsked();
  const [round, setRound] = useState(0);
  const session = useLed(studentId);
  const { hasStopped, press } = useStopped(studentId, student.hasStopped);
  const { learning, links, linkNames, chances, noted } = useLearning({ combo, student, side, tempo, names });
  // A mirrored whole is the whole of the other side.
  const step =
    learning.steps.find((one) => one.id === stepId && one.code !== "mirrored") ??
    learning.steps.find((one) => one.code === "whole");
  useDocumentTitle(`${combo.name} · Mirrup`);
  if (step === undefined) {
    return (
      <Fault title="This combo cannot be run">
        Its moves do not join any more. Open a copy on the bench and mend it there.
      </Fault>
    );
  }
  const next = learning.steps.find((one) => one.id === learning.next);
  return (
    <main className={floorClasses.floor}>
      <FloorHeader
        to={`${paths.combo(combo.id)}?for=${studentId}`}
        title={capital(stepName(step, linkNames))}
        sub={`${student.name} · ${combo.name}${comboSideName(side) === "" ? "" : `, ${comboSideName(side)}`}`}
      >
        {!hasStopped && (
          <button type="button" className={floorClasses.leave} onClick={() => press(true)}>
            Pain: stop today
          </button>
        )}
      </FloorHeader>
      {!hasStopped && <LedBar studentId={studentId} session={session} onAgain={() => setRound(round + 1)} />}
      {hasStopped ? (
        <Stopped name={student.name} isSent={student.hasStopped} onTakeBack={() => press(false)} />
      ) : (
        <StepSet
          key={round}
          about={{ studentId, subject: step.subject, side: step.side }}
          step={step}
          chance={chances.get(step.id) ?? null}
          nextChance={next === undefined ? null : (chances.get(next.id) ?? null)}
          notes={[combo.note, noted?.note ?? ""].filter(Boolean)}
          links={step.code === "link" ? [] : links.filter((link) => inStep(step, link.place))}
          linkNames={linkNames}
          next={next}
          onFinished={(set) => session.count({ ...set, subject: comboKey(combo.id), side })}
          onAgain={() => setRound(round + 1)}
          onNext={() =>
            next === undefined
              ? void navigate(`${paths.combo(combo.id)}?for=${studentId}`)
              : next.id === step.id && next.side === step.side
                ? setRound(round + 1)
                : void navigate(
                    paths.comboFloor(
                      studentId,
                      combo.id,
                      next.side,
                      next.code === "mirrored" ? "whole" : next.id,
                    ),
                  )
          }
        />
      )}
    </main>
  );
}
