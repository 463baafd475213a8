import { timeScore, type Score } from "@mirrup/core";
import { useReducedMotion } from "@mantine/hooks";
import { memo, useEffect, useEffectEvent, useMemo, useRef, type RefObject } from "react";
import { useHeld, type Held } from "../app/held.js";
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
  /** The beat that sounds, from 1; left out where none ever does. */
  readonly beats?: Held<number | null>;
  /** Beats a minute. */
  readonly tempo: number;
}

/** A pattern's braid beside the numerals: few words, and in step with the beat while one sounds. */
export const SmallBraid = memo(function SmallBraid({ score, label, beats, tempo }: SmallBraidProps) {
  const box = useRef<HTMLDivElement>(null);
  const timing = useMemo(() => timeScore(score), [score]);
  const layout = useMemo(() => braidLayout(score, timing, "r", WIDTH), [score, timing]);
  const { turns, cords, beats: jumps, windows } = layout;
  const left = BRAID.margin - 40;
  const width = layout.xAt(layout.seconds) + 20 - left;
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
          {jumps.map((one) => (
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
        {beats !== undefined && (
          <Playhead
            beats={beats}
            tempo={tempo}
            box={box}
            shareAt={(beat, seconds) =>
              (layout.xAt(momentOf(timing.beats, beat, seconds, tempo)) - left) / width
            }
          />
        )}
      </div>
    </div>
  );
});

interface PlayheadProps {
  readonly beats: Held<number | null>;
  readonly tempo: number;
  /** What the drawing is scrolled in where it is wider. */
  readonly box: RefObject<HTMLDivElement | null>;
  /** Where along the drawing, from 0 to 1, the pattern is so many seconds into a beat. */
  readonly shareAt: (beat: number, seconds: number) => number;
}

/** The line that goes along with the beat; at each one nothing else is drawn. */
function Playhead({ beats, tempo, box, shareAt }: PlayheadProps) {
  const beat = useHeld(beats);
  const reduced = useReducedMotion();
  const line = useRef<HTMLDivElement>(null);
  // How wide the drawing is, and how much of it is seen; measured from the count-in on whenever that changes, and not at
  // each beat, which would have the whole page laid out first.
  const size = useRef({ whole: 0, seen: 0 });
  const isSounding = beat !== null;
  const isOn = isSounding && beat >= 1;
  useEffect(() => {
    const { current: room } = box;
    if (!isSounding || room === null) return;
    const measured = new ResizeObserver(() => {
      size.current = { whole: room.scrollWidth, seen: room.clientWidth };
    });
    measured.observe(room);
    return () => measured.disconnect();
  }, [box, isSounding]);
  const place = useEffectEvent((at: number) => {
    const { whole, seen } = size.current;
    if (whole > seen) box.current?.scrollTo({ left: shareAt(at, 0) * whole - seen / 2 });
    const seconds = 60 / tempo;
    const moved = (share: number) => ({ transform: `translateX(${share * whole}px)` });
    // The browser moves the line beside the page's own thread: a tap waits for no picture.
    return line.current?.animate([moved(shareAt(at, 0)), moved(shareAt(at, reduced ? 0 : seconds))], {
      duration: 1000 * seconds,
      fill: "forwards",
    });
  });
  useEffect(() => {
    if (!isOn) return;
    const moving = place(beat);
    return () => moving?.cancel();
  }, [beat, isOn]);
  return isOn && <div ref={line} className={classes.playhead} />;
}
