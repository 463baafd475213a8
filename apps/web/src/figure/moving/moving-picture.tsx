import type { Score } from "@mirrup/core";
import { poseAt, showingOf, tellingMoment, VIEWS } from "@mirrup/core/figure";
import { useEffect, useMemo, useRef, useState } from "react";
import { flatStage } from "../flat-stage.js";
import { bestView } from "../moment-words.js";

export interface MovingPictureProps {
  readonly score: Score;
  /** What is shown, in words: `the cross`. */
  readonly name: string;
  readonly className?: string | undefined;
}

/** Slowly enough to see the hands. */
const SPEED = 0.4;
const SIZE = { width: 260, height: 220 } as const;

/** A trick as it is jumped, small and flat: still until it is pressed, and still again where nothing is to move. */
export function MovingPicture({ score, name, className }: MovingPictureProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [plays, setPlays] = useState(false);
  const shown = useMemo(() => {
    const showing = showingOf(score);
    return { showing, still: tellingMoment(showing.motion)?.at ?? 0, view: VIEWS[bestView(score)] };
  }, [score]);
  useEffect(() => {
    const { current } = canvas;
    if (current === null) return undefined;
    const { showing, still, view } = shown;
    const { motion, offset, seconds } = showing;
    const stage = flatStage(current);
    stage.resize(SIZE.width, SIZE.height);
    const draw = (at: number) =>
      stage.draw([{ pose: poseAt(motion, offset + at), body: motion.body, aside: 0, strength: 1 }], view);
    if (!plays || seconds <= 0) {
      draw(seconds > 0 ? still % seconds : 0);
      return undefined;
    }
    const began = performance.now();
    let frame = requestAnimationFrame(function step(now) {
      draw((Math.max(0, (now - began) / 1000) * SPEED) % seconds);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [shown, plays]);
  return (
    <button
      type="button"
      className={className}
      aria-pressed={plays}
      aria-label={`How ${name} is jumped`}
      onClick={() => setPlays((before) => !before)}
    >
      <canvas ref={canvas} style={SIZE} />
      <span>{plays ? "Stop" : "Show it moving"}</span>
    </button>
  );
}
