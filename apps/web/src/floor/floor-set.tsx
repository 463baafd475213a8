import type { NextItem, SetRequest, StandingItem } from "@mirrup/contract";
import { measureScore, skillOf, usualTempo, type Gate, type Drill } from "@mirrup/core";
import { restAfterSet } from "@mirrup/core/planning";
import { secondsATry, secondsOf } from "@mirrup/core/teaching";
import { useLocalStorage } from "@mantine/hooks";
import { useEffect, useMemo, useState } from "react";
import { catalogue } from "../app/catalogue.js";
import { drillOfWords } from "../app/drill-words.js";
import { SmallBraid } from "../braid/index.js";
import { TellingStill } from "../figure/index.js";
import { Corrections } from "./corrections.js";
import { Counter } from "./counter.js";
import type { Counting } from "./counting.js";
import { CountingChoice } from "./counting-choice.js";
import { Deck } from "./deck.js";
import { addressOf } from "../app/drill-address.js";
import { FaultStrip } from "./fault-strip.js";
import { faultsOf } from "./faults-of.js";
import { FinishedSet } from "./finished-set.js";
import { asksWhy, type Counted, type HandCounts, type RunSubject } from "../app/floor-run.js";
import { FloorLadder } from "./floor-ladder.js";
import { HandForm } from "./hand-form.js";
import { HandleBar } from "./handle-bar.js";
import { Pads } from "./pads.js";
import { Rest } from "./rest.js";
import { beginRest } from "./rest-left.js";
import { useScoreOfDrill } from "./score-of-drill.js";
import { tappedTimes } from "../app/ticks.js";
import { SetHeading } from "./set-heading.js";
import { TempoTools } from "./tempo-tools.js";
import { useFloorKeys } from "./use-floor-keys.js";
import { useHandle } from "./use-handle.js";
import type { Lead } from "./use-lead.js";
import { useRun } from "./use-run.js";
import type { Voice } from "../voice/index.js";
import { useSpokenCount } from "./use-spoken-count.js";
import { useTempo } from "./use-tempo.js";
import classes from "./floor.module.css";

/** Before the standings are read; only the drill's list asks for it. */
const NO_GATE: Gate = { kind: "streak", count: 10 };

/** A set that lasts as long is worth telling others of. */
const COUNTS_MS = 4000;

interface FloorSetProps {
  readonly about: RunSubject;
  readonly proposed: Drill;
  readonly proposal: NextItem | undefined;
  readonly standings: readonly StandingItem[] | undefined;
  /** How far the student's rope is from the one that fits, mm; null where it is not known. */
  readonly ropeMisfitMm: number | null;
  /** The way on after the set. */
  readonly lead: Lead | null;
  /** What is proposed of this side now; undefined while it is being read. */
  readonly here: NextItem | undefined;
  /** The first proposal beside this one. */
  readonly after: NextItem | undefined;
  readonly onChoose: (drill: Drill) => void;
  /** Hears that a set is being counted here. */
  readonly onCounting: () => void;
  /** Hears of each set that is finished here. */
  readonly onFinished: (set: SetRequest) => void;
  readonly voice: Voice;
  /** Begins a new set here. */
  readonly onAgain: () => void;
}

