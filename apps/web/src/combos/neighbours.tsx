import { scoreOf, type Score } from "@mirrup/core";
import { neighboursOf, partOfSkill, partsOfScore, scoreOfPart, type ComboPart } from "@mirrup/core/combos";
import { isMet } from "@mirrup/core/teaching";
import { Button } from "@mantine/core";
import { useMemo } from "react";
import { catalogue } from "../app/catalogue.js";
import { counted } from "../app/plural.js";
import { linkWords, listWords, skillName } from "../app/words.js";
import classes from "./bench.module.css";
import type { ComboStudent } from "./combo-student.js";

const SHOWN = 12;

interface NeighboursProps {
  readonly part: ComboPart;
  readonly name: string;
  readonly student: ComboStudent | undefined;
  /** Puts the neighbour in the place of the part. */
  readonly onTake: (parts: readonly ComboPart[]) => void;
}

function knownScores(student: ComboStudent | undefined): readonly Score[] {
  return (student?.sides ?? []).flatMap(({ subject, side, status }) => {
    const part = isMet(status) ? partOfSkill(catalogue(), subject, side) : null;
    return part === null ? [] : [scoreOfPart(part)];
  });
}

/** Tricks one hand move from a part: new ones from the model, those nearest to what is known first. */
export function Neighbours({ part, name, student, onTake }: NeighboursProps) {
  const found = useMemo(
    () => neighboursOf(catalogue(), scoreOfPart(part), knownScores(student)),
    [part, student],
  );
  return (
    <section aria-label="One hand move away">
      <h3>One hand move from {name}</h3>
      {found.length === 0 && <p>No legal trick is that near.</p>}
      <ul className={classes.neighbours}>
        {found.slice(0, SHOWN).map(({ score, skills, newLinks, handMoves }) => {
          const what = skills.length === 0 ? "a move without a name" : listWords(skills.map(skillName));
          const fresh =
            student === undefined
              ? ""
              : newLinks.length === 0
                ? ` Every link is one that ${student.name} knows.`
                : ` New to ${student.name}: ${listWords(newLinks.slice(0, 2).map((link) => linkWords(link.from, link.to)))}.`;
          return (
            <li key={score}>
              <code>{score}</code>
              <span>
                {what}, {counted(handMoves, "hand move")}.{fresh}
              </span>
              <Button
                size="xs"
                variant="default"
                aria-label={`Put ${score} in its place`}
                onClick={() => onTake(partsOfScore(catalogue(), scoreOf(score)))}
              >
                Use it
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
