import type { LessonProgress } from "@mirrup/contract";
import { coachWay } from "@mirrup/core/planning";
import { useNow } from "../app/use-now.js";
import { leftWords } from "../app/left-words.js";
import { lookAt } from "./look-now.js";
import type { ShownPlan } from "./shown.js";
import { lookWords } from "./words.js";
import classes from "./hall-page.module.css";

interface CoachNowProps {
  readonly plan: ShownPlan;
  readonly coaches: number;
  readonly progress: LessonProgress;
  readonly nameOf: (id: string) => string;
}

const TICK_MS = 1000;

/** Where each coach stands in this turn now, whom they look at, and how long still. */
export function CoachNow({ plan, coaches, progress, nameOf }: CoachNowProps) {
  const now = useNow(TICK_MS);
  const looks = coachWay(plan, coaches).turns[progress.step - 1] ?? [];
  if (looks.length === 0) return null;
  return (
    <ul className={classes.way} aria-label="Where the coaches are">
      {Array.from({ length: coaches }, (_, coach) => {
        const found = lookAt(looks, coach, progress, now);
        if (found === null) return null;
        const { look, secondsLeft, next } = found;
        return (
          <li key={coach}>
            <strong>
              {coaches > 1 ? `Coach ${coach + 1}` : "You"}: station {look.station + 1}
            </strong>{" "}
            {lookWords(look, nameOf)}.
            {next !== null && ` In ${leftWords(secondsLeft)} to station ${next.station + 1}.`}
          </li>
        );
      })}
    </ul>
  );
}
