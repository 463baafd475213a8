import type { RungItem } from "@mirrup/contract";
import type { Drill } from "@mirrup/core";
import { IconCheck } from "@tabler/icons-react";
import { useQuery } from "@tanstack/react-query";
import { memo, useEffect, useRef } from "react";
import { ladderWords, oddsWords } from "../app/drill-words.js";
import { capital } from "../app/words.js";
import { ladderQuery } from "../students/index.js";
import type { RunSubject } from "../app/floor-run.js";
import classes from "./floor-ladder.module.css";
import { rungHere } from "./rung-here.js";

interface FloorLadderProps {
  readonly about: RunSubject;
  readonly drill: Drill;
  /** Whether another rung can still be chosen. */
  readonly canChoose: boolean;
  readonly onChoose: (drill: Drill) => void;
}

function stateWords({ state, chance, isNext }: RungItem): string {
  return state === "passed" && !isNext ? "passed" : oddsWords(chance);
}

/** The side's drills beside the numerals: what is behind, where one is, and what comes, each with its odds. */
export const FloorLadder = memo(function FloorLadder(props: FloorLadderProps) {
  const { about, drill, canChoose, onChoose } = props;
  const { studentId, subject, side } = about;
  const ladder = useQuery(ladderQuery(studentId, subject, side));
  const rungs = ladder.data ?? [];
  const here = rungHere(rungs, drill);
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    list.current?.querySelector("[aria-current]")?.scrollIntoView({ block: "nearest" });
  }, [here?.id, canChoose]);
  if (rungs.length === 0) return null;
  const words = ladderWords(subject, side, rungs);
  return (
    <nav className={classes.ladder} aria-label="Ladder">
      <h2>{side === "whole" ? "Ladder" : `Ladder, ${side} side`}</h2>
      <ol ref={list} className={classes.rungs}>
        {rungs.map((rung, place) => (
          <li key={rung.id}>
            <button
              type="button"
              className={classes.rung}
              aria-current={rung === here ? "step" : undefined}
              data-state={rung.state}
              data-next={rung.isNext}
              disabled={!canChoose}
              onClick={(event) => {
                onChoose(rung.drill);
                // The keys belong to the counting from here on.
                event.currentTarget.blur();
              }}
            >
              <span className={classes.mark} aria-hidden>
                {rung.state === "passed" && <IconCheck size={15} stroke={3} />}
              </span>
              <span>{capital(words[place]?.name ?? "")}</span>
              <span className={classes.odds}>
                {rung.isNext && <strong>next, </strong>}
                {stateWords(rung)}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </nav>
  );
});
