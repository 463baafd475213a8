import { rhythmBars } from "./rhythm-bars.js";
import classes from "./rhythm-picture.module.css";

const HEIGHT = 96;
const BAR = 10;
const GAP = 4;
/** A try takes no more of the page, px. */
const WIDEST = 30;

/** How long each try took: what stood out is lit. The words beside it say the same. */
export function RhythmPicture({ ticks }: { readonly ticks: readonly number[] }) {
  const bars = rhythmBars(ticks);
  if (bars.length === 0) return null;
  const width = bars.length * (BAR + GAP) - GAP;
  return (
    <figure className={classes.picture} aria-hidden>
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        preserveAspectRatio="none"
        className={classes.bars}
        style={{ maxWidth: bars.length * WIDEST }}
      >
        {bars.map(({ place, height, isStandout }, at) => (
          <rect
            key={place}
            x={at * (BAR + GAP)}
            y={HEIGHT * (1 - height)}
            width={BAR}
            height={HEIGHT * height}
            className={isStandout ? classes.standout : classes.bar}
          />
        ))}
        <line x1={0} x2={width} y1={HEIGHT / 2} y2={HEIGHT / 2} className={classes.usual} />
      </svg>
      <figcaption>From try to try; the line is the usual time</figcaption>
    </figure>
  );
}
