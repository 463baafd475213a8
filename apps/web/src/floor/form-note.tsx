import { FUSED_FORMS, fusedRopeOf, isFormCounted } from "@mirrup/catalogue";
import { callOf, sideScore, skillOf, type Drill, type SideName } from "@mirrup/core";
import { catalogue } from "../app/catalogue.js";
import { capital, skillName } from "../app/words.js";
import { useSettings } from "../students/index.js";
import classes from "./floor.module.css";

interface FormNoteProps {
  readonly subject: string;
  readonly side: SideName;
  readonly drill: Drill;
}

/** Before a set of a fused multiple: which form is meant, and the turns before it, so that all agree. */
export function FormNote({ subject, side, drill }: FormNoteProps) {
  const { value } = useSettings();
  const score = sideScore(skillOf(catalogue(), subject), side);
  const jumps = score === null ? [] : callOf(score).filter((beat) => beat.turns.length > 1);
  const isFused = jumps.some((beat) => beat.turns.some((turn) => turn.isFused));
  if (!isFused && !FUSED_FORMS.includes(subject)) return null;
  const rope = fusedRopeOf(skillOf(catalogue(), subject).skillClass, { "fused-rope": value("fused-rope") });
  const turns = drill.kind === "from-rest" ? "none, from standing" : value("fused-prepare");
  return (
    <p className={classes.note}>
      Form: <strong>{capital(jumps.map((beat) => beat.words).join("; "))}</strong>. Turns before it: {turns}.
      {rope !== null && ` Take the ${rope} rope.`}
      {!isFormCounted(subject, value("fused-forms")) &&
        ` Here the ${skillName(subject)} is trained and does not count as a fused double.`}
    </p>
  );
}
