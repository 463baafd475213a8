import { callOf, comboSubject, scoreOf, type SideName } from "@mirrup/core";
import type { ComboLink, LearningStep } from "@mirrup/core/combos";
import { restAfterSet } from "@mirrup/core/planning";
import { COMBO_GATE, type Run } from "@mirrup/core/teaching";
import type { SetRequest } from "@mirrup/contract";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { drillWords, oddsWords } from "../app/drill-words.js";
import {
  beginRest,
  Deck,
  Rest,
  Resumed,
  SetNote,
  Corrections,
  Counter,
  floorClasses,
  Pads,
  TempoTools,
  Unkept,
  useFloorKeys,
  useOutcome,
  useRun,
  useTempo,
} from "../floor/index.js";
import { useVoice } from "../voice/index.js";
import classes from "./combo-floor.module.css";
import { comboSetsQuery, comboStandingsQuery } from "./queries.js";
import { stepName } from "./words.js";

/** More counts than these are not read at a glance. */
const MOST_CALLS = 16;

interface StepSetProps {
  readonly about: { readonly studentId: string; readonly subject: string; readonly side: SideName };
  readonly step: LearningStep;
  /** Where a miss can be put: every link of the whole. */
  readonly links: readonly ComboLink[];
  readonly linkNames: ReadonlyMap<number, string>;
  readonly next: LearningStep | undefined;
  /** The chance to pass the step, and the next one; null while it is not known. */
  readonly chance: number | null;
  readonly nextChance: number | null;
  /** What was noted to the combo, or last to a set of it. */
  readonly notes: readonly string[];
  /** Hears of each set that is finished here. */
  readonly onFinished: (set: SetRequest) => void;
  readonly onAgain: () => void;
  readonly onNext: () => void;
}

/** One set of a step: counted, its misses put at their links, then what it came to. */
export function StepSet(props: StepSetProps) {
  const { about, step, links, linkNames, next, chance, nextChance, notes, onFinished, onAgain, onNext } =
    props;
  const client = useQueryClient();
  const floor = useRun(about, step.drill);
  const { run, begun } = floor;
  const voice = useVoice();
  const tempo = useTempo(undefined, voice.recorded);
  const [finished, setFinished] = useState<SetRequest | null>(null);
  const [unkept, setUnkept] = useState(false);
  const outcome = useOutcome(finished);
  const heading = useRef<HTMLHeadingElement>(null);
  const score = scoreOf(step.score);
  const asksWhere = ({ tries }: Run) => {
    const last = tries.at(-1);
    return last?.kind === "miss" && last.turn === undefined && links.length > 0;
  };
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
  const take = (set: Promise<SetRequest> | null) =>
    set?.then(
      (stored) => {
        beginRest(stored.studentId, Date.now(), restAfterSet(score, floor.drill));
        setFinished(stored);
        onFinished(stored);
      },
      () => setUnkept(true),
    );
  const finish = () => {
    if (floor.newest().begun) void take(floor.finish());
  };
  const counts = finished === null;
  const locate = (place: number) => {
    const link = links[place];
    if (link !== undefined) floor.locate(link.turn);
  };
  useFloorKeys({
    clean: () => counts && floor.enter({ kind: "clean" }),
    miss: () => counts && floor.enter({ kind: "miss" }),
    tempo: tempo.tap,
    voice: voice.toggle,
    number: (place) => counts && asksWhere(floor.newest().run) && locate(place),
    undo: () => counts && floor.undo(),
    next: () => (finished === null ? finish() : outcome.kind !== "sending" && onNext()),
  });
  if (finished !== null) {
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
            {isStored && "Stored."}
            {isStored && step.code === "whole" && " The gate is 4 clean of 5."}
          </p>
        </div>
        <Rest studentId={about.studentId} />
        <SetNote key={finished.id} set={finished} />
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
              : `Next: ${stepName(next, linkNames)}, ${drillWords(next.drill)}${nextChance === null ? "" : `, ${oddsWords(nextChance)}`}`}{" "}
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
          {chance !== null && !begun && `; it comes off ${oddsWords(chance)}`}
        </p>
        {notes.map((note) => (
          <p key={note} className={floorClasses.look}>
            <strong>Noted</strong> {note}
          </p>
        ))}
        <p className={classes.calls}>
          {callOf(score)
            .slice(0, MOST_CALLS)
            .map((called) => called.words)
            .join(" · ")}
          {callOf(score).length > MOST_CALLS ? " …" : ""}
        </p>
        <p className={classes.score}>{step.score}</p>
        <Resumed floor={floor} />
        <Unkept is={unkept || floor.unkept} />
      </div>
      <Counter floor={floor} best={0} gate={step.code === "whole" ? COMBO_GATE : null}>
        {!begun && <Rest studentId={about.studentId} />}
      </Counter>
      <div className={floorClasses.spacer} />
      <Deck
        floor={floor}
        onFinish={finish}
        tools={<TempoTools tempo={tempo} ticks={[]} score={score} voice={voice} />}
        question={
          asksWhere(run) ? (
            <div className={classes.where} role="group" aria-label="At which link did it miss?">
              <span>Where?</span>
              {links.map((link, place) => (
                <button key={link.place} type="button" onClick={() => locate(place)}>
                  {place < 9 && <kbd>{place + 1}</kbd>} {linkNames.get(link.place)}
                </button>
              ))}
            </div>
          ) : null
        }
        corrections={begun && <Corrections floor={floor} />}
      >
        <Pads
          floor={floor}
          counting="tap"
          onPress={() => floor.enter({ kind: "clean" })}
          onMiss={() => floor.enter({ kind: "miss" })}
          onFinish={finish}
        />
      </Deck>
    </div>
  );
}
