import type { ComboStandingItem } from "@mirrup/contract";
import { gateTarget, scoreOf } from "@mirrup/core";
import { comboText, measureCombo, type ComboPart } from "@mirrup/core/combos";
import { COMBO_GATE } from "@mirrup/core/teaching";
import type { ReactNode } from "react";
import { counted } from "../app/plural.js";
import { STATUS_NAMES } from "../app/words.js";
import { Bead, codedBead } from "../beads/index.js";
import classes from "./combos.module.css";
import { PartBeads } from "./part-beads.js";
import { comboSideName } from "./words.js";

/** A combo's standing as a bead: the right half as written, the left mirrored. */
export function ComboBead({
  standings,
  size = 32,
}: {
  readonly standings: readonly ComboStandingItem[];
  readonly size?: number;
}) {
  const tenths = ({ gateBest }: ComboStandingItem) => Math.round((10 * gateBest) / gateTarget(COMBO_GATE));
  const state = codedBead(
    standings.map((one) => ({
      side: one.side,
      coded: { status: one.status, tenths: tenths(one), isStuck: false },
    })),
  );
  const words = standings.map(({ side, status }) =>
    [comboSideName(side), STATUS_NAMES[status]].filter(Boolean).join(": "),
  );
  return (
    <span role="img" aria-label={words.join("; ")} title={words.join("; ")} className={classes.bead}>
      <Bead state={state} family="crosses" size={size} />
    </span>
  );
}

interface ComboCardProps {
  readonly title: ReactNode;
  readonly parts: readonly ComboPart[];
  readonly note?: string;
  readonly standings?: readonly ComboStandingItem[];
  /** For whom it is looked at: how they have its skills is shown too. */
  readonly studentId?: string | null;
  readonly children?: ReactNode;
}

/** A combo in a list: what it is called, its score, its measures, and what can be done with it. */
export function ComboCard({
  title,
  parts,
  note,
  standings = [],
  studentId = null,
  children,
}: ComboCardProps) {
  const text = comboText(parts);
  const { counts, handMoves, highest } = measureCombo(scoreOf(text), { tempo: 120, dominant: "r" });
  return (
    <li className={classes.card}>
      <div className={classes.cardHead}>
        {standings.length > 0 && <ComboBead standings={standings} />}
        <h3 className={classes.cardTitle}>{title}</h3>
        {children !== undefined && <div className={classes.cardTools}>{children}</div>}
      </div>
      <code className={classes.score}>{text}</code>
      <p className={classes.quiet}>
        {counted(counts, "count")}, {counted(handMoves, "hand move")}
        {highest > 1 ? `, up to ${highest} turns in a jump` : ""}
        {note === undefined || note === "" ? "" : `. ${note}`}
      </p>
      {studentId !== null && <PartBeads studentId={studentId} parts={parts} />}
    </li>
  );
}
