import { CAUTIONS } from "@mirrup/catalogue";
import type { HomeDrill, HomeSet, HomeView } from "@mirrup/contract";
import { FAMILIES, grouped } from "@mirrup/core";
import { isMet } from "@mirrup/core/teaching";
import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from "react";
import { v7 as uuid } from "uuid";
import { countsWords, drillOfWords } from "../app/drill-words.js";
import { runAt } from "../app/floor-run.js";
import type { KeptRun } from "../app/kept-run.js";
import { familyOf } from "../app/family.js";
import { counted } from "../app/plural.js";
import {
  capital,
  dateTimeWords,
  dateWords,
  FAMILY_NAMES,
  goalWords,
  listWords,
  skillName,
  subjectName,
} from "../app/words.js";
import { CountingScreen } from "./counting-screen.js";
import { tappedSet, type Counting } from "./counted.js";
import { countingKept, keepCounting } from "./kept-counting.js";
import { commandOf, homeOutbox } from "./outbox.js";
import { useHome } from "./use-home.js";
import classes from "./page.module.css";

/** A student's own practice: what to do today, how it is counted, and how far they have come. */
export function HomePage({ token }: { readonly token: string }) {
  const { home, readAgain } = useHome(token);
  const outbox = useMemo(() => homeOutbox(token), [token]);
  const { waiting, refused, silent } = useSyncExternalStore(outbox.onChange, outbox.current);
  const [found] = useState(() => countingKept(token, localStorage, Date.now()));
  const [counting, setCounting] = useState(found?.isOld === false ? found.counting : null);
  // Left in the middle: what was tapped stays on the phone.
  const [begun, setBegun] = useState(found?.isOld === true ? found.counting : null);
  const [isThanked, setThanked] = useState(false);
  const [isUnkept, setUnkept] = useState(false);
  useEffect(() => {
    const flush = () => void outbox.flush();
    flush();
    window.addEventListener("online", flush);
    return () => window.removeEventListener("online", flush);
  }, [outbox]);
  const count = (changed: Counting | null) => {
    keepCounting(token, changed, localStorage);
    setCounting(changed);
    setBegun(null);
  };
  const leave = () => {
    const hasTaps = (counting?.kept?.taps.length ?? 0) > 0;
    if (!hasTaps) count(null);
    else {
      setBegun(counting);
      setCounting(null);
    }
  };
  const handing = useRef(false);
  const finish = async (set: HomeSet) => {
    // A finger that bounces hands in one set.
    if (handing.current) return;
    handing.current = true;
    try {
      setUnkept(!(await outbox.say([commandOf(token, set)])));
      count(null);
    } finally {
      handing.current = false;
    }
    setThanked(true);
    await outbox.flush();
    readAgain();
  };
  if (home.kind === "ended") {
    return (
      <main className={classes.page}>
        <h1>Nothing to show</h1>
        <p>{home.message}</p>
        {waiting.length + refused.length > 0 && (
          <p>{counted(waiting.length + refused.length, "set")} from this phone can no longer be handed in.</p>
        )}
      </main>
    );
  }
  if (counting !== null) {
    return (
      <CountingScreen
        counting={counting}
        onChange={count}
        onFinish={(set) => void finish(set)}
        onLeave={leave}
      />
    );
  }
  return (
    <main className={classes.page}>
      <header>
        <p className={classes.mark}>mirrup</p>
        <h1>Your practice</h1>
      </header>
      <Handing waiting={waiting.length} {...{ silent, isThanked, isUnkept }} />
      {begun?.kept != null && (
        <Begun
          about={begun}
          run={begun.kept}
          isOld={found?.isOld === true && begun === found.counting}
          onGoOn={() => count(begun)}
          onHandIn={(set) => void finish(set)}
          onDrop={() => count(null)}
        />
      )}
      {refused.map((one) => (
        <p key={one.command.id} className={classes.note} role="alert">
          A set was not taken: {one.refusal?.message}{" "}
          <button type="button" className={classes.plain} onClick={() => void outbox.discard(one)}>
            Leave it out
          </button>
        </p>
      ))}
      {home.kind === "reading" && <p className={classes.soft}>Reading …</p>}
      {home.kind === "silent" && (
        <p className={classes.note}>
          Nobody answers. Open this page once where there is a network; after that it opens without one.{" "}
          <button type="button" className={classes.plain} onClick={readAgain}>
            Try again
          </button>
        </p>
      )}
      {home.kind === "shown" && (
        <Shown
          view={home.view}
          keptAt={home.keptAt}
          onBegin={({ subject, side, drill }) => count({ id: uuid(), subject, side, drill, kept: null })}
        />
      )}
    </main>
  );
}

interface BegunProps {
  readonly about: Counting;
  readonly run: KeptRun;
  /** Whether it was begun on another day. */
  readonly isOld: boolean;
  readonly onGoOn: () => void;
  readonly onHandIn: (set: HomeSet) => void;
  readonly onDrop: () => void;
}

