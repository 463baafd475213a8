import { timeScore, type Score } from "@mirrup/core";
import { useReducedMotion } from "@mantine/hooks";
import { memo, useEffect, useMemo, useRef } from "react";
import { captionWords } from "../app/words.js";
import { BRAID, braidLayout } from "./braid-layout.js";
import { Cord, Jump } from "./drawing.js";
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
  const line = useRef<HTMLDivElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const timing = useMemo(() => timeScore(score), [score]);
  const layout = useMemo(() => braidLayout(score, timing, "r", WIDTH), [score, timing]);
  const { turns, cords, beats, windows } = layout;
  const left = BRAID.margin - 40;
  const width = layout.xAt(layout.seconds) + 20 - left;
  // The browser moves the line beside the page's own thread: a tap waits for no picture.
  useEffect(() => {
    if (beat === null || beat < 1) return;
    const shareAt = (seconds: number) =>
      (layout.xAt(momentOf(timing.beats, beat, seconds, tempo)) - left) / width;
    const place = (share: number) => ({ transform: `translateX(${100 * share}%)` });
    const { current: room } = box;
    if (room !== null && room.scrollWidth > room.clientWidth)
      room.scrollLeft = shareAt(0) * room.scrollWidth - room.clientWidth / 2;
    const seconds = 60 / tempo;
    const moving = line.current?.animate([place(shareAt(0)), place(shareAt(reduced ? 0 : seconds))], {
      duration: 1000 * seconds,
      fill: "forwards",
    });
    return () => moving?.cancel();
  }, [beat, tempo, layout, timing, reduced, left, width]);
  return (
    <div ref={box} className={classes.box} data-braid role="img" aria-label={label}>
      <div className={classes.sheet}>
        <svg
          viewBox={`${left} ${VIEW.top} ${width} ${VIEW.bottom - VIEW.top}`}
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
        </svg>
        {beat !== null && beat >= 1 && <div ref={line} className={classes.playhead} />}
      </div>
    </div>
  );
});
