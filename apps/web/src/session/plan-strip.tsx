import type { PlanBlock } from "@mirrup/core/planning";
import { capital, skillName } from "../app/words.js";
import { minutesStrip } from "./minutes-strip.js";
import classes from "./plan-strip.module.css";
import { blockName } from "./plan-words.js";

/** Without its side, which the list has: there is little room. */
const shortName = (block: PlanBlock) =>
  block.reason.code === "combo" ? blockName(block) : skillName(block.subject);

/** A mark so near the end stands before it. */
const LAST = 0.98;

const percent = (share: number) => `${100 * share}%`;

/** The plan at a glance, above its list. It says nothing to a screen reader that the list does not say better. */
export function PlanStrip({
  blocks,
  minutes,
}: {
  readonly blocks: readonly PlanBlock[];
  readonly minutes: number;
}) {
  const { pieces, marks } = minutesStrip(blocks, minutes);
  return (
    <figure className={classes.strip} aria-hidden>
      <div className={classes.row}>
        {pieces.map(({ key, block, kind, family, from, share, rest }) => (
          <div
            key={key}
            className={classes.piece}
            data-kind={kind}
            title={`${capital(blockName(block))}, ${block.minutes} min`}
            style={{
              left: percent(from),
              width: percent(share),
              ...(family !== null && { color: `var(--family-${family})` }),
            }}
          >
            <span className={classes.body} style={{ marginRight: percent(rest) }}>
              <span className={classes.name}>{shortName(block)}</span>
            </span>
            {rest > 0 && <span className={classes.rest} style={{ width: percent(rest) }} />}
          </div>
        ))}
      </div>
      <div className={classes.marks}>
        {marks.map(({ minute, at }) => (
          <span key={minute} data-end={at > LAST} style={{ left: percent(at) }}>
            {minute}
          </span>
        ))}
      </div>
      <figcaption className={classes.key}>
        <span data-kind="easy">easy</span>
        <span data-kind="review">review</span>
        <span data-kind="work">begun</span>
        <span data-kind="new">new</span>
        <span data-kind="rest">rest</span>
        <span>minutes from the beginning</span>
      </figcaption>
    </figure>
  );
}
