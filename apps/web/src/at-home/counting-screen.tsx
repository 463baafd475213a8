import { CAUTIONS, coachingOf } from "@mirrup/catalogue";
import type { HomeSet } from "@mirrup/contract";
import { callOf, DRILL_ROWS, parseScore, sideScore, type CalledBeat, type Score } from "@mirrup/core";
import { secondsOf } from "@mirrup/core/teaching";
import { useEffect, useMemo, useState } from "react";
import { catalogue, ownWayOf } from "../app/catalogue.js";
import { countsWords, drillOfWords, patternWords } from "../app/drill-words.js";
import { useWakeLock } from "../app/use-wake-lock.js";
import { capital, subjectName } from "../app/words.js";
import { MovingPicture } from "../figure/moving/index.js";
import { countedAt, newRun, withEntry, withoutLast } from "../app/floor-run.js";
import { tappedSet, typedFault, typedSet, type Counting } from "./counted.js";
import { useCalling } from "./use-calling.js";
import classes from "./page.module.css";

interface CountingScreenProps {
  readonly counting: Counting;
  readonly onChange: (counting: Counting) => void;
  readonly onFinish: (set: HomeSet) => void;
  readonly onLeave: () => void;
}

const TICK_MS = 250;
const USUAL_TEMPO = 100;
const TEMPO = { least: 40, most: 260 } as const;

/** What is called of a drill: its own moves, else the skill's; nothing where nobody knows them. */
function calledOf(own: string | undefined, skill: Score | null): readonly CalledBeat[] {
  const parsed = own === undefined ? null : parseScore(own);
  const score = parsed?.ok === true ? parsed.score : skill;
  return score === null ? [] : callOf(score);
}

/** One drill at home: what to think of, a pad to tap, or a number afterwards. */
export function CountingScreen({ counting, onChange, onFinish, onLeave }: CountingScreenProps) {
  const { subject, side, drill } = counting;
  const [now, setNow] = useState(() => Date.now());
  const [tempo, setTempo] = useState(USUAL_TEMPO);
  const [isTyped, setTyped] = useState(false);
  useWakeLock();
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), TICK_MS);
    return () => clearInterval(timer);
  }, []);
  const skill = catalogue().skills.get(subject);
  const score = useMemo(() => (skill === undefined ? null : sideScore(skill, side)), [skill, side]);
  const called = useMemo(() => calledOf(drill.score, score), [drill.score, score]);
  const { heard, words, isMute, hear } = useCalling(tempo, called);
  const { kept } = counting;
  const { run, begun, elapsed } = countedAt({ kept, now }, drill);
  const clock = secondsOf(drill);
  const isWaiting = clock !== null && !begun;
  const isOver = run.end !== "running";
  const pattern = patternWords(drill);
  const start = (at: number) => kept ?? newRun(counting.id, drill, at);
  const tap = (kind: "clean" | "miss") => {
    const at = Date.now();
    if ("vibrate" in navigator) navigator.vibrate(20);
    onChange({ ...counting, kept: withEntry(start(at), { kind }, at) });
  };
  return (
    <main className={`${classes.counting ?? ""} night`}>
      <header className={classes.head}>
        <h1>{capital(subjectName(subject, side))}</h1>
        <p>{drillOfWords(subject, side, drill)}</p>
        {pattern !== null && <p className={classes.soft}>{pattern}</p>}
      </header>
      {skill !== undefined && <Thoughts skill={skill} counting={counting} />}
      {score !== null && kept === null && !isTyped && (
        <MovingPicture score={score} name={subjectName(subject, side)} className={classes.moving} />
      )}
      {isTyped ? (
        <Typing
          onDone={(typed) => onFinish(typedSet(counting, typed, Date.now()))}
          onBack={() => setTyped(false)}
        />
      ) : (
        <>
          <p className={classes.numeral} aria-live="polite">
            {drill.kind !== "hold" && (
              <>
                <strong>{run.done}</strong> of {run.asked}{" "}
              </>
            )}
            {clock !== null && (
              <span>
                <strong>{Math.max(0, Math.ceil(clock - elapsed))}</strong> s
              </span>
            )}
          </p>
          <p className={classes.soft}>
            {run.end === "passed" ? "Done! " : isOver ? "That is the set. " : ""}
            {countsWords(run)}
          </p>
          <div className={classes.pads}>
            {isWaiting ? (
              <button
                type="button"
                className={classes.clean}
                onClick={() => onChange({ ...counting, kept: start(Date.now()) })}
              >
                Start the clock
              </button>
            ) : (
              drill.kind !== "hold" && (
                <button
                  type="button"
                  className={classes.clean}
                  disabled={isOver}
                  onClick={() => tap("clean")}
                >
                  Clean
                </button>
              )
            )}
            <button
              type="button"
              className={classes.miss}
              disabled={isOver || isWaiting}
              onClick={() => tap("miss")}
            >
              Missed
            </button>
          </div>
          {words !== null && (
            <p className={classes.called} aria-hidden>
              {words}
            </p>
          )}
          {isMute && heard === "call" && (
            <p className={classes.soft}>The voice cannot be loaded just now. Read the words to the beat.</p>
          )}
          <div className={classes.row}>
            <button
              type="button"
              disabled={kept === null || kept.taps.length === 0}
              onClick={() => kept !== null && onChange({ ...counting, kept: withoutLast(kept) })}
            >
              Undo
            </button>
            <button type="button" onClick={() => setTyped(true)}>
              Type it instead
            </button>
            <button
              type="button"
              className={classes.done}
              disabled={kept === null || (kept.taps.length === 0 && !isOver)}
              onClick={() => kept !== null && onFinish(tappedSet(counting, kept, Date.now()))}
            >
              Hand in
            </button>
          </div>
          <div className={classes.row}>
            <button
              type="button"
              aria-pressed={heard === "beat"}
              onClick={() => hear(heard === "beat" ? "nothing" : "beat")}
            >
              {heard === "beat" ? "Stop the beat" : "A beat"}
            </button>
            {called.length > 0 && (
              <button
                type="button"
                aria-pressed={heard === "call"}
                onClick={() => hear(heard === "call" ? "nothing" : "call")}
              >
                {heard === "call" ? "Stop calling" : "Call it out"}
              </button>
            )}
            <label>
              <input
                type="range"
                min={TEMPO.least}
                max={TEMPO.most}
                step={2}
                value={tempo}
                onChange={(event) => setTempo(Number(event.currentTarget.value))}
              />{" "}
              {tempo} a minute
            </label>
          </div>
        </>
      )}
      <button type="button" className={classes.leave} onClick={onLeave}>
        Not now
      </button>
    </main>
  );
}

