/** What a student can make combos of: what is cleared, and one side of one skill that is open. */
import type { Arms } from "../rope/arms.js";
import { expandBeats } from "../rope/score.js";
import type { SideName } from "../sides.js";
import type { Catalogue } from "../syllabus/catalogue.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { isSameSide, SideSet } from "../syllabus/side-map.js";
import { isMet, type Status } from "../record/standing.js";
import type { PoolPart } from "./asked.js";
import { closedUp, partOfSkill, scoreOfPart, type ComboPart } from "./part.js";

export interface SideStatus {
  readonly subject: string;
  readonly side: SideName;
  readonly status: Status;
}

/** A cleared combo, as a part of larger ones. */
export interface OwnCombo {
  readonly part: ComboPart;
  readonly status: Status;
}

/** The parts that are cleared, inferred ones too, and the new one where one is named. */
export function comboPool(
  catalogue: Catalogue,
  sides: readonly SideStatus[],
  {
    newSide = null,
    wanted = new SideSet(),
    combos = [],
  }: {
    readonly newSide?: SubjectSide | null;
    readonly wanted?: SideSet;
    readonly combos?: readonly OwnCombo[];
  } = {},
): readonly PoolPart[] {
  const skills = sides.flatMap(({ subject, side, status }): PoolPart[] => {
    const isNew = newSide !== null && isSameSide(newSide, { subject, side }) && !isMet(status);
    // A locked skill is not open, whoever names it.
    if (!isMet(status) && (!isNew || status === "locked")) return [];
    const part = partOfSkill(catalogue, subject, side);
    const closed = part === null ? null : closedUp(part);
    return [part, closed].flatMap((one) =>
      one === null ? [] : [{ part: one, isNew, isWanted: wanted.has({ subject, side }) }],
    );
  });
  const own = combos
    .filter(({ status }) => isMet(status))
    .map(({ part }) => ({ part, isNew: false, isWanted: false }));
  return [...skills, ...own];
}

/** The front-back crosses that a student has cleared, on any skill that has them. */
export function clearedFrontBacks(catalogue: Catalogue, sides: readonly SideStatus[]): ReadonlySet<Arms> {
  const cleared = sides.filter(({ status }) => status === "cleared" || status === "rusty");
  const arms = cleared.flatMap(({ subject, side }) => {
    const part = partOfSkill(catalogue, subject, side);
    return part === null
      ? []
      : expandBeats(scoreOfPart(part)).flatMap((beat) => beat.turns.map((turn) => turn.arms));
  });
  return new Set(arms.flatMap((one): Arms[] => (one === "bl" || one === "br" ? [one] : [])));
}