/** One set on the floor: counted until it is finished, then what it came to. */
export function FloorSet(props: FloorSetProps) {
  const {
    about,
    proposed,
    proposal,
    standings,
    ropeMisfitMm,
    lead,
    here,
    after,
    onChoose,
    onCounting,
    onFinished,
    onAgain,
    voice,
  } = props;
  const isProposed = useMemo(
    () => proposal !== undefined && addressOf(proposal.drill).toString() === addressOf(proposed).toString(),
    [proposal, proposed],
  );
  const floor = useRun(about, proposed, isProposed ? (proposal?.chance ?? null) : null);
  const { run, drill, begun, pacing } = floor;
  const [counting, setCounting] = useLocalStorage<Counting>({
    key: "mirrup-counting",
    defaultValue: "tap",
    getInitialValueInEffect: false,
  });
  const score = useScoreOfDrill(about, drill);
  const usual = score === null ? null : usualTempo(score);
  const tempo = useTempo({ subject: about.subject, usual }, voice.recorded);
  useSpokenCount(voice, run);
  const handle = useHandle(floor, score === null ? 1 : Math.max(1, measureScore(score).turns));
  const [finished, setFinished] = useState<SetRequest | null>(null);
  const item = standings?.find((one) => one.subject === about.subject && one.side === about.side);
  // What a path asks for can be more than the side's own gate.
  const gate = proposal?.gate ?? item?.gate ?? NO_GATE;
  const [asked, setAsked] = useState(gate);
  const [unkept, setUnkept] = useState(false);
  useEffect(() => {
    if (!begun) return undefined;
    const timer = setTimeout(onCounting, COUNTS_MS);
    return () => clearTimeout(timer);
  }, [begun, onCounting]);
  const waitsForClock = (at: Counted) => secondsOf(at.drill) !== null && !at.begun;

  const take = (set: Promise<SetRequest> | null) => {
    if (set === null) return;
    handle.stop();
    setAsked(gate);
    set.then(
      (stored) => {
        setUnkept(false);
        beginRest(stored.studentId, Date.now(), restAfterSet(score, drill));
        setFinished(stored);
        onFinished(stored);
      },
      () => setUnkept(true),
    );
  };
  const finish = () => {
    if (floor.newest().begun) take(floor.finish());
  };
  // A clock is started by what counts a clean one elsewhere; nobody taps a hold's repetitions.
  const press = () => {
    const newest = floor.newest();
    if (waitsForClock(newest)) floor.begin();
    else if (drill.kind === "hold" || floor.sensing) return;
    else if (counting !== "tempo") floor.enter({ kind: "clean" });
    else if (newest.pacing) floor.enter({ kind: "stop" });
    else
      floor.enter({
        kind: "pace",
        every: secondsATry(tempo.tempo, skillOf(catalogue(), about.subject).beats),
      });
  };
  const miss = () => {
    if (!waitsForClock(floor.newest()) && !floor.sensing) floor.enter({ kind: "miss" });
  };
  const counts = finished === null && counting !== "hand";
  useFloorKeys({
    clean: () => counts && press(),
    miss: () => counts && miss(),
    pause: () => counts && floor.newest().pacing && floor.enter({ kind: "stop" }),
    tempo: tempo.tap,
    voice: voice.toggle,
    number: (place) => {
      const fault = faultsOf(about.subject)[place];
      if (counts && asksWhy(floor.newest().run) && fault !== undefined) floor.name(fault);
    },
    undo: () => counts && !floor.sensing && floor.undo(),
    next: () => finished === null && finish(),
  });

  if (finished !== null) {
    return (
      <FinishedSet
        set={finished}
        gate={asked}
        standings={standings}
        here={here}
        lead={lead}
        onAgain={onAgain}
        onRested={() => voice.say("go")}
      />
    );
  }
  const tools = (
    <>
      <CountingChoice counting={counting} disabled={floor.sensing || pacing} onChoose={setCounting} />
      {counting === "handle" && (
        <HandleBar
          handle={handle}
          tempo={tempo.tempo}
          disabled={run.end !== "running" || waitsForClock(floor)}
        />
      )}
      {(counting === "tap" || counting === "tempo") && (
        <TempoTools tempo={tempo} ticks={tappedTimes(floor.taps)} score={score} voice={voice} />
      )}
    </>
  );
  return (
    <div className={classes.stage} data-counting={counting} data-begun={begun}>
      <div className={classes.upper}>
        <div>
          <SetHeading
            about={about}
            floor={{ ...floor, unkept: floor.unkept || unkept }}
            gate={gate}
            proposal={proposal}
            after={after}
            ropeMisfitMm={ropeMisfitMm}
            onChoose={onChoose}
          />
          <Counter floor={floor} best={item?.bestStreak ?? 0} gate={gate}>
            {score !== null && (
              <div className={classes.shown}>
                <SmallBraid
                  score={score}
                  label={`The braid of ${drillOfWords(about.subject, about.side, drill)}`}
                  beats={tempo.beats}
                  tempo={tempo.tempo}
                />
                <div className={classes.figure}>
                  <TellingStill score={score} />
                </div>
              </div>
            )}
            {!begun && <Rest studentId={about.studentId} onOver={() => voice.say("go")} />}
          </Counter>
        </div>
        <FloorLadder about={about} drill={drill} canChoose={!begun} onChoose={onChoose} />
      </div>
      <div className={classes.spacer} />
      {counting === "hand" ? (
        <>
          <div className={classes.tools}>{tools}</div>
          <HandForm onFinish={(typed: HandCounts) => take(floor.finishByHand(typed))} />
        </>
      ) : (
        <Deck
          floor={floor}
          onFinish={finish}
          tools={tools}
          question={asksWhy(run) ? <FaultStrip subject={about.subject} onName={floor.name} /> : null}
          corrections={
            begun && drill.kind !== "hold" && counting !== "partner" && <Corrections floor={floor} />
          }
        >
          <Pads floor={floor} counting={counting} onPress={press} onMiss={miss} onFinish={finish} />
        </Deck>
      )}
    </div>
  );
}
