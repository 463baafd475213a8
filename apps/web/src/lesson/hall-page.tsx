import { CAUTIONS } from "@mirrup/catalogue";
import type { Attendance, LessonView } from "@mirrup/contract";
import { Progress } from "@mantine/core";
import { useDocumentTitle, useHotkeys } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { Link, useParams } from "react-router";
import { useMayTeach } from "../account/index.js";
import { useNow } from "../app/use-now.js";
import { Fault } from "../app/faults.js";
import { leftWords } from "../app/left-words.js";
import { usePaths } from "../app/paths.js";
import { capital, dateWords, skillName } from "../app/words.js";
import { useWakeLock } from "../floor/index.js";
import { TAB_ID } from "../app/tab-id.js";
import type { BeadOf } from "../beads/index.js";
import { OutboxNote, usePersonId } from "../device/index.js";
import { presenceQuery, presenceWords, stationPlace } from "../presence/index.js";
import { namesakeOf, useEverybody, useNames, useStudents } from "../students/index.js";
import { AttendanceList } from "./attendance-list.js";
import { CoachNow } from "./coach-now.js";
import { DoneTable } from "./done-table.js";
import { withDrillsNow } from "./drills-now.js";
import { secondsLeft, stepAt, withoutAway } from "./hall.js";
import classes from "./hall-page.module.css";
import { pairsAt, stepsOf, type LessonStep, type ShownPlan } from "./shown.js";
import { RopesField } from "./ropes-field.js";
import { StudentBead } from "./student-bead.js";
import { useBeads } from "./use-beads.js";
import { useHall } from "./use-hall.js";
import { useLesson } from "./use-lesson.js";
import { faultWords, taskWords, USE_NAMES, WATCH_NAMES } from "./words.js";

const TICK_MS = 500;
/** Who counts at a station is looked at anew as often. */
const WHO_MS = 10_000;
const MORE_MINUTES = 2;

/** A class in the hall: what now, who is where, and how long still. */
export function HallPage() {
  const { lessonId = "" } = useParams();
  const held = useLesson(lessonId);
  const { lesson, isError, error, refetch } = held;
  useDocumentTitle(`${lesson?.title ?? "A class"} · Mirrup`);
  useWakeLock();
  if (lesson === undefined && isError) {
    return (
      <Fault title="The lesson could not be read" onRetry={() => void refetch()}>
        {error.message}
      </Fault>
    );
  }
  if (lesson === undefined) return <main className={classes.hall}>Opening …</main>;
  return <Hall key={lesson.id} lesson={lesson} held={held} />;
}

interface HallProps {
  readonly lesson: LessonView;
  readonly held: ReturnType<typeof useLesson>;
}

