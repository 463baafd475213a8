import type { WeekOfPlan } from "@mirrup/core/planning";
import { wholeWords } from "../app/words.js";
import classes from "./weeks-strip.module.css";
import { weeksStrip } from "./weeks-strip.js";

const shortDate = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", timeZone: "UTC" });

const percent = (share: number) => `${100 * share}%`;

/** The weeks at a glance, above their list. It says nothing to a screen reader that the list does not say better. */
export function WeeksStripFigure({ weeks }: { readonly weeks: readonly WeekOfPlan[] }) {
  return (
    <figure className={classes.strip} aria-hidden>
      <div className={classes.columns}>
        {weeksStrip(weeks).map(({ start, pieces, room, reviews, isTaper, isDated }) => (
          <div key={start} className={classes.week} data-taper={isTaper || undefined}>
            <div className={classes.column}>
              {pieces.map(({ key, name, family, tries, from, share, finishes }) => (
                <div
                  key={key}
                  className={classes.piece}
                  title={`${name}: ${wholeWords(tries)} tries`}
                  style={{ bottom: percent(from), height: percent(share), color: `var(--family-${family})` }}
                >
                  <span className={classes.name}>{name}</span>
                  {finishes && <span className={classes.gate} />}
                </div>
              ))}
              {room > 0 && (
                <div
                  className={classes.room}
                  style={{
                    height: percent(room),
                    bottom: percent(pieces.reduce((sum, { share }) => sum + share, 0)),
                  }}
                />
              )}
            </div>
            <span className={classes.reviews}>{reviews > 0 && <span>{reviews}</span>}</span>
            <span className={classes.date}>
              {isDated && shortDate.format(new Date(`${start}T00:00:00Z`))}
            </span>
          </div>
        ))}
      </div>
      <figcaption className={classes.key}>
        <span data-kind="work">tries</span>
        <span data-kind="gate">meets its gate</span>
        <span data-kind="room">room for more</span>
        <span data-kind="review">so many reviews due</span>
        <span data-kind="taper">goes easy before the date</span>
      </figcaption>
    </figure>
  );
}
