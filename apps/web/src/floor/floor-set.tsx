import type { NextItem, SetRequest, StandingItem } from "@mirrup/contract";
import { secondsOf, type Gate, type RunnableDrill } from "@mirrup/core";
import { useEffect, useRef, useState } from "react";
import { drillWords, MISS_RULE_NAMES, percentWords } from "../app/words.js";
import { Counter } from "./counter.js";
import { aimOf } from "./drill-address.js";
import { DrillChoice } from "./drill-choice.js";
import { FaultStrip, faultsOf } from "./fault-strip.js";
import { Result } from "./result.js";
import { TempoBar, type TempoTaps } from "./tempo-bar.js";
import { useFloorKeys } from "./use-floor-keys.js";
import { useOutcome } from "./use-outcome.js";
import { useSuggestion } from "./use-suggestion.js";
import { useRun, type RunSubject } from "./use-run.js";
import classes from "./floor.module.css";

/** Before the standings are read; only the drill's list asks for it. */
const NO_GATE: Gate = { kind: "streak", count: 10 };

/** Counted aloud in fives, tapped once. */
const FIVE = 5;

const clock = new Intl.DateTimeFormat("en-GB", { timeStyle: "short" });

interface FloorSetProps {
  readonly about: RunSubject;
  readonly proposed: RunnableDrill;
  readonly proposal: NextItem | undefined;
  readonly standings: readonly StandingItem[] | undefined;
  readonly next: NextItem | undefined;
  readonly onChoose: (drill: RunnableDrill) => void;
  readonly onNext: () => void;
  /** Begins a new set here. */
  readonly onAgain: () => void;
}

/** One set on the floor: counted until it is finished, then what it came to. */
export function FloorSet(props: FloorSetProps) {
  const { about, proposed, proposal, standings, next, onChoose, onNext, onAgain } = props;
  const floor = useRun(about, proposed);
  const [finished, setFinished] = useState<SetRequest | null>(null);
  const [unkept, setUnkept] = useState(false);
  const sent = useOutcome(finished);
  const suggestion = useSuggestion(finished, standings, onAgain);
  const tempo = useRef<TempoTaps>(undefined);
  const heading = useRef<HTMLDivElement>(null);
  const { run, drill } = floor;
  const { begun } = floor;
  const isClocked = secondsOf(drill) !== null;
  const waitsForClock = isClocked && !begun;
  const last = floor.taps.at(-1);
  const asksWhy = last?.kind === "miss" && last.fault === undefined;
  const over = run.end !== "running";

  const finish = () => {
    if (!begun) return;
    floor.finish().then(
      (set) => {
        setUnkept(false);
        setFinished(set);
      },
      () => setUnkept(true),
    );
  };
  // A clock is started by what counts a clean one elsewhere; nobody taps a hold's repetitions.
  const press = () => {
    if (waitsForClock) floor.begin();
    else if (drill.kind !== "hold") floor.tap({ kind: "clean" });
  };
  useFloorKeys({
    clean: () => finished === null && press(),
    miss: () => finished === null && !waitsForClock && floor.tap({ kind: "miss" }),
    tempo: () => tempo.current?.tap(),
    number: (place) => {
      const fault = faultsOf(about.subject)[place];
      if (finished === null && asksWhy && fault !== undefined) floor.name(fault);
    },
    undo: () => finished === null && floor.undo(),
    next: () => (finished === null ? finish() : sent.kind !== "sending" && onNext()),
  });
  // The button that had the focus is gone once the set is finished.
  useEffect(() => {
    if (finished !== null) heading.current?.focus();
  }, [finished]);

  if (finished !== null) {
    return (
      <div ref={heading} tabIndex={-1} className={classes.stage}>
        <Result
          set={finished}
          outcome={sent}
          standings={standings}
          suggestion={suggestion}
          next={next}
          onNext={onNext}
        />
      </div>
    );
  }
  const item = standings?.find((one) => one.subject === about.subject && one.side === about.side);
  return (
    <div className={classes.stage}>
      <div className={classes.top}>
        {begun ? (
          <p className={classes.drill}>
            {drillWords(drill)}
            {drill.kind === "climb" && `; after a miss: ${MISS_RULE_NAMES[drill.onMiss]}`}
          </p>
        ) : (
          <DrillChoice
            subject={about.subject}
            side={about.side}
            gate={item?.gate ?? NO_GATE}
            drill={drill}
            onChange={onChoose}
          />
        )}
        {!begun && proposal?.drill.kind === drill.kind && aimOf(drill) === aimOf(proposed) && (
          <p className={classes.note}>Proposed: {percentWords(proposal.chance)} chance to reach it.</p>
        )}
        {floor.resumedFrom !== null && (
          <p className={classes.note}>
            Goes on from {clock.format(floor.resumedFrom)}, where it was left.{" "}
            <button type="button" className={classes.inline} onClick={floor.discard}>
              Begin afresh
            </button>
          </p>
        )}
        {(floor.unkept || unkept) && (
          <p className={classes.note} role="alert">
            This browser refuses to keep the taps. Leave the page open, free some space or allow storage, and
            finish again.
          </p>
        )}
      </div>
      <Counter floor={floor} item={item} />
      <TempoBar taps={floor.taps} onReady={(taps) => (tempo.current = taps)} />
      <div className={classes.spacer} />
      <div className={classes.side}>
        <div className={classes.why}>
          {asksWhy && <FaultStrip subject={about.subject} onName={floor.name} />}
        </div>
        {drill.kind === "count" && begun && !over && (
          <button
            type="button"
            className={classes.small}
            onClick={() => floor.tap({ kind: "clean", times: FIVE })}
          >
            +{FIVE}
          </button>
        )}
        <button type="button" className={classes.small} disabled={!begun} onClick={floor.undo}>
          Undo <kbd>Z</kbd>
        </button>
        <button type="button" className={classes.small} disabled={!begun} onClick={finish} data-over={over}>
          Finish <kbd>Enter</kbd>
        </button>
      </div>
      {over && (
        <button type="button" className={classes.clean} onClick={finish}>
          {run.end === "passed" ? "Reached: finish the set" : "Stopped: finish the set"}
          <kbd>Enter</kbd>
        </button>
      )}
      {!over && waitsForClock && (
        <button type="button" className={classes.clean} disabled={!floor.ready} onClick={floor.begin}>
          Start the clock <kbd>Space</kbd>
        </button>
      )}
      {!over && !waitsForClock && (
        <div className={classes.pair} data-alone={drill.kind === "hold"}>
          {drill.kind !== "hold" && (
            <button type="button" className={classes.clean} disabled={!floor.ready} onClick={press}>
              {isTryDrill(drill) ? "Right" : "Clean"} <kbd>Space</kbd>
            </button>
          )}
          <button
            type="button"
            className={classes.miss}
            disabled={!floor.ready}
            onClick={() => floor.tap({ kind: "miss" })}
          >
            {isTryDrill(drill) ? "Not yet" : "Miss"} <kbd>M</kbd>
          </button>
        </div>
      )}
    </div>
  );
}

/** Drills in which a look decides: right, or not yet. */
function isTryDrill({ kind }: RunnableDrill): boolean {
  return kind === "shadow" || kind === "toe-catch";
}
