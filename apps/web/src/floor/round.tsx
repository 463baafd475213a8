import { coachingOf } from "@mirrup/catalogue";
import { DRILL_ROWS, skillOf, type Drill } from "@mirrup/core";
import { ROUND_ANSWERS, type RoundAnswer } from "@mirrup/core/teaching";
import { NativeSelect } from "@mantine/core";
import { useSessionStorage } from "@mantine/hooks";
import { useState } from "react";
import { catalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { drillOfWords } from "../app/drill-words.js";
import { leftWords } from "../app/left-words.js";
import type { RoundTask } from "../app/round-set.js";
import { TAB_ID } from "../app/tab-id.js";
import { useNow } from "../app/use-now.js";
import { sayStop, useOutbox, useStops } from "../device/index.js";
import { PresenceNote } from "../presence/index.js";
import choice from "./drill-choice.module.css";
import { FloorHeader } from "./floor-header.js";
import floor from "./floor.module.css";
import classes from "./round-page.module.css";
import { PairButtons } from "./pair-buttons.js";
import type { RoundPractice } from "./round-practice.js";
import { StopButton } from "../app/stop-button.js";
import { useRound } from "./use-round.js";

const TICK_MS = 500;

const ANSWER_WORDS: Readonly<Record<(typeof ROUND_ANSWERS)[number], string>> = {
  "made-it": "Made it",
  nearly: "Nearly",
  "not-yet": "Not yet",
};

interface RoundStudent {
  readonly id: string;
  readonly name: string;
  readonly hasStopped: boolean;
}

interface RoundProps {
  /** Under what the round is kept on the device while it goes on. */
  readonly keptAs: string;
  /** The place that it is counted at, as devices name it to each other. */
  readonly place: string;
  readonly name: string;
  /** Where leaving the floor leads. */
  readonly back: string;
  readonly practice: RoundPractice;
  readonly students: readonly RoundStudent[];
  /** What each one is to do, where it is not the same for all. */
  readonly tasks?: ReadonlyMap<string, RoundTask>;
  /** Who jumps by turns with whom, where there are pairs. */
  readonly pairs?: readonly (readonly string[])[];
}

function Clock({ startedAt, seconds }: { readonly startedAt: number; readonly seconds: number | null }) {
  const passed = Math.max(0, Math.floor((useNow(TICK_MS) - startedAt) / 1000));
  const isOver = seconds !== null && passed >= seconds;
  return (
    <span
      className={classes.clock}
      role="timer"
      aria-label={seconds === null ? "Since the round began" : "Left of the round"}
      data-over={isOver}
    >
      {isOver ? "Time" : leftWords(seconds === null ? passed : seconds - passed)}
    </span>
  );
}

/** What a number given for the drill counts. */
function unitOf({ kind }: Drill): string {
  switch (DRILL_ROWS[kind].measure) {
    case "in-a-row":
    case "rungs":
      return "in a row";
    case "clock":
      return kind === "hold" ? "seconds" : "in the time";
    case "rounds":
      return "rounds";
    case "tries":
    case "in-time":
      return "right";
  }
}

interface AnswerRowProps {
  readonly student: RoundStudent;
  readonly task: RoundTask;
  /** What is to be said of the task, or of who tries it; null for nothing. */
  readonly words: string | null;
  readonly answer: RoundAnswer | undefined;
  readonly onAnswer: (answer: RoundAnswer | null) => void;
  /** Whether jumping has ended for them today. */
  readonly isEnded: boolean;
  readonly onPain: () => void;
  /** What a hold's clock is for; null for what is tapped. */
  readonly held: HeldProps | null;
}

interface HeldProps {
  readonly isRunning: boolean;
  readonly isAway: boolean;
  readonly onStop: () => void;
  readonly onAway: (isAway: boolean) => void;
}

/** Somebody who holds is tapped only where they stop. */
function HeldAnswers({
  held,
  answer,
  onAnswer,
}: Pick<AnswerRowProps, "answer" | "onAnswer"> & { readonly held: HeldProps }) {
  const { isRunning, isAway, onStop, onAway } = held;
  if (answer !== undefined)
    return (
      <button type="button" className={classes.stopped} aria-pressed onClick={() => onAnswer(null)}>
        Stopped at {typeof answer === "number" ? answer : 0} s <small>tap to take it back</small>
      </button>
    );
  if (isRunning && !isAway)
    return (
      <button type="button" className={classes.stopped} onClick={onStop}>
        Stopped
      </button>
    );
  return (
    <button type="button" className={classes.stopped} aria-pressed={isAway} onClick={() => onAway(!isAway)}>
      Not here
    </button>
  );
}

/** Something hurt: jumping is over for today, and what was done by then is kept. */
function Ended({ student: { id, name }, answer }: Pick<AnswerRowProps, "student" | "answer">) {
  return (
    <li className={classes.row}>
      <span>
        <span className={classes.name}>{name}</span>
        <small className={classes.task}>
          Jumping ends today.{answer === undefined ? "" : " What was done until then is kept."}
        </small>
      </span>
      <button
        type="button"
        className={classes.slip}
        aria-label={`It was pressed by mistake, ${name}`}
        onClick={() => sayStop(id, false)}
      >
        It was pressed by mistake
      </button>
    </li>
  );
}

function AnswerRow({ student, task, words, answer, onAnswer, isEnded, onPain, held }: AnswerRowProps) {
  if (isEnded) return <Ended student={student} answer={answer} />;
  return (
    <li className={classes.row} data-away={held?.isAway ?? false}>
      <span className={classes.who}>
        <span className={classes.name}>
          {student.name}
          {words !== null && <small className={classes.task}>{words}</small>}
        </span>
        <StopButton name={student.name} onPress={onPain} />
      </span>
      <span className={classes.answers} role="group" aria-label={student.name}>
        {held !== null ? (
          <HeldAnswers held={held} answer={answer} onAnswer={onAnswer} />
        ) : (
          <>
            {ROUND_ANSWERS.map((one) => (
              <button
                key={one}
                type="button"
                className={classes.answer}
                aria-pressed={answer === one}
                onClick={() => onAnswer(answer === one ? null : one)}
              >
                {ANSWER_WORDS[one]}
              </button>
            ))}
            <input
              className={classes.number}
              inputMode="numeric"
              aria-label={`${student.name}: ${unitOf(task.drill)}`}
              placeholder="n"
              value={typeof answer === "number" ? String(answer) : ""}
              onChange={(event) => {
                const digits = event.currentTarget.value.replace(/\D/g, "").slice(0, 4);
                onAnswer(digits === "" ? null : Number(digits));
              }}
            />
          </>
        )}
      </span>
    </li>
  );
}

/** What comes along when a round is taken over; `own` answers have not left this device. */
function alongWords(own: number): string {
  if (own === 0) return "Take over, and what is counted so far comes along.";
  const answers = counted(own, "answer that was given here has", "answers that were given here have");
  return `${answers} not reached them: take over to bring that together.`;
}

/** How a round of the drill goes, in a sentence. */
function mannerOf({ kind }: Drill): string {
  if (kind === "hold") return "One clock for all. Tap who stops; whoever is not tapped has held it.";
  return DRILL_ROWS[kind].measure === "tries"
    ? "Everybody at once. Then one tap for each, or how many were right; whoever is not here is left out."
    : "Everybody at once. Then one tap for each, or the number; whoever is not here is left out.";
}

/** One drill and one clock, then one tap for each, or a number. */
export function Round({ keptAs, place, ...rest }: RoundProps) {
  // A class may be counted in two halls at once, and a tab that was loaded anew goes on with its own.
  const [isApart, setApart] = useSessionStorage({
    ...{ key: `mirrup-apart ${place}`, defaultValue: false },
    getInitialValueInEffect: false,
  });
  const apart = isApart ? ` ${TAB_ID}` : "";
  return (
    <RoundHere
      key={apart}
      keptAs={`${keptAs}${apart}`}
      place={`${place}${apart}`}
      {...rest}
      onApart={() => setApart(true)}
    />
  );
}

function RoundHere({
  keptAs,
  place,
  name,
  back,
  practice,
  students,
  tasks,
  pairs = [],
  onApart,
}: RoundProps & { readonly onApart: () => void }) {
  const { subject, sides } = practice;
  const side = sides.at(-1) ?? "whole";
  const first = { subject, beats: practice.beats, side, drill: practice.drillOn(side, null) };
  const ids = students.map((student) => student.id);
  const isStopped = useStops();
  const ended = new Set(students.flatMap(({ id, hasStopped }) => (isStopped(id, hasStopped) ? [id] : [])));
  const round = useRound({ keptAs, place, first, ids, ended, tasks });
  const { drill, startedAt, heldFrom, away } = round;
  const isOneForAll = tasks === undefined;
  const drills = isOneForAll ? [drill] : [...tasks.values()].map((task) => task.drill);
  const holds = drills.flatMap((one) => (one.kind === "hold" ? [one.seconds] : []));
  const seconds = holds.length === 0 ? null : Math.max(...holds);
  // A hold's clock runs from where it was started, any other from the first that was done.
  const clockFrom = seconds === null ? startedAt : heldFrom;
  // Nobody taps the repetitions of a hold.
  const mayTap = pairs.length > 0 && seconds === null;
  const [isTapping, setTapping] = useState(false);
  const jumpersOf = (pair: readonly string[]) =>
    students
      .filter(({ id }) => pair.includes(id) && !ended.has(id))
      .map(({ id, name }) => ({ id, name, words: taskWords(subject, round.taskOf(id)) }));
  const title = practice.titleOf(isOneForAll ? round.side : null);
  const isHeld = (id: string) => round.taskOf(id).drill.kind === "hold" && heldFrom !== null;
  const here = students.filter(
    ({ id }) => !away.includes(id) && (!ended.has(id) || round.answers[id] !== undefined),
  );
  const stopFor = (id: string) => {
    // Until now they held it.
    if (isHeld(id) && round.answers[id] === undefined && !away.includes(id)) round.stop(id);
    sayStop(id, true);
  };
  const answered = here.filter(({ id }) => round.answers[id] !== undefined || isHeld(id)).length;
  return (
    <main className={floor.floor}>
      <FloorHeader to={back} title={title} sub={`${name}, ${counted(students.length, "student")}`}>
        {clockFrom !== null && round.sent === null && <Clock startedAt={clockFrom} seconds={seconds} />}
      </FloorHeader>
      {round.sent === null && (
        <PresenceNote
          presence={round.presence}
          what={alongWords(Object.keys(round.answers).length)}
          {...(isOneForAll && { onApart })}
        />
      )}
      {round.sent === null && round.presence.other === null && (
        <>
          {isOneForAll && startedAt === null && (
            <div className={classes.asked}>
              {sides.length > 1 && (
                <NativeSelect
                  aria-label="Side"
                  size="md"
                  value={round.side}
                  data={sides.map((value) => ({ value, label: practice.sideName(value) }))}
                  onChange={(event) => {
                    const chosen = sides.find((one) => one === event.currentTarget.value) ?? round.side;
                    round.ask({ side: chosen, drill: practice.drillOn(chosen, drill) });
                  }}
                  classNames={{ input: choice.ruleInput }}
                />
              )}
              {practice.choice(round.side, drill, (chosen) => round.ask({ drill: chosen }))}
            </div>
          )}
          {isOneForAll && startedAt !== null && (
            <p className={floor.drill}>{practice.wordsOf(round.side, drill)}</p>
          )}
          {isOneForAll && practice.coaching(round.side, drill, startedAt === null)}
          <p className={floor.note}>
            {isOneForAll ? mannerOf(drill) : "In pairs: one jumps, the other counts; then they change."}
          </p>
          {clockFrom === null && (
            <button type="button" className={classes.start} onClick={round.begin}>
              Start the clock
            </button>
          )}
          {mayTap && (
            <button
              type="button"
              className={classes.manner}
              aria-pressed={isTapping}
              onClick={() => setTapping(!isTapping)}
            >
              {isTapping ? "Answer by name" : "Count by tapping, one button a pair"}
            </button>
          )}
          {mayTap && isTapping ? (
            <PairButtons
              pairs={pairs.map(jumpersOf).filter((pair) => pair.length > 0)}
              answers={round.answers}
              onAnswer={round.answer}
              onPain={stopFor}
            />
          ) : (
            <ul className={classes.rows}>
              {students.map((student) => {
                const task = round.taskOf(student.id);
                return (
                  <AnswerRow
                    key={student.id}
                    student={student}
                    task={task}
                    words={
                      isOneForAll
                        ? practice.noteOf(student.id)
                        : `${taskWords(subject, task)}. ${cueOf(subject, task)}`
                    }
                    answer={round.answers[student.id]}
                    onAnswer={(given) => round.answer(student.id, given)}
                    isEnded={ended.has(student.id)}
                    onPain={() => stopFor(student.id)}
                    held={
                      task.drill.kind === "hold"
                        ? {
                            isRunning: heldFrom !== null,
                            isAway: away.includes(student.id),
                            onStop: () => round.stop(student.id),
                            onAway: (isAway) => round.mark(student.id, isAway),
                          }
                        : null
                    }
                  />
                );
              })}
            </ul>
          )}
          {students.length === 0 && <p className={floor.note}>Nobody is here to count for.</p>}
          {round.unkept && (
            <p className={floor.note} role="alert">
              This browser refuses to keep the round. Leave the page open, allow storage, and finish again.
            </p>
          )}
          <div className={floor.spacer} />
          <div className={classes.finish}>
            <button
              type="button"
              className={floor.clean}
              disabled={answered === 0}
              onClick={() => void round.finish()}
            >
              Finish the round: {answered} of {students.length}
            </button>
          </div>
        </>
      )}
      {round.sent !== null && (
        <Outcome
          ids={round.sent.map((set) => set.id)}
          students={students}
          asked={round.sent.length}
          onAgain={round.again}
        />
      )}
    </main>
  );
}

/** Each at their own drill is told what that asks. */
function cueOf(subject: string, { drill }: RoundTask): string {
  return coachingOf(skillOf(catalogue(), subject), drill).say;
}

function taskWords(subject: string, { side, drill }: RoundTask): string {
  return `${side === "whole" ? "" : `${side} side, `}${drillOfWords(subject, side, drill)}`;
}

interface OutcomeProps {
  readonly ids: readonly string[];
  readonly students: readonly RoundStudent[];
  readonly asked: number;
  readonly onAgain: () => void;
}

/** What the round came to, once the server has it: who cleared, and what is kept on the device meanwhile. */
function Outcome({ ids, students, asked, onAgain }: OutcomeProps) {
  const { replies, refused, silent } = useOutbox();
  const stored = ids.flatMap((id) => replies.get(id) ?? []);
  const nameOf = new Map(students.map((student) => [student.id, student.name]));
  const cleared = [...new Set(stored)].flatMap((reply) =>
    reply.changes.filter((change) => change.to === "cleared" && change.from !== "cleared"),
  );
  const kept = refused.filter((one) => ids.includes(one.command.id));
  return (
    <div className={classes.outcome} role="status">
      <h2>{counted(asked, "set")} of this round</h2>
      <p>
        {stored.length === ids.length
          ? "All of them are stored."
          : silent
            ? "They are kept on this device and sent as soon as the server answers."
            : "They are kept on this device and being sent."}
      </p>
      {cleared.length > 0 && (
        <p>
          <strong>Cleared:</strong> {cleared.map((one) => nameOf.get(one.studentId) ?? "").join(", ")}.
        </p>
      )}
      {kept.length > 0 && <p>{kept.length} of them need attention; see the note above.</p>}
      <button type="button" className={floor.clean} onClick={onAgain}>
        Another round
      </button>
    </div>
  );
}
