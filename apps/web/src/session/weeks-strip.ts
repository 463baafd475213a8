/** The weeks to a date as a strip: what each holds, how much room it has, and where something meets its gate. Pure. */
import type { Family } from "@mirrup/core";
import type { WeekOfPlan } from "@mirrup/core/planning";
import { familyOf } from "../app/family.js";
import { capital, subjectName } from "../app/words.js";

export interface WorkPiece {
  readonly key: string;
  readonly name: string;
  readonly family: Family;
  readonly tries: number;
  /** Of the strip's height, from 0 to 1, from the bottom. */
  readonly from: number;
  readonly share: number;
  /** Whether it meets its gate in this week. */
  readonly finishes: boolean;
}

export interface WeekColumn {
  readonly start: string;
  readonly pieces: readonly WorkPiece[];
  /** Of the strip's height: what the week would still hold. */
  readonly room: number;
  readonly reviews: number;
  readonly isTaper: boolean;
  /** Whether its date stands below it. */
  readonly isDated: boolean;
}

/** As many dates stand below a strip. */
const MOST_DATES = 12;

/** A column a week, in order; the highest that any week holds fills the strip. */
export function weeksStrip(weeks: readonly WeekOfPlan[]): readonly WeekColumn[] {
  const sum = ({ work, slack }: WeekOfPlan) =>
    work.reduce((all, { tries }) => all + tries, 0) + Math.max(0, slack);
  const highest = Math.max(1, ...weeks.map(sum));
  const every = Math.ceil(weeks.length / MOST_DATES);
  return weeks.map((week, place) => {
    let from = 0;
    const pieces = week.work.map(({ subject, side, tries, finishes }): WorkPiece => {
      const share = tries / highest;
      const piece = {
        ...{ key: `${subject}:${side}`, name: capital(subjectName(subject, side)) },
        ...{ family: familyOf(subject), tries, from, share, finishes },
      };
      from += share;
      return piece;
    });
    return {
      ...{ start: week.start, pieces, reviews: week.reviews.length, isTaper: week.isTaper },
      room: Math.max(0, week.slack) / highest,
      isDated: place % every === 0,
    };
  });
}
