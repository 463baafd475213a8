import {
  callOf,
  COMBO_GATE,
  comboSubject,
  learningOf,
  linksOf,
  onSide,
  scoreOf,
  SIDES,
  type CalledBeat,
  type ComboLink,
  type LearningStep,
  type Side,
} from "@mirrup/core";
import type { ComboView, SetRequest } from "@mirrup/contract";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { capital, drillWords } from "../app/words.js";
import {
  CallOut,
  Corrections,
  Counter,
  floorClasses,
  Pads,
  SetControls,
  TempoBar,
  useFloorKeys,
  useOutcome,
  useRun,
  useTempo,
  useWakeLock,
} from "../floor/index.js";
import { OutboxNote } from "../outbox/index.js";
import { studentQuery } from "../students/index.js";
import classes from "./combo-floor.module.css";
import { comboSetsQuery, combosQuery, comboStandingsQuery, namesOf } from "./queries.js";
import { useTempoAsked } from "./use-tempo-asked.js";
import { comboSideName, partName, stepName, type ComboNames } from "./words.js";

/** More counts than these are not read at a glance. */
const MOST_CALLS = 16;

/** A step of a combo's ladder, run on the floor. */
export function ComboFloorPage() {
  const { studentId = "", comboId = "", side = "", step = "" } = useParams();
  const combos = useQuery(combosQuery);
  const student = useQuery(studentQuery(studentId));
  const sets = useQuery(comboSetsQuery(studentId, comboId));
  useWakeLock();
  const combo = combos.data?.find((one) => one.id === comboId);
  const known = SIDES.find((one) => one === side);
  const failed = [combos, student].find((query) => query.isError && query.data === undefined);
  if (failed !== undefined) {
    return (
      <Fault title="The floor could not be opened" onRetry={() => void failed.refetch()}>
        {failed.error.message}
      </Fault>
    );
  }
  if (combos.data === undefined || (sets.data === undefined && sets.fetchStatus === "fetching")) {
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
      key={`${studentId} ${comboId} ${side} ${step}`}
      combo={combo}
      names={namesOf(combos.data)}
      studentId={studentId}
      studentName={student.data?.name ?? ""}
      side={known}
      stepId={step}
      sets={sets.data ?? []}
    />
  );
}

interface ComboFloorProps {
  readonly combo: ComboView;
  readonly names: ComboNames;
  readonly studentId: string;
  readonly studentName: string;
  readonly side: Side;
  readonly stepId: string;
  readonly sets: readonly SetRequest[];
}

function ComboFloor({ combo, names, studentId, studentName, side, stepId, sets }: ComboFloorProps) {
  const paths = usePaths();
  const navigate = useNavigate();
  const { tempo } = useTempoAsked();
  const [round, setRound] = useState(0);
  const options = { id: combo.id, side, dominant: "r", tempo } as const;
  const learning = learningOf(
    combo.parts,
    options,
    sets.map((set) => ({ ...set, at: Date.parse(set.at) })),
  );
  // A mirrored whole is the whole of the other side.
  const step =
    learning.steps.find((one) => one.id === stepId && one.code !== "mirrored") ??
    learning.steps.find((one) => one.code === "whole");
  const links = linksOf(onSide(combo.parts, side), options);
  const linkNames = new Map(
    links.map((link) => [link.place, `${partName(link.from, names)} → ${partName(link.to, names)}`]),
  );
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
      <header className={floorClasses.header}>
        <Link to={`${paths.combo(combo.id)}?for=${studentId}`} className={floorClasses.leave}>
          Leave the floor
        </Link>
        <div className={floorClasses.names}>
          <h1>{capital(stepName(step, linkNames))}</h1>
          <p>
            {studentName} · {combo.name}
            {comboSideName(side) === "" ? "" : `, ${comboSideName(side)}`}
          </p>
        </div>
        <OutboxNote />
      </header>
      <StepSet
        key={round}
        about={{ studentId, subject: step.subject, side: step.side }}
        step={step}
        links={step.code === "link" ? [] : links}
        linkNames={linkNames}
        next={next}
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
    </main>
  );
}

interface StepSetProps {
  readonly about: { readonly studentId: string; readonly subject: string; readonly side: Side };
  readonly step: LearningStep;
  /** Where a miss can be put: every link of the whole. */
  readonly links: readonly ComboLink[];
  readonly linkNames: ReadonlyMap<number, string>;
  readonly next: LearningStep | undefined;
  readonly onAgain: () => void;
  readonly onNext: () => void;
}

