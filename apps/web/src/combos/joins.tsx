import type { Arms, Hand } from "@mirrup/core";
import { repairsOf, type JudgedCombo } from "@mirrup/core/combos";
import { Button } from "@mantine/core";
import { useMemo } from "react";
import { catalogue } from "../app/catalogue.js";
import type { Parts } from "./bench.js";
import classes from "./bench.module.css";
import { partName, repairWords, SIDEWAYS_WORDS, type ComboNames } from "./words.js";

/** More faulty joins than this are told one after the other. */
const SHOWN = 3;

function judgedPlaces({ parts }: JudgedCombo): readonly number[] {
  return parts.flatMap((part, place) =>
    part.join.length + part.sideways.length + part.inside.length > 0 ? [place] : [],
  );
}

interface JoinsProps {
  readonly parts: Parts;
  readonly judged: JudgedCombo;
  readonly names: ComboNames;
  readonly dominant: Hand;
  readonly sideways: ReadonlySet<Arms> | undefined;
  readonly onPut: (parts: Parts) => void;
}

/** What does not join, why, and what would mend it, the cheapest first. */
export function Joins({ parts, judged, names, dominant, sideways, onPut }: JoinsProps) {
  const faulty = judgedPlaces(judged);
  const shown = faulty.slice(0, SHOWN);
  const repairs = useMemo(() => {
    const options = { dominant, ...(sideways === undefined ? {} : { sideways }) };
    const places = judgedPlaces(judged).slice(0, SHOWN);
    return new Map(places.map((place) => [place, repairsOf(catalogue(), parts, place, options)]));
  }, [parts, judged, dominant, sideways]);
  if (faulty.length === 0) return null;
  return (
    <section className={classes.joins} aria-label="What does not join">
      {shown.map((place) => {
        const own = judged.parts[place];
        const [before, part] = [parts[place - 1], parts[place]];
        if (own === undefined || part === undefined) return null;
        const reasons = [...own.inside, ...own.join].map((fault) => fault.message);
        const told = [...new Set(reasons), ...(own.sideways.length > 0 ? [SIDEWAYS_WORDS] : [])];
        return (
          <div key={place} className={classes.joinFault}>
            <h3>
              {before !== undefined && own.inside.length === 0
                ? `${partName(before, names)} → ${partName(part, names)}`
                : partName(part, names)}
            </h3>
            {told.slice(0, 3).map((message) => (
              <p key={message}>{message}</p>
            ))}
            <div className={classes.repairs}>
              {(repairs.get(place) ?? []).map((repair) => {
                const words = repairWords(repair, names);
                return (
                  <Button key={words} variant="default" onClick={() => onPut(repair.parts)}>
                    {words}
                  </Button>
                );
              })}
              {(repairs.get(place) ?? []).length === 0 && (
                <p>Nothing short mends it. Take the part out, or put another one before it.</p>
              )}
            </div>
          </div>
        );
      })}
      {faulty.length > SHOWN && <p>And {faulty.length - SHOWN} more further on.</p>}
    </section>
  );
}