function Hall({ lesson, held }: HallProps) {
  const paths = usePaths();
  const students = useStudents();
  const everybody = useEverybody();
  const hall = useHall(lesson, held);
  const beadOf = useBeads();
  const mayTeach = useMayTeach();
  const [isListing, setListing] = useState(false);
  const { progress, finishedAt } = lesson;
  const { plan } = hall;
  const step = plan === null ? null : stepAt(plan, progress);
  const shown =
    plan === null
      ? null
      : withDrillsNow(
          withoutAway(plan, lesson, hall.people),
          step?.kind === "turn" ? step.turn : -1,
          hall.people,
        );
  const nameOf = useNames();
  const mark = (studentId: string, attendance: Attendance) =>
    held.run({ attendance: { [studentId]: attendance } });
  const isRunning = progress !== null && finishedAt === null;
  const mayRun = isRunning && mayTeach;
  const minutesLeft = () => (progress === null ? 0 : secondsLeft(progress, Date.now()) / 60);
  useHotkeys([
    ["N", () => mayRun && hall.next()],
    ["S", () => mayRun && step?.kind === "turn" && hall.skip(minutesLeft())],
    ["B", () => mayRun && hall.back?.take()],
    ["+", () => mayRun && hall.extend(MORE_MINUTES), { usePhysicalKeys: false }],
    ["A", () => setListing((before) => !before)],
  ]);
  const brought = new Map(lesson.students.map((one) => [one.studentId, one.ownRope ?? null]));
  const ropes = {
    has: (id: string) => brought.get(id) ?? hall.people.find((one) => one.id === id)?.hasOwnRope ?? false,
    onMark: hall.bringsRope,
  };
  const list = mayTeach && (
    <AttendanceList
      lesson={lesson}
      students={students.data ?? []}
      onMark={mark}
      onAdd={held.add}
      isArchived={(name) => namesakeOf(name, everybody ?? [])?.isArchived ?? false}
      mayStop={lesson.progress !== null}
      {...(hall.ropes === null ? {} : { ropes })}
    />
  );
  return (
    <main className={classes.hall}>
      <header className={classes.header}>
        <Link to={paths.today} className={classes.leave}>
          Leave the hall
        </Link>
        <div className={classes.names}>
          <h1>{lesson.title}</h1>
          <p>{[dateWords(lesson.day), lesson.startTime, lesson.place].filter(Boolean).join(", ")}</p>
        </div>
        {isRunning && <Clock key={progress.startedAt} progress={progress} />}
        <OutboxNote />
      </header>
      {plan !== null && <StepStrip plan={plan} lesson={lesson} />}
      <div className={classes.planning} aria-live="polite">
        {hall.isPlanning && (
          <>
            <span>Planning the rest anew …</span>
            <Progress value={100 * (hall.planning?.share ?? 0)} aria-label="Planning" />
          </>
        )}
        {hall.faults.map((fault) => (
          <p key={JSON.stringify(fault)}>{faultWords(fault, nameOf)}</p>
        ))}
      </div>
      {plan === null && (
        <section className={classes.step}>
          <h2>Not planned yet</h2>
          <p>
            Mark who is here, then <Link to={paths.lessonPlan(lesson.id)}>plan the class</Link>; it takes a
            second.
          </p>
          {list}
        </section>
      )}
      {plan !== null && finishedAt !== null && (
        <section className={classes.step}>
          <h2>Planned and done</h2>
          <DoneTable lesson={lesson} plan={plan} nameOf={nameOf} />
          {mayTeach && (
            <button type="button" className={classes.small} onClick={hall.reopen}>
              Go on with the lesson
            </button>
          )}
        </section>
      )}
      {plan !== null && progress === null && finishedAt === null && (
        <section className={classes.step}>
          <h2>{mayTeach ? "Who is here?" : "Not begun yet"}</h2>
          {list}
          {mayTeach && (
            <Footer>
              <button type="button" className={classes.next} onClick={hall.begin}>
                Begin with the warm-up
              </button>
            </Footer>
          )}
        </section>
      )}
      {plan !== null && isRunning && (
        <>
          {isListing ? (
            <section className={classes.step}>
              <h2>Who is here?</h2>
              {mayTeach && <RopesField label="Ropes left" stock={hall.ropes} onChange={hall.haveRopes} />}
              {list}
            </section>
          ) : (
            <Step
              plan={shown ?? plan}
              step={step}
              lessonId={lesson.id}
              nameOf={nameOf}
              beadOf={beadOf}
              way={
                <CoachNow plan={shown ?? plan} coaches={hall.coaches} progress={progress} nameOf={nameOf} />
              }
            />
          )}
          {mayTeach && (
            <Footer>
              <button
                type="button"
                className={classes.small}
                aria-pressed={isListing}
                onClick={() => setListing(!isListing)}
              >
                {isListing ? "Back to the turn" : "Who is here"}
              </button>
              <button type="button" className={classes.small} onClick={() => hall.extend(MORE_MINUTES)}>
                {MORE_MINUTES} min more
              </button>
              {step?.kind === "turn" && (
                <button type="button" className={classes.small} onClick={() => hall.skip(minutesLeft())}>
                  Skip
                </button>
              )}
              <button type="button" className={classes.small} onClick={hall.finish}>
                Finish
              </button>
              {hall.back !== null && (
                <button type="button" className={classes.back} onClick={hall.back.take}>
                  {backWords(plan, hall.back.to)}
                </button>
              )}
              <button type="button" className={classes.next} onClick={hall.next}>
                {nextWords(plan, progress.step)}
              </button>
            </Footer>
          )}
        </>
      )}
    </main>
  );
}

function nextWords(plan: ShownPlan, step: number): string {
  const next = stepsOf(plan).find((one, place) => place > step && one.minutes > 0);
  if (next === undefined) return "Finish the class";
  return next.kind === "turn" ? `Next: turn ${next.turn + 1}` : "Next: close together";
}

function backWords(plan: ShownPlan, to: number): string {
  const step = stepsOf(plan)[to];
  return step?.kind === "turn" ? `Back to turn ${step.turn + 1}` : "Back to the warm-up";
}

