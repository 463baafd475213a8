import type { RoundAnswer } from "@mirrup/core/teaching";
import { useState } from "react";
import { StopButton } from "../app/stop-button.js";
import classes from "./pair-buttons.module.css";
import type { RoundAnswers } from "./round-answers.js";

interface Jumper {
  readonly id: string;
  readonly name: string;
  /** What is to be done, in a few words. */
  readonly words: string;
}

interface PairButtonsProps {
  readonly pairs: readonly (readonly Jumper[])[];
  readonly answers: RoundAnswers;
  readonly onAnswer: (studentId: string, answer: RoundAnswer | null) => void;
  /** Something hurts whoever jumps. */
  readonly onPain: (studentId: string) => void;
}

/** One large button for each pair: a tap counts a clean one of whoever jumps, and then they change. */
export function PairButtons({ pairs, ...round }: PairButtonsProps) {
  return (
    <div className={classes.pairs}>
      {pairs.map((pair) => (
        <Pair key={pair.map(({ id }) => id).join(" ")} pair={pair} {...round} />
      ))}
    </div>
  );
}

function Pair({
  pair,
  answers,
  onAnswer,
  onPain,
}: Omit<PairButtonsProps, "pairs"> & { readonly pair: readonly Jumper[] }) {
  // Whoever has no number yet jumps first.
  const [turn, setTurn] = useState(() =>
    Math.max(
      0,
      pair.findIndex(({ id }) => answers[id] === undefined),
    ),
  );
  const jumper = pair[turn % pair.length];
  if (jumper === undefined) return null;
  const others = pair.filter((one) => one !== jumper);
  const given = answers[jumper.id];
  const count = typeof given === "number" ? given : 0;
  return (
    <div className={classes.pair} role="group" aria-label={pair.map(({ name }) => name).join(", ")}>
      <button type="button" className={classes.count} onClick={() => onAnswer(jumper.id, count + 1)}>
        <span className={classes.name}>{jumper.name}</span>
        <span className={classes.number} role="status">
          {count}
        </span>
        <span className={classes.words}>{jumper.words}</span>
      </button>
      <div className={classes.acts}>
        <button type="button" disabled={count === 0} onClick={() => onAnswer(jumper.id, count - 1)}>
          One less
        </button>
        <button
          type="button"
          onClick={() => {
            // Whoever made none has tried all the same.
            if (given === undefined) onAnswer(jumper.id, 0);
            setTurn(turn + 1);
          }}
        >
          {others.length === 0 ? "Done" : "Missed: change"}
        </button>
        <StopButton name={jumper.name} onPress={() => onPain(jumper.id)} />
      </div>
      {others.length > 0 && (
        <p className={classes.others}>
          {others.map(({ id, name }) => `${name}: ${answers[id] ?? "not yet"}`).join(", ")}
        </p>
      )}
    </div>
  );
}