interface ThoughtsProps {
  readonly skill: Parameters<typeof coachingOf>[0];
  readonly counting: Counting;
}

/** What to say to oneself, what to look at, and what can hurt. */
function Thoughts({ skill, counting: { subject, drill } }: ThoughtsProps) {
  const { say, look } = coachingOf(skill, drill);
  const note = ownWayOf(subject)?.note;
  const cautions = DRILL_ROWS[drill.kind].hasRope ? skill.cautions : [];
  return (
    <div className={classes.thoughts}>
      <p className={classes.cue}>{say}</p>
      <p>
        <strong>Look at</strong> {look}
      </p>
      {note !== undefined && <p>{note}</p>}
      {cautions.length > 0 && <p>{cautions.map((code) => CAUTIONS[code]).join(" ")}</p>}
    </div>
  );
}

interface TypingProps {
  readonly onDone: (typed: Parameters<typeof typedSet>[1]) => void;
  readonly onBack: () => void;
}

/** What was counted in the head: how many were clean, how many missed, and the best run where it is known. */
function Typing({ onDone, onBack }: TypingProps) {
  const [typed, setTyped] = useState({ clean: "", missed: "", best: "" });
  const [fault, setFault] = useState<string | null>(null);
  const numberOf = (text: string) => (text.trim() === "" ? 0 : Number(text));
  const field = (name: keyof typeof typed, label: string) => (
    <label>
      {label}
      <input
        inputMode="numeric"
        value={typed[name]}
        onChange={(event) => setTyped({ ...typed, [name]: event.currentTarget.value })}
      />
    </label>
  );
  return (
    <form
      className={classes.typing}
      onSubmit={(event) => {
        event.preventDefault();
        const all = {
          clean: numberOf(typed.clean),
          missed: numberOf(typed.missed),
          best: typed.best.trim() === "" ? null : Number(typed.best),
        };
        const wrong = typedFault(all);
        setFault(wrong);
        if (wrong === null) onDone(all);
      }}
    >
      {field("clean", "Clean tries")}
      {field("missed", "Missed")}
      {field("best", "Best in a row, if you know")}
      {fault !== null && <p role="alert">{fault}</p>}
      <div className={classes.row}>
        <button type="button" onClick={onBack}>
          Back to tapping
        </button>
        <button type="submit" className={classes.done}>
          Hand in
        </button>
      </div>
    </form>
  );
}
