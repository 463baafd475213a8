import { callOf, expandBeats, type Score } from "@mirrup/core";
import {
  COUNTS_A_GROUP,
  demandOf,
  demandShown,
  partOfSkill,
  scoreOfPart,
  type ComboMeasures,
  type Jumping,
} from "@mirrup/core/combos";
import { isMet } from "@mirrup/core/teaching";
import { useMemo } from "react";
import { catalogue } from "../app/catalogue.js";
import { counted, pluralOf } from "../app/plural.js";
import { linkWords, wholeWords } from "../app/words.js";
import classes from "./bench.module.css";
import type { ComboStudent } from "./combo-student.js";
import { balanceWords, secondsWords } from "./words.js";

const one = new Intl.NumberFormat("en", { maximumFractionDigits: 1 });

/** The greatest demand of what a student has cleared, as they jump. */
function useLimit(
  student: ComboStudent | undefined,
  { tempo, dominant, heights }: Required<Jumping>,
): number | null {
  return useMemo(() => {
    if (student === undefined) return null;
    const cleared = student.sides.flatMap(({ subject, side, status }) => {
      const part = isMet(status) ? partOfSkill(catalogue(), subject, side) : null;
      return part === null ? [] : [scoreOfPart(part)];
    });
    return demandShown(cleared, { tempo, dominant, heights });
  }, [student, tempo, dominant, heights]);
}

interface FiguresProps {
  readonly score: Score;
  readonly measures: ComboMeasures;
  readonly jumping: Required<Jumping>;
  readonly student: ComboStudent | undefined;
}

/** What the line comes to, while it grows. */
export function Figures({ score, measures, jumping, student }: FiguresProps) {
  const limit = useLimit(student, jumping);
  const { timing, rateJumps } = measures;
  const link = timing.tightest === null ? undefined : timing.links[timing.tightest];
  const beats = expandBeats(score);
  const arms = (place: { readonly beat: number; readonly turn: number }) =>
    beats[place.beat]?.turns[place.turn]?.arms ?? "o";
  const demand = demandOf(timing);
  const isBeyond = limit !== null && limit > 0 && demand > limit * 1.001;
  const figures: readonly (readonly [string, string])[] = [
    ["counts", wholeWords(measures.counts)],
    [`length at ${jumping.tempo} a minute`, secondsWords(measures.seconds)],
    ["hand moves", `${measures.handMoves}, ${measures.airMoves} in the air`],
    ["left and right", balanceWords(measures)],
    ["landings", wholeWords(measures.landings)],
    ["turns a jump", `up to ${measures.highest}`],
  ];
  return (
    <>
      <dl className={classes.figures}>
        {figures.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      {link !== undefined && link.cost > 0 && (
        <p>
          <strong>Tightest link:</strong> {linkWords(arms(link.from), arms(link.to))} at count{" "}
          {link.to.beat + 1}: {counted(link.cost, "hand move")} in {Math.round(link.window * 1000)} ms.
          {student !== undefined &&
            (isBeyond
              ? ` That is ${one.format(demand / limit)} times as quick as anything ${student.name} has cleared.`
              : ` ${student.name} has shown as quick a one.`)}
        </p>
      )}
      {rateJumps.length > 0 && (
        <p>
          <strong>The turn rate jumps</strong> at {pluralOf(rateJumps.length, "count")}{" "}
          {rateJumps
            .slice(0, 8)
            .map(({ beat, from, to }) => `${beat + 1} (${Math.round(from)} to ${Math.round(to)})`)
            .join(", ")}
          {rateJumps.length > 8 ? " …" : ""} turns a minute: bring the rope up to speed before, let it slow
          down after.
        </p>
      )}
    </>
  );
}

/** The counts as they are counted aloud: eight a row, a gap after four. */
export function CountsGrid({ score }: { readonly score: Score }) {
  const calls = callOf(score);
  const rows = Array.from({ length: Math.ceil(calls.length / COUNTS_A_GROUP) }, (_, row) =>
    calls.slice(row * COUNTS_A_GROUP, (row + 1) * COUNTS_A_GROUP),
  ).slice(0, 16);
  const left = calls.length - rows.flat().length;
  return (
    <div className={classes.grid}>
      {rows.map((row, group) => (
        <ol key={group} className={classes.eight} aria-label={`Counts ${group * COUNTS_A_GROUP + 1} and on`}>
          {row.map((called, place) => (
            <li
              key={place}
              data-fused={called.turns.some((turn) => turn.isFused)}
              data-turns={called.turns.length}
            >
              <span>{place + 1}</span>
              {called.words}
            </li>
          ))}
        </ol>
      ))}
      {left > 0 && <p>And {counted(left, "count")} more.</p>}
      {calls.length % 4 !== 0 && (
        <p className={classes.quiet}>
          {counted(calls.length % 4, "count")} over a four: music counts in fours and eights.
        </p>
      )}
    </div>
  );
}
