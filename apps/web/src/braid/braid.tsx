import { multipleName, type Hand, type Score, type Timing } from "@mirrup/core";
import { useElementSize } from "@mantine/hooks";
import { useMemo } from "react";
import { captionWords } from "../app/words.js";
import {
  BRAID,
  braidLayout,
  DRAWN_BEATS,
  type BeatMark,
  type BraidLayout,
  type CordPiece,
} from "./braid-layout.js";
import classes from "./braid.module.css";
import { Player } from "./player.js";
import { usePlayhead } from "./use-playhead.js";

/** A window narrower than its label is labelled only where it is the tightest. */
const LEAST_LABELLED = 36;

function Cord({ piece }: { readonly piece: CordPiece }) {
  const { path, hand, route, over } = piece;
  return (
    <>
      {over && <path d={path} className={classes.halo} />}
      <path d={path} className={classes.cord} data-hand={hand} data-route={route} />
      {route === "knees" && <path d={path} className={classes.core} />}
    </>
  );
}

/** A jump as an arc over the ground, and the contact that follows as a bar. */
function Jump({ beat }: { readonly beat: BeatMark }) {
  const rise = Math.min(BRAID.tallest, 12 + beat.heightMetres * 160);
  const middle = (beat.x + beat.landX) / 2;
  const arc = `M${beat.x} ${BRAID.ground} Q${middle} ${BRAID.ground - 2 * rise} ${beat.landX} ${BRAID.ground}`;
  const name = beat.turns === 0 ? "hop" : beat.turns === 1 ? "" : multipleName(beat.turns);
  const height = beat.pass || beat.turns === 0 ? `${Math.round(beat.heightMetres * 100)} cm` : "";
  return (
    <>
      <path d={arc} className={classes.air} data-pass={beat.pass} />
      <rect
        x={beat.landX}
        y={BRAID.ground - 3}
        width={beat.endX - beat.landX}
        height={6}
        className={classes.contact}
      />
      <text x={middle} y={BRAID.ground + 20} className={classes.caption}>
        {[name, height].filter(Boolean).join(" ")}
      </text>
    </>
  );
}

interface DrawingProps {
  readonly layout: BraidLayout;
  readonly at: number | null;
  readonly misses: readonly number[];
}

function Drawing({ layout, at, misses }: DrawingProps) {
  const { width, windows, cords, turns, beats, xAt } = layout;
  return (
    <svg width={width} height={BRAID.height} className={classes.drawing} aria-hidden>
      {windows.map((shade) => (
        <g key={shade.x}>
          <rect
            x={shade.x}
            y={BRAID.top + 6}
            width={shade.width}
            height={BRAID.right - BRAID.top + 14}
            className={classes.window}
            data-tightest={shade.tightest}
          />
          {(shade.tightest || shade.width >= LEAST_LABELLED) && (
            <text
              x={shade.x + shade.width / 2}
              y={BRAID.right + 34}
              className={classes.caption}
              data-strong={shade.tightest}
            >
              {Math.round(shade.milliseconds)} ms
            </text>
          )}
        </g>
      ))}
      <text x={8} y={BRAID.left + 5} className={classes.lane}>
        left of body
      </text>
      <text x={8} y={BRAID.right + 5} className={classes.lane}>
        right of body
      </text>
      <text x={8} y={BRAID.ground + 4} className={classes.lane}>
        feet
      </text>
      {turns.map((turn) => (
        <line
          key={turn.x}
          x1={turn.x}
          x2={turn.x}
          y1={BRAID.top - 4}
          y2={BRAID.ground - 14}
          className={classes.bottom}
        />
      ))}
      {cords.map((piece, index) => (
        <Cord key={index} piece={piece} />
      ))}
      {beats.map((beat) => (
        <Jump key={beat.x} beat={beat} />
      ))}
      {turns.map((turn) => (
        <g key={turn.x}>
          <circle
            cx={turn.x}
            cy={BRAID.ground - 12}
            r={5}
            className={classes.dot}
            data-under={turn.underFeet}
          />
          <text x={turn.x} y={14 + turn.row * 16} className={classes.caption}>
            {captionWords(turn.arms)}
            {turn.caught ? ", caught" : ""}
          </text>
        </g>
      ))}
      {turns.map((turn, place) => {
        const count = misses[place] ?? 0;
        const y = (BRAID.left + BRAID.right) / 2;
        return (
          count > 0 && (
            <g key={turn.x}>
              <circle cx={turn.x} cy={y} r={15} className={classes.missed} />
              <text x={turn.x} y={y + 5} className={classes.caption} data-strong>
                {count}
              </text>
            </g>
          )
        );
      })}
      {at !== null && (
        <line x1={xAt(at)} x2={xAt(at)} y1={0} y2={BRAID.height} className={classes.playhead} />
      )}
    </svg>
  );
}

interface BraidProps {
  readonly score: Score;
  readonly timing: Timing;
  readonly dominant?: Hand;
  /** What the picture shows, for whoever cannot see it. */
  readonly label: string;
  /** How often each turn missed, by its place; drawn where it fell. */
  readonly misses?: readonly number[];
}

const NO_MISSES: readonly number[] = [];

/**
 * A score drawn over time: the hands' cords between the sides of the body, the windows in which they
 * can move, the rope's bottoms and the feet. It plays, slows down and can be scrubbed.
 */
export function Braid({ score, timing, dominant = "r", label, misses = NO_MISSES }: BraidProps) {
  const { ref, width } = useElementSize();
  const layout = useMemo(
    () => braidLayout(score, timing, dominant, Math.max(width, 300)),
    [score, timing, dominant, width],
  );
  const playhead = usePlayhead(layout.seconds);
  return (
    <figure className={classes.braid} aria-label={label}>
      <div ref={ref} className={classes.scroll} tabIndex={0} role="img" aria-label={label}>
        <Drawing layout={layout} at={playhead.at} misses={misses} />
      </div>
      <Player playhead={playhead} seconds={layout.seconds} />
      {layout.cut && <figcaption>The first {DRAWN_BEATS} beats are drawn.</figcaption>}
    </figure>
  );
}
