import type { Freestyle } from "@mirrup/core/combos";
import { Title } from "@mantine/core";
import { Link } from "react-router";
import { counted } from "../app/plural.js";
import { usePaths } from "../app/paths.js";
import { listWords, skillName } from "../app/words.js";
import classes from "./freestyle.module.css";
import { secondsWords } from "./words.js";

function clock(seconds: number): string {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

interface FreestyleRoundProps {
  readonly plan: Freestyle;
  readonly seconds: number;
  readonly nameOf: (id: string) => string;
}

/** A round as it is planned: what comes when, with its rests. */
export function FreestyleRound({ plan, seconds, nameOf }: FreestyleRoundProps) {
  const paths = usePaths();
  const { pieces, untouched, leftOut } = plan;
  return (
    <section aria-label="The round">
      <Title order={2}>
        {counted(pieces.length, "combo")} in {secondsWords(plan.seconds)} of {secondsWords(seconds)}
      </Title>
      {untouched.length > 0 && (
        <p className={classes.untouched}>
          Not touched: {listWords(untouched.map(skillName))}. No chosen combo that fits has them; have one
          suggested with them in it.
        </p>
      )}
      {pieces.length > 0 && (
        <div className={classes.bar} aria-hidden>
          {pieces.map((piece) => (
            <span key={piece.id} className={classes.slot} style={{ flexGrow: piece.seconds + piece.rest }}>
              <span className={classes.work} data-effort={piece.effort} style={{ flexGrow: piece.seconds }} />
              <span className={classes.rest} style={{ flexGrow: piece.rest }} />
            </span>
          ))}
          <span className={classes.free} style={{ flexGrow: Math.max(0, seconds - plan.seconds) }} />
        </div>
      )}
      <ol className={classes.pieces}>
        {pieces.map((piece) => (
          <li key={piece.id}>
            <strong className={classes.at}>{clock(piece.at)}</strong>
            <span>
              <Link to={paths.combo(piece.id)}>{nameOf(piece.id)}</Link>, {secondsWords(piece.seconds)},{" "}
              {piece.effort}
              {piece.activeRest !== null && (
                <>
                  . Then {piece.rest} s of {skillName(piece.activeRest)}
                </>
              )}
              .
            </span>
          </li>
        ))}
      </ol>
      {leftOut.length > 0 && (
        <p>
          Left out, since the time is used or they repeat what is there:{" "}
          {listWords(leftOut.slice(0, 12).map(nameOf))}
          {leftOut.length > 12 ? " and others" : ""}.
        </p>
      )}
      {pieces.length === 0 && <p>Nothing fits. Give it more seconds, or choose shorter combos.</p>}
      <p>After a miss, restart in side swings and go on with the next combo: the round does not wait.</p>
    </section>
  );
}