function Footer({ children }: { readonly children: React.ReactNode }) {
  return <div className={classes.footer}>{children}</div>;
}

function Clock({ progress }: { readonly progress: NonNullable<LessonView["progress"]> }) {
  const now = useNow(TICK_MS);
  const seconds = secondsLeft(progress, now);
  return (
    <span className={classes.clock} data-over={seconds < 0} role="timer" aria-label="Left of this step">
      {leftWords(seconds)}
    </span>
  );
}

function stepName(step: LessonStep): string {
  switch (step.kind) {
    case "warm-up":
      return "Warm-up";
    case "close":
      return "Close";
    case "turn":
      return String(step.turn + 1);
  }
}

/** Where the lesson is, from warm-up to close. */
function StepStrip({ plan, lesson }: { readonly plan: ShownPlan; readonly lesson: LessonView }) {
  const { progress, finishedAt } = lesson;
  const at = finishedAt !== null ? Infinity : (progress?.step ?? -1);
  return (
    <ol className={classes.strip} aria-label="Steps of the lesson">
      {stepsOf(plan).map((step, place) => {
        const isSkipped = progress?.skipped.includes(place) === true;
        const state = isSkipped ? "skipped" : place < at ? "done" : place === at ? "now" : "ahead";
        return (
          <li
            key={`${step.kind} ${place}`}
            data-state={state}
            aria-current={state === "now" ? "step" : undefined}
          >
            {stepName(step)}
            <span className={classes.said}>
              {step.kind === "turn" ? "turn, " : ""}
              {state}
            </span>
          </li>
        );
      })}
    </ol>
  );
}

interface StepProps {
  readonly plan: ShownPlan;
  readonly step: LessonStep | null;
  readonly lessonId: string;
  readonly nameOf: (id: string) => string;
  readonly beadOf: BeadOf;
  /** Where the coaches are now. */
  readonly way: ReactNode;
}

function Step({ plan, step, lessonId, nameOf, beadOf, way }: StepProps) {
  if (step?.kind !== "turn") {
    const isClose = step?.kind === "close";
    return (
      <section className={classes.step}>
        <h2>{isClose ? "Close together" : "Warm-up together"}</h2>
        <p className={classes.large}>
          {isClose
            ? `Easy jumping to end with. ${CAUTIONS.heat}`
            : `${CAUTIONS["warm-up"]} ${CAUTIONS.space}`}
        </p>
      </section>
    );
  }
  return (
    <section className={classes.step}>
      <h2>Turn {step.turn + 1}</h2>
      {way}
      <ul className={classes.stations}>
        {(plan.rotations[step.turn]?.stations ?? []).map(({ subject, watchedBy }, station) =>
          subject === null ? null : (
            <li key={station} className={classes.station}>
              <h3>
                <span className={classes.number}>{station + 1}</span> {capital(skillName(subject))}
              </h3>
              {watchedBy !== "nobody" && <span className={classes.watch}>{WATCH_NAMES[watchedBy]}</span>}
              <ul className={classes.pairs}>
                {pairsAt(plan, step.turn, station).map((pair) => (
                  <li key={pair.map((one) => one.id).join(" ")}>
                    {pair.map(({ id, place }) => (
                      <span key={id}>
                        <StudentBead beadOf={beadOf} studentId={id} subject={subject} size={24} />{" "}
                        <strong>{nameOf(id)}</strong> {taskWords(subject, place)}
                        {USE_NAMES[place.use] !== "" && `, ${USE_NAMES[place.use]}`}
                      </span>
                    ))}
                  </li>
                ))}
              </ul>
              <CountLink lessonId={lessonId} turn={step.turn} station={station} />
            </li>
          ),
        )}
      </ul>
    </section>
  );
}

function CountLink(spot: { readonly lessonId: string; readonly turn: number; readonly station: number }) {
  const paths = usePaths();
  const now = useNow(WHO_MS);
  const personId = usePersonId();
  const place = stationPlace(spot.lessonId, spot.turn, spot.station);
  const there = useQuery(presenceQuery).data?.find((one) => one.place === place && one.tab !== TAB_ID);
  return (
    <>
      {there !== undefined && <p className={classes.there}>{presenceWords(there, personId, now)}</p>}
      <Link to={paths.station(spot.lessonId, spot.turn, spot.station)} className={classes.count}>
        Count here
      </Link>
    </>
  );
}
