import { timeScore, type Score } from "@mirrup/core";
import { useReducedMotion } from "@mantine/hooks";
import { memo, useEffect, useMemo, useRef } from "react";
import { captionWords } from "../app/words.js";
import { BRAID, braidLayout } from "./braid-layout.js";
import { Cord, Jump, Playhead } from "./drawing.js";
import { momentOf } from "./moment.js";
import classes from "./small-braid.module.css";

/** Of the drawing's own height: captions above, feet below. */
const VIEW = { top: -24, bottom: BRAID.ground + 8, row: 27 } as const;
/** As it is laid out; a short pattern takes less. */
const WIDTH = 900;

interface SmallBraidProps {
  readonly score: Score;
  /** What it shows, in words. */
  readonly label: string;
  /** The beat that sounds, from 1; null while none does. */
  readonly beat: number | null;
  /** Beats a minute. */
  readonly tempo: number;
}

/** A pattern's braid beside the numerals: few words, and in step with the beat while one sounds. */
export const SmallBraid = memo(function SmallBraid({ score, label, beat, tempo }: SmallBraidProps) {
  const reduced = useReducedMotion();
  const line = useRef<SVGLineElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const timing = useMemo(() => timeScore(score), [score]);
  const layout = useMemo(() => braidLayout(score, timing, "r", WIDTH), [score, timing]);
  // The line moves by itself: a tap must not wait for a picture that is drawn anew sixty times a second.
  useEffect(() => {
    if (beat === null || beat < 1) return;
    const began = performance.now();
    const place = (seconds: number) => {
      const x = layout.xAt(momentOf(timing.beats, beat, seconds, tempo));
      line.current?.setAttribute("x1", String(x));
      line.current?.setAttribute("x2", String(x));
      return x;
    };
    const x = place(0);
    if (box.current !== null && box.current.scrollWidth > box.current.clientWidth)
      box.current.scrollLeft =
        (x / layout.xAt(layout.seconds)) * box.current.scrollWidth - box.current.clientWidth / 2;
    if (reduced) return;
    let frame = requestAnimationFrame(function step(now) {
      place((now - began) / 1000);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [beat, tempo, layout, timing, reduced]);
  const { turns, cords, beats, windows } = layout;
  const width = layout.xAt(layout.seconds) + 20;
  return (
    <div ref={box} className={classes.box} data-braid role="img" aria-label={label}>
      <svg
        viewBox={`${BRAID.margin - 40} ${VIEW.top} ${width - BRAID.margin + 40} ${VIEW.bottom - VIEW.top}`}
        className={classes.drawing}
        aria-hidden
      >
        {windows
          .filter((shade) => shade.tightest)
          .map((shade) => (
            <rect
              key={shade.x}
              x={shade.x}
              y={BRAID.top + 6}
              width={shade.width}
              height={BRAID.right - BRAID.top + 14}
              className={classes.tightest}
            />
          ))}
        {cords.map((piece, index) => (
          <Cord key={index} piece={piece} />
        ))}
        {beats.map((one) => (
          <Jump key={one.x} beat={one} bare />
        ))}
        {turns.map(({ x, arms, caught, row }, place) => {
          const words = `${captionWords(arms)}${caught ? ", caught" : ""}`;
          const before = turns[place - 1];
          const isSame = before?.arms === arms && before.caught === caught;
          return isSame ? null : (
            <text key={x} x={x} y={row * VIEW.row} className={classes.caption} data-open={arms === "o"}>
              {words}
            </text>
          );
        })}
        {beat !== null && beat >= 1 && <Playhead ref={line} x={layout.xAt(0)} />}
      </svg>
    </div>
  );
});