function StepSet({ about, step, links, linkNames, next, onAgain, onNext }: StepSetProps) {
  const client = useQueryClient();
  const floor = useRun(about, step.drill);
  const { run, begun } = floor;
  const tempo = useTempo();
  const [called, setCalled] = useState<readonly CalledBeat[] | null>(null);
  const [finished, setFinished] = useState<SetRequest | null>(null);
  const [unkept, setUnkept] = useState(false);
  const outcome = useOutcome(finished);
  const heading = useRef<HTMLHeadingElement>(null);
  const score = scoreOf(step.score);
  const last = run.tries.at(-1);
  const asksWhere = last?.kind === "miss" && last.turn === undefined && links.length > 0;
  const isStored = outcome.kind === "stored";
  const { studentId, subject } = about;
  const comboId = comboSubject(subject)?.id ?? "";
  useEffect(() => {
    if (!isStored) return;
    void client.invalidateQueries({ queryKey: comboSetsQuery(studentId, comboId).queryKey });
    void client.invalidateQueries({ queryKey: comboStandingsQuery(studentId).queryKey });
  }, [isStored, client, studentId, comboId]);
  useEffect(() => {
    if (finished !== null) heading.current?.focus();
  }, [finished]);
  const finish = () => {
    if (begun) floor.finish().then(setFinished, () => setUnkept(true));
  };
  const counts = finished === null;
  const locate = (place: number) => {
    const link = links[place];
    if (link !== undefined) floor.locate(link.turn);
  };
  useFloorKeys({
    clean: () => counts && floor.enter({ kind: "clean" }),
    miss: () => counts && floor.enter({ kind: "miss" }),
    pause: () => undefined,
    tempo: tempo.tap,
    number: (place) => counts && asksWhere && locate(place),
    undo: () => counts && floor.undo(),
    next: () => (finished === null ? finish() : outcome.kind !== "sending" && onNext()),
  });
  if (finished !== null) {
    const misses = run.misses.length;
    const change = outcome.kind === "stored" ? outcome.change : undefined;
    const isCleared = change?.to === "cleared";
    return (
      <div className={classes.result}>
        <div role="status">
          <h2 ref={heading} tabIndex={-1} data-cleared={isCleared}>
            {isCleared && change.from !== "cleared"
              ? "Cleared"
              : `${finished.clean} of ${finished.clean + finished.misses.length} clean`}
          </h2>
          <p>
            {outcome.kind === "sending" && "It is kept on this device and being sent."}
            {outcome.kind === "kept" && "Kept on this device. It is sent as soon as the server answers."}
            {outcome.kind === "signed-out" && "Kept on this device. It is sent when you sign in again."}
            {outcome.kind === "refused" && `Not stored: ${outcome.message}`}
            {isStored && misses === 0 && "Stored."}
            {isStored && step.code === "whole" && "The gate is 4 clean of 5."}
          </p>
        </div>
        <div className={classes.after}>
          <button type="button" className={floorClasses.small} onClick={onAgain}>
            The same again
          </button>
          <button
            type="button"
            className={floorClasses.clean}
            disabled={outcome.kind === "sending"}
            onClick={onNext}
          >
            {next === undefined
              ? "All steps are passed: back to the combo"
              : `Next: ${stepName(next, linkNames)}, ${drillWords(next.drill)}`}{" "}
            <kbd>Enter</kbd>
          </button>
        </div>
      </div>
    );
  }
  return (
    <div className={floorClasses.stage}>
      <div className={floorClasses.top}>
        <p className={floorClasses.drill}>
          {drillWords(floor.drill)}
          {step.tempo === null ? "" : `, at ${step.tempo} a minute`}
        </p>
        <p className={classes.calls}>
          {callOf(score)
            .slice(0, MOST_CALLS)
            .map((called) => called.words)
            .join(" · ")}
          {callOf(score).length > MOST_CALLS ? " …" : ""}
        </p>
        <p className={classes.score}>{step.score}</p>
        {floor.resumedFrom !== null && (
          <p className={floorClasses.note}>
            What was left unfinished goes on.{" "}
            <button type="button" className={floorClasses.inline} onClick={floor.discard}>
              Begin afresh
            </button>
          </p>
        )}
        {(unkept || floor.unkept) && (
          <p role="alert" className={floorClasses.note}>
            This browser refuses to keep the taps. Leave the page open, free some space, and finish again.
          </p>
        )}
      </div>
      <Counter floor={floor} best={0} gate={step.code === "whole" ? COMBO_GATE : null} />
      <div className={floorClasses.tools}>
        <TempoBar
          tempo={tempo}
          ticks={[]}
          onCall={() => {
            const pattern = callOf(score);
            setCalled(pattern);
            tempo.call(pattern);
          }}
        />
        {called !== null && tempo.beat !== null && (
          <CallOut
            pattern={called}
            beat={tempo.beat}
            onStop={() => {
              tempo.stop();
              setCalled(null);
            }}
          />
        )}
      </div>
      <div className={floorClasses.spacer} />
      <SetControls floor={floor} onFinish={finish}>
        {asksWhere ? (
          <div className={classes.where} role="group" aria-label="At which link did it miss?">
            <span>Where?</span>
            {links.slice(0, 9).map((link, place) => (
              <button key={link.place} type="button" onClick={() => locate(place)}>
                <kbd>{place + 1}</kbd> {linkNames.get(link.place)}
              </button>
            ))}
          </div>
        ) : (
          begun && <Corrections floor={floor} />
        )}
      </SetControls>
      <Pads
        floor={floor}
        counting="tap"
        onPress={() => floor.enter({ kind: "clean" })}
        onMiss={() => floor.enter({ kind: "miss" })}
        onFinish={finish}
      />
    </div>
  );
}
