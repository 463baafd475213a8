import type { ReactNode } from "react";
import classes from "./deck.module.css";
import { Elsewhere } from "./elsewhere.js";
import floorClasses from "./floor.module.css";
import type { FloorRun } from "./use-run.js";

interface DeckProps {
  readonly floor: FloorRun;
  readonly onFinish: () => void;
  /** How it is counted, and the beat. */
  readonly tools: ReactNode;
  /** What is asked after a miss; null while nothing is. */
  readonly question: ReactNode;
  /** What puts the count right. */
  readonly corrections: ReactNode;
  /** The pads. */
  readonly children: ReactNode;
}

/** All that is under the hands: tools, what is asked or put right, undo and finish, and the pads. */
export function Deck({ floor, onFinish, tools, question, corrections, children }: DeckProps) {
  const { begun, sensing, run, elsewhere } = floor;
  return (
    <div className={classes.deck} data-asks={question !== null}>
      <div className={classes.tools}>{tools}</div>
      <div className={classes.hands}>
        <div className={classes.why}>
          {elsewhere ? <Elsewhere onTakeOver={floor.takeOver} /> : (question ?? corrections)}
        </div>
        {!elsewhere && (
          <div className={classes.acts}>
            <button
              type="button"
              className={floorClasses.small}
              disabled={!begun || sensing}
              onClick={floor.undo}
            >
              Undo <kbd>Z</kbd>
            </button>
            <button
              type="button"
              className={floorClasses.small}
              disabled={!begun}
              onClick={onFinish}
              data-over={run.end !== "running"}
            >
              Finish <kbd>Enter</kbd>
            </button>
          </div>
        )}
        <div className={classes.pads}>{children}</div>
      </div>
    </div>
  );
}