/** A set that was left in the middle: of today it is gone on with, of another day handed in as it was. */
function Begun({ about, run, isOld, onGoOn, onHandIn, onDrop }: BegunProps) {
  const name = subjectName(about.subject, about.side);
  return (
    <p className={classes.note}>
      {isOld
        ? `A set of ${name} was begun on ${dateTimeWords(new Date(run.startedAt).toISOString())} and not handed in: ${countsWords(runAt(run, run.lastTapAt))}.`
        : `A set of ${name} is begun.`}{" "}
      Another one that you begin takes its place.{" "}
      {isOld ? (
        <button
          type="button"
          className={classes.plain}
          onClick={() => onHandIn(tappedSet(about, run, Date.now()))}
        >
          Hand it in as it is
        </button>
      ) : (
        <button type="button" className={classes.plain} onClick={onGoOn}>
          Go on with it
        </button>
      )}{" "}
      <button type="button" className={classes.plain} onClick={onDrop}>
        Throw it away
      </button>
    </p>
  );
}

interface HandingProps {
  readonly waiting: number;
  readonly silent: boolean;
  readonly isThanked: boolean;
  /** Whether the phone has refused to keep what waits. */
  readonly isUnkept: boolean;
}

/** What has become of the sets that were counted here. */
function Handing({ waiting, silent, isThanked, isUnkept }: HandingProps) {
  const words =
    waiting > 0
      ? `${counted(waiting, "set waits", "sets wait")} on this phone${silent ? ", until there is a network" : ""}.${isUnkept ? " The phone has no room to keep it: leave this page open until then." : ""}`
      : isThanked
        ? "Handed in. Your instructor sees it, and says whether it counts."
        : null;
  return (
    <p className={classes.note} role="status" hidden={words === null}>
      {words}
    </p>
  );
}

interface ShownProps {
  readonly view: HomeView;
  readonly keptAt: string | null;
  readonly onBegin: (drill: HomeDrill) => void;
}

const REST_WORDS = {
  stopped: "Today is for rest: jumping has ended early. Whatever hurts and goes on hurting is for a doctor.",
  allowance: "Your legs have jumped enough this week. What is left lands on nothing.",
} as const;

function Shown({ view, keptAt, onBegin }: ShownProps) {
  const { rest, drills, cleared, goals, waiting } = view;
  return (
    <>
      {keptAt !== null && <p className={classes.soft}>As of {dateTimeWords(keptAt)}.</p>}
      {rest !== null && <p className={classes.note}>{REST_WORDS[rest]}</p>}
      <section aria-labelledby="today">
        <h2 id="today">Today</h2>
        {drills.length === 0 && rest !== "stopped" && (
          <p>Nothing for home just now. New things begin in the lesson, where somebody looks.</p>
        )}
        <ol className={classes.drills}>
          {drills.map((one) => (
            <li key={`${one.subject} ${one.side}`}>
              <button type="button" className={classes.drill} onClick={() => onBegin(one)}>
                <strong>{capital(subjectName(one.subject, one.side))}</strong>
                <span>{drillOfWords(one.subject, one.side, one.drill)}</span>
              </button>
            </li>
          ))}
        </ol>
        {waiting > 0 && (
          <p className={classes.soft}>
            {counted(waiting, "set of yours waits", "sets of yours wait")} for your instructor to look at.
          </p>
        )}
      </section>
      {goals.map(({ goal, left, cleared: lately }) => (
        <section key={`${goal.subject} ${goal.side}`}>
          <h2>The way to the {goalWords(goal)}</h2>
          <p>
            {left.length === 0
              ? "You are there."
              : `Still to come, ${left.length}: ${listWords(left.map(({ subject, side }) => subjectName(subject, side)))}.`}{" "}
            {lately.length === 0
              ? "Nothing of it was cleared in the last month."
              : `Cleared in the last month: ${listWords(lately.map(({ subject, side }) => subjectName(subject, side)))}.`}
          </p>
        </section>
      ))}
      {cleared.length > 0 && (
        <section>
          <h2>Cleared lately</h2>
          <ul className={classes.lines}>
            {cleared.map(({ subject, side, day }) => (
              <li key={`${subject} ${side}`}>
                {capital(subjectName(subject, side))}, {dateWords(day)}
              </li>
            ))}
          </ul>
        </section>
      )}
      <Strands strands={view.strands} />
      <section className={classes.care}>
        <h2>Take care</h2>
        <p>
          {CAUTIONS["warm-up"]} {CAUTIONS.surface} {CAUTIONS.shoes} {CAUTIONS.space} {CAUTIONS.pain}
        </p>
      </section>
    </>
  );
}

/** All that can be done by now, by family. */
function Strands({ strands }: { readonly strands: HomeView["strands"] }) {
  const able = strands.filter(({ status }) => isMet(status));
  const skills = grouped(able, ({ subject }) => subject);
  const wordsOf = (subject: string) => {
    const sides = (skills.get(subject) ?? []).map(({ side }) => side);
    const [only] = sides;
    return sides.length === 1 && only !== "whole"
      ? `${skillName(subject)} (${only ?? ""})`
      : skillName(subject);
  };
  return (
    <section>
      <h2>What you can do</h2>
      {skills.size === 0 && <p>The first one comes soon.</p>}
      {FAMILIES.map((family) => {
        const own = [...skills.keys()].filter((subject) => familyOf(subject) === family);
        return own.length === 0 ? null : (
          <p key={family} className={classes.family} style={{ borderColor: `var(--family-${family})` }}>
            <strong>{FAMILY_NAMES[family]}</strong> {listWords(own.map(wordsOf))}
          </p>
        );
      })}
    </section>
  );
}
