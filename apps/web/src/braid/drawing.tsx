import { multipleName } from "@mirrup/core";
import type { ReactNode } from "react";
import { captionWords } from "../app/words.js";
import { BRAID, type BeatMark, type BraidLayout, type CordPiece } from "./braid-layout.js";
import classes from "./braid.module.css";

/** A window narrower than its label is labelled only where it is the tightest. */
const LEAST_LABELLED = 36;

export function Cord({ piece }: { readonly piece: CordPiece }) {
  const { path, hand, route, over } = piece;
  return (
    <>
      {over && <path d={path} className={classes.halo} />}
      <path d={path} className={classes.cord} data-hand={hand} data-route={route} />
      {route === "knees" && <path d={path} className={classes.core} />}
    </>
  );
}

/** A jump as an arc over the ground, and the contact that follows as a bar; `bare` without its words. */
export function Jump({ beat, bare = false }: { readonly beat: BeatMark; readonly bare?: boolean }) {
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
      {!bare && (
        <text x={middle} y={BRAID.ground + 20} className={classes.caption}>
          {[name, height].filter(Boolean).join(" ")}
        </text>
      )}
    </>
  );
}

interface DrawingProps {
  readonly layout: BraidLayout;
  /** How often each turn missed, by its place. */
  readonly misses?: readonly number[];
  /** What is drawn over it. */
  readonly children?: ReactNode;
}

/** A braid as it is laid out, without anything that moves. */
export function Drawing({ layout, misses, children }: DrawingProps) {
  const { width, windows, cords, turns, beats } = layout;
  return (
    <svg
      width={width}
      height={BRAID.height}
      viewBox={`0 0 ${width} ${BRAID.height}`}
      className={classes.drawing}
      aria-hidden
    >
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
        const count = misses?.[place] ?? 0;
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
      {children}
    </svg>
  );
}

/** Where the playing is. */
export function Playhead({ x }: { readonly x: number }) {
  return <line x1={x} x2={x} y1={0} y2={BRAID.height} className={classes.playhead} />;
}
