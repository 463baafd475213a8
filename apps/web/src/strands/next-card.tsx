import type { NextItem } from "@mirrup/contract";
import { IconPlayerPlayFilled } from "@tabler/icons-react";
import { Link } from "react-router";
import { usePaths } from "../app/paths.js";
import { drillOfWords, drillOddsWords, oddsWords } from "../app/drill-words.js";
import { capital, reasonWords, subjectName } from "../app/words.js";
import { floorAddress } from "../app/drill-address.js";
import classes from "./next-card.module.css";

interface NextCardProps {
  readonly studentId: string;
  readonly next: NextItem;
  /** Whether the card names the skill, or stands where it is named already. */
  readonly named?: boolean;
  /** The one proposal that is to be done now. */
  readonly first?: boolean;
}

/** A proposed drill with its chance and its reason; pressing it opens the floor. */
export function NextCard({ studentId, next, named = false, first = true }: NextCardProps) {
  const paths = usePaths();
  const { subject, side, drill, chance, reason, after, tryGate } = next;
  const words = named
    ? `${capital(subjectName(subject, side))}: ${drillOfWords(subject, side, drill)}`
    : capital(drillOfWords(subject, side, drill));
  return (
    <Link
      to={`${paths.floor(studentId, subject, side)}${floorAddress(drill)}`}
      className={classes.card}
      data-first={first}
    >
      <span className={classes.drill}>
        <IconPlayerPlayFilled size={16} aria-hidden />
        {words}
      </span>
      <span>
        {capital(oddsWords(chance))}. {reasonWords(reason)}
        {after !== null && ` Then ${drillOfWords(subject, side, after)}.`}
        {tryGate !== null &&
          ` The gate could be tried beside it, ${drillOddsWords(tryGate.drill, tryGate.chance)}.`}
      </span>
    </Link>
  );
}
