import { CAUTIONS } from "@mirrup/catalogue";
import { isEasyPhase } from "@mirrup/core/planning";
import { useDocumentTitle } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { Fault } from "../app/faults.js";
import { leftWords } from "../app/left-words.js";
import { usePaths } from "../app/paths.js";
import { useNow } from "../app/use-now.js";
import { capital } from "../app/words.js";
import { floorClasses, FloorHeader, Stopped, useFloorKeys, useStopped, useWakeLock } from "../floor/index.js";
import {
  blockNow,
  blockPathOf,
  canTakeBack,
  heldRows,
  LedBar,
  secondsLeft,
  useLed,
  type LedBlock,
  type LedSession,
} from "../led/index.js";
import { studentQuery } from "../students/index.js";
import classes from "./led-page.module.css";
import { planReasonWords } from "./plan-words.js";

const TICK_MS = 250;

/** The session that is held: what nobody counts by its clock, the way to the rest, and what came of it. */
export function LedPage() {
  const { studentId = "" } = useParams();
  const paths = usePaths();
  const session = useLed(studentId);
  const student = useQuery(studentQuery(studentId));
  const { hasStopped, press } = useStopped(studentId, student.data?.hasStopped ?? false);
  useDocumentTitle("The session · Mirrup");
  useWakeLock();
  const { led } = session;
  if (led === null) {
    return (
      <Fault title="No session is held">
        A session is begun on the student’s session page; one that was begun more than twelve hours ago is put
        away. <Link to={paths.studentPage(studentId, "session")}>Go to the session</Link>
      </Fault>
    );
  }
  const block = blockNow(led);
  const name = student.data?.name ?? "";
  return (
    <main className={floorClasses.floor}>
      <FloorHeader
        to={paths.studentPage(studentId, "session")}
        title={block === null ? "The session is over" : capital(block.name)}
        sub={name}
      >
        {!hasStopped && block !== null && (
          <button type="button" className={floorClasses.leave} onClick={() => press(true)}>
            Pain: stop today
          </button>
        )}
      </FloorHeader>
      {hasStopped && (
        <Stopped name={name} isSent={student.data?.hasStopped === true} onTakeBack={() => press(false)} />
      )}
      {!hasStopped && <LedBar studentId={studentId} session={session} />}
      {!hasStopped && block !== null && (
        <Now key={block.key} studentId={studentId} session={session} block={block} />
      )}
      <Held session={session} />
      {block === null && (
        <div className={classes.over}>
          <Link to={paths.student(studentId)} className={floorClasses.leave} onClick={session.end}>
            Close it, and go to the strands
          </Link>
        </div>
      )}
    </main>
  );
}

interface NowProps {
  readonly studentId: string;
  readonly session: LedSession;
  readonly block: LedBlock;
}

/** The block under way: a clock where nobody counts, else the way to its floor. */
function Now({ studentId, session, block }: NowProps) {
  const paths = usePaths();
  const navigate = useNavigate();
  const now = useNow(TICK_MS);
  const next = session.led?.ahead[1];
  const go = () => {
    if (!isEasyPhase(block.phase)) {
      void navigate(blockPathOf(paths, studentId, block));
      return;
    }
    session.leave(block.key, "done");
    void navigate(blockPathOf(paths, studentId, next ?? null));
  };
  useFloorKeys({ next: go });
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => button.current?.focus(), []);
  const isWarm = block.phase === "warm-up";
  return (
    <>
      {session.led !== null && isEasyPhase(block.phase) && (
        <div className={classes.easy}>
          <p className={classes.clock} role="timer" aria-label="Left of it">
            {leftWords(secondsLeft(session.led, now))}
          </p>
          <div>
            <p className={floorClasses.cue}>{planReasonWords({ code: isWarm ? "warm-up" : "cool-down" })}</p>
            {isWarm && (
              <p className={floorClasses.caution}>
                <strong>Take care</strong> {CAUTIONS.surface}
              </p>
            )}
          </div>
        </div>
      )}
      <button ref={button} type="button" className={floorClasses.clean} onClick={go}>
        {isEasyPhase(block.phase)
          ? next === undefined
            ? "End the session"
            : `Done; next: ${next.name}`
          : `Go to the floor: ${block.name}`}
        <kbd>Enter</kbd>
      </button>
    </>
  );
}

/** What was planned of each block, and what was done. */
function Held({ session }: { readonly session: LedSession }) {
  const { led } = session;
  if (led === null) return null;
  return (
    <section className={classes.held} aria-label="Planned and done">
      <table>
        <thead>
          <tr>
            <th scope="col">Block</th>
            <th scope="col">Planned</th>
            <th scope="col">Done</th>
          </tr>
        </thead>
        <tbody>
          {heldRows(led).map(({ key, name, planned, done, state }) => (
            <tr key={key} data-state={state} aria-current={state === "here" ? "step" : undefined}>
              <th scope="row">{capital(name)}</th>
              <td>{planned}</td>
              <td>{done}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {canTakeBack(led) && (
        <button type="button" className={floorClasses.inline} onClick={session.takeBack}>
          Back to the block before
        </button>
      )}
    </section>
  );
}
