import { CATALOGUE } from "@mirrup/catalogue";
import { type BaseTestRole, type Drill } from "@mirrup/core";
import { baseTestProgress, type BaseTestProgress, type Run } from "@mirrup/core/teaching";
import type { SetRequest } from "@mirrup/contract";
import { useDocumentTitle, useLocalStorage } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useParams } from "react-router";
import { ownDay } from "../app/own-day.js";
import { pluralOf } from "../app/plural.js";
import { isRefused } from "../app/failure.js";
import { Fault } from "../app/faults.js";
import { usePaths } from "../app/paths.js";
import { capital, subjectName } from "../app/words.js";
import { usePersonId } from "../device/index.js";
import { studentQuery } from "../students/index.js";
import classes from "./base-test.module.css";
import { Counter } from "./counter.js";
import { Stopped, useStopped } from "./early-stop.js";
import { Elsewhere } from "./elsewhere.js";
import { FaultStrip } from "./fault-strip.js";
import { faultsOf } from "./faults-of.js";
import { FloorHeader } from "./floor-header.js";
import { asksWhy } from "../app/floor-run.js";
import floor from "./floor.module.css";
import { Pads } from "./pads.js";
import { Unkept } from "./unkept.js";
import { useFloorKeys } from "./use-floor-keys.js";
import { useRun } from "./use-run.js";
import { useWakeLock } from "../app/use-wake-lock.js";

/** A catalogue without a base test has nothing to pass. */
const BASE: BaseTestRole = CATALOGUE.roles.baseTest ?? { parts: [], count: 1, misses: 0 };
const DRILL: Drill = { kind: "streak", count: BASE.count };
const NO_SETS: readonly SetRequest[] = [];

/** The five base jumps, all at 100 in one lesson, with one count of misses over all of them. */
export function BaseTestPage() {
  const { studentId = "" } = useParams();
  const paths = usePaths();
  const student = useQuery(studentQuery(studentId));
  useWakeLock();
  useDocumentTitle("Base test · Mirrup");
  const [day] = useState(() => ownDay());
  const personId = usePersonId();
  const [sets, setSets] = useLocalStorage<readonly SetRequest[]>({
    key: `mirrup-base-test ${personId} ${studentId} ${day}`,
    defaultValue: NO_SETS,
    getInitialValueInEffect: false,
  });
  const name = student.data?.name ?? "";
  const { hasStopped, press } = useStopped(studentId, student.data?.hasStopped ?? false);
  if (isRefused(student.error))
    return <Fault title="This student is not here">{student.error.message}</Fault>;
  const progress = baseTestProgress(BASE, sets);
  return (
    <main className={floor.floor}>
      <FloorHeader to={paths.student(studentId)} title="Base test" sub={name}>
        {!hasStopped && progress.next !== null && (
          <button type="button" className={floor.leave} onClick={() => press(true)}>
            Pain: stop today
          </button>
        )}
      </FloorHeader>
      {hasStopped && (
        <Stopped name={name} isSent={student.data?.hasStopped === true} onTakeBack={() => press(false)} />
      )}
      <Parts progress={progress} />
      {progress.next === null ? (
        <Ended end={progress.end} to={paths.student(studentId)} />
      ) : hasStopped ? null : (
        <Part
          key={`${sets.length}`}
          studentId={studentId}
          progress={progress}
          subject={progress.next.subject}
          side={progress.next.side}
          onDone={(set) => setSets([...sets, set])}
        />
      )}
    </main>
  );
}

function Parts({ progress }: { readonly progress: BaseTestProgress }) {
  return (
    <ol className={classes.parts} aria-label="The five parts">
      {progress.parts.map((part) => (
        <li
          key={`${part.subject} ${part.side}`}
          data-reached={part.reached}
          aria-current={part === progress.next ? "step" : undefined}
        >
          {capital(subjectName(part.subject, part.side))}
          <span>{part.reached ? "done" : part === progress.next ? "now" : "to come"}</span>
        </li>
      ))}
    </ol>
  );
}

function Ended({ end, to }: { readonly end: BaseTestProgress["end"]; readonly to: string }) {
  return (
    <div className={floor.stopped} role="status">
      <h2>{end === "passed" ? "The base test is passed" : "Not today"}</h2>
      <p>
        {end === "passed"
          ? "All five at a hundred in one lesson, with two misses at most. The multiples are open as far as the base asks."
          : "That was a third miss. Every part is kept in the record; the test itself begins anew in another lesson."}
      </p>
      <Link to={to} className={floor.leave}>
        Back to the strands
      </Link>
    </div>
  );
}

interface PartProps extends Pick<SetRequest, "studentId" | "subject" | "side"> {
  readonly progress: BaseTestProgress;
  readonly onDone: (set: SetRequest) => void;
}

function Part({ studentId, subject, side, progress, onDone }: PartProps) {
  const run = useRun({ studentId, subject, side }, DRILL);
  const leftAt = ({ misses }: Run) => progress.missesLeft - misses.length;
  const overAt = (at: Run) => at.end !== "running" || leftAt(at) < 0;
  const [left, isOver] = [leftAt(run.run), overAt(run.run)];
  const [unkept, setUnkept] = useState(false);
  const finish = () => {
    if (!run.newest().begun) return;
    void run.finish()?.then(onDone, () => setUnkept(true));
  };
  const press = () => {
    if (!overAt(run.newest().run)) run.enter({ kind: "clean" });
  };
  const miss = () => {
    if (!overAt(run.newest().run)) run.enter({ kind: "miss" });
  };
  useFloorKeys({
    clean: press,
    miss,
    number: (place) => {
      const fault = faultsOf(subject)[place];
      if (asksWhy(run.newest().run) && fault !== undefined) run.name(fault);
    },
    undo: run.undo,
    next: () => overAt(run.newest().run) && finish(),
  });
  useEffect(() => {
    document.querySelector("[aria-current=step]")?.scrollIntoView({ block: "nearest", inline: "center" });
  }, [subject, side]);
  return (
    <div className={floor.stage}>
      <p className={floor.drill}>
        {capital(subjectName(subject, side))}, {BASE.count} in a row.{" "}
        <strong>
          {left < 0 ? "No miss was left." : `${left} more ${pluralOf(left, "miss", "misses")} allowed.`}
        </strong>
      </p>
      <Unkept is={unkept || run.unkept} />
      <Counter floor={run} best={0} gate={null} />
      <div className={floor.spacer} />
      {run.elsewhere ? (
        <Elsewhere onTakeOver={run.takeOver} />
      ) : (
        <div className={classes.side}>
          <div className={classes.why}>
            {asksWhy(run.run) && <FaultStrip subject={subject} onName={run.name} />}
          </div>
          <button type="button" className={floor.small} disabled={!run.begun} onClick={run.undo}>
            Undo <kbd>Z</kbd>
          </button>
        </div>
      )}
      {isOver ? (
        <button type="button" className={floor.clean} onClick={finish}>
          {left < 0 ? "End the test" : "On to the next part"} <kbd>Enter</kbd>
        </button>
      ) : (
        <Pads floor={run} counting="tap" onPress={press} onMiss={miss} onFinish={finish} />
      )}
    </div>
  );
}
