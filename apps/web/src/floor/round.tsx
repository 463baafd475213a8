import { CATALOGUE } from "@mirrup/catalogue";
import { sidesOf, skillOf, type SideName } from "@mirrup/core";
import { ROUND_ANSWERS, type RoundAnswer } from "@mirrup/core/teaching";
import { ActionIcon, NativeSelect } from "@mantine/core";
import { useInterval } from "@mantine/hooks";
import { IconMinus, IconPlus } from "@tabler/icons-react";
import { useState } from "react";
import { Link } from "react-router";
import type { RoundTask } from "../app/round-set.js";
import { capital, skillName, subjectName } from "../app/words.js";
import { OutboxNote, useOutbox } from "../device/index.js";
import choice from "./drill-choice.module.css";
import floor from "./floor.module.css";
import classes from "./round-page.module.css";
import { useRound } from "./use-round.js";

const ASKED_AT_FIRST = 10;
const MOST = 500;
const TICK_MS = 500;

const ANSWER_WORDS: Readonly<Record<(typeof ROUND_ANSWERS)[number], string>> = {
  "made-it": "Made it",
  nearly: "Nearly",
  "not-yet": "Not yet",
};

interface RoundStudent {
  readonly id: string;
  readonly name: string;
}

interface RoundProps {
  /** Under what the round is kept on the device while it goes on. */
  readonly keptAs: string;
  readonly name: string;
  /** Where leaving the floor leads. */
  readonly back: string;
  readonly subject: string;
  readonly students: readonly RoundStudent[];
  /** What each one is to do, where it is not the same for all. */
  readonly tasks?: ReadonlyMap<string, RoundTask>;
}

function Clock({ startedAt }: { readonly startedAt: number }) {
  const [now, setNow] = useState(() => Date.now());
  useInterval(() => setNow(Date.now()), TICK_MS, { autoInvoke: true });
  const seconds = Math.max(0, Math.floor((now - startedAt) / 1000));
  return (
    <span className={classes.clock} role="timer" aria-label="Since the round began">
      {Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, "0")}
    </span>
  );
}

interface AnswerRowProps {
  readonly student: RoundStudent;
  readonly task: RoundTask | undefined;
  readonly answer: RoundAnswer | undefined;
  readonly onAnswer: (answer: RoundAnswer | null) => void;
}

function AnswerRow({ student, task, answer, onAnswer }: AnswerRowProps) {
  return (
    <li className={classes.row}>
      <span className={classes.name}>
        {student.name}
        {task !== undefined && (
          <small className={classes.task}>
            {task.side === "whole" ? "" : `${task.side} side, `}
            {task.asked} in a row
          </small>
        )}
      </span>
      <span className={classes.answers} role="group" aria-label={student.name}>
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
          aria-label={`${student.name}: in a row`}
          placeholder="n"
          value={typeof answer === "number" ? String(answer) : ""}
          onChange={(event) => {
            const digits = event.currentTarget.value.replace(/\D/g, "").slice(0, 4);
            onAnswer(digits === "" ? null : Number(digits));
          }}
        />
      </span>
    </li>
  );
}

/** One drill and one clock, then one tap for each, or a number. */
export function Round({ keptAs, name, back, subject, students, tasks }: RoundProps) {
  const skill = skillOf(CATALOGUE, subject);
  const sides = sidesOf(skill);
  const round = useRound(keptAs, { subject, side: sides.at(-1) ?? "whole", asked: ASKED_AT_FIRST }, tasks);
  const answered = Object.keys(round.answers).length;
  const isOneForAll = tasks === undefined;
  const title = capital(isOneForAll ? subjectName(subject, round.side) : skillName(subject));
  return (
    <main className={floor.floor}>
      <header className={floor.header}>
        <Link to={back} className={floor.leave}>
          Leave the floor
        </Link>
        <div className={floor.names}>
          <h1>{title}</h1>
          <p>
            {name}, {students.length} students
          </p>
        </div>
        {round.startedAt !== null && round.sent === null && <Clock startedAt={round.startedAt} />}
        <OutboxNote />
      </header>
      {round.sent === null ? (
        <>
          <div className={choice.choice}>
            {isOneForAll && sides.length > 1 && (
              <NativeSelect
                aria-label="Side"
                size="md"
                value={round.side}
                data={sides.map((value) => ({ value, label: `${value} side` }))}
                onChange={(event) => {
                  const side: SideName = sides.find((one) => one === event.currentTarget.value) ?? round.side;
                  round.ask({ side });
                }}
                classNames={{ input: choice.ruleInput }}
              />
            )}
            {isOneForAll && (
              <div className={choice.aim} role="group" aria-label="How many in a row">
                <ActionIcon
                  size={48}
                  className={choice.step}
                  aria-label="One less"
                  disabled={round.asked <= 1}
                  onClick={() => round.ask({ asked: round.asked - 1 })}
                >
                  <IconMinus aria-hidden />
                </ActionIcon>
                <output>{round.asked}</output>
                <ActionIcon
                  size={48}
                  className={choice.step}
                  aria-label="One more"
                  disabled={round.asked >= MOST}
                  onClick={() => round.ask({ asked: round.asked + 1 })}
                >
                  <IconPlus aria-hidden />
                </ActionIcon>
              </div>
            )}
            {round.startedAt === null && (
              <button type="button" className={floor.small} onClick={round.begin}>
                Start the clock
              </button>
            )}
            <p className={choice.manner}>
              {isOneForAll
                ? `${round.asked} in a row, everybody at once.`
                : "In pairs: one jumps, the other counts; then they change."}{" "}
              Then one tap for each, or the number; whoever is not here is left out.
            </p>
          </div>
          <ul className={classes.rows}>
            {students.map((student) => (
              <AnswerRow
                key={student.id}
                student={student}
                task={tasks?.get(student.id)}
                answer={round.answers[student.id]}
                onAnswer={(given) => round.answer(student.id, given)}
              />
            ))}
          </ul>
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
      ) : (
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
      <h2>
        {asked} {asked === 1 ? "set" : "sets"} of this round
      </h2>
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
