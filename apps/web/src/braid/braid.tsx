import type { Hand, Score, Timing } from "@mirrup/core";
import { useElementSize } from "@mantine/hooks";
import { useMemo, type ReactNode } from "react";
import { braidLayout, DRAWN_BEATS } from "./braid-layout.js";
import classes from "./braid.module.css";
import { Drawing, Playhead } from "./drawing.js";
import { Player } from "./player.js";
import { usePlayhead, type Playhead as Playing } from "./use-playhead.js";

interface BraidProps {
  readonly score: Score;
  readonly timing: Timing;
  readonly dominant?: Hand;
  /** What the picture shows, for whoever cannot see it. */
  readonly label: string;
  /** How often each turn missed, by its place; drawn where it fell. */
  readonly misses?: readonly number[];
  /** What is shown above it, in step with it. */
  readonly above?: (playhead: Playing) => ReactNode;
}

/**
 * A score drawn over time: the hands' cords between the sides of the body, the windows in which they
 * can move, the rope's bottoms and the feet. It plays, slows down and can be scrubbed.
 */
export function Braid({ score, timing, dominant = "r", label, misses, above }: BraidProps) {
  const { ref, width } = useElementSize();
  const layout = useMemo(
    () => braidLayout(score, timing, dominant, Math.max(width, 300)),
    [score, timing, dominant, width],
  );
  const playhead = usePlayhead(layout.seconds);
  return (
    <figure className={classes.braid} aria-label={label}>
      {above?.(playhead)}
      <div ref={ref} className={classes.scroll} tabIndex={0} role="img" aria-label={label}>
        <Drawing layout={layout} misses={misses}>
          {playhead.at !== null && <Playhead x={layout.xAt(playhead.at)} />}
        </Drawing>
      </div>
      <Player playhead={playhead} seconds={layout.seconds} />
      {layout.cut && <figcaption>The first {DRAWN_BEATS} beats are drawn.</figcaption>}
    </figure>
  );
}
