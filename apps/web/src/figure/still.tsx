import {
  pictureReach,
  strokesOf,
  type Body,
  type BodyPose,
  type Stroke,
  type View,
} from "@mirrup/core/figure";
import classes from "./still.module.css";

interface StillProps {
  readonly pose: BodyPose;
  readonly body: Body;
  readonly view: View;
  /** What it shows, for whoever cannot see it; nothing where the words stand beside it. */
  readonly label?: string;
  /** Whether the rope is low, so that the picture can be cut closer. */
  readonly close?: boolean;
}

const CLOSE = 0.6;

/** Hundredths of a metre: a picture's numbers stay short. */
function units(metres: number): number {
  return Math.round(metres * 1000) / 10;
}

function Shape({ stroke }: { readonly stroke: Stroke }) {
  const { part, points, width } = stroke;
  const line = points.map(([x, y]) => `${units(x)} ${units(y)}`).join("L");
  const path = `M${line}${points.length > 2 ? "Z" : ""}`;
  return (
    <>
      {part !== "cord" && points.length === 2 && (
        <path d={path} className={classes.edge} strokeWidth={units(width) + 3} />
      )}
      <path
        d={path}
        className={classes.part}
        data-part={part}
        data-patch={points.length > 2}
        strokeWidth={Math.max(1.6, units(width))}
      />
    </>
  );
}

/** One pose as a picture that can be printed. */
export function Still({ pose, body, view, label, close = false }: StillProps) {
  const reach = pictureReach(body);
  const [aside, up] = close ? [CLOSE * reach.aside, 0.9 * reach.up] : [reach.aside, reach.up];
  const floor = units(0.97 * body.scale);
  return (
    <svg
      className={classes.still}
      viewBox={`${-units(aside)} ${-units(up)} ${2 * units(aside)} ${2 * units(up)}`}
      role={label === undefined ? undefined : "img"}
      aria-label={label}
      aria-hidden={label === undefined}
    >
      {view.above < 0.6 && (
        <path d={`M${-units(0.8 * aside)} ${floor}H${units(0.8 * aside)}`} className={classes.floor} />
      )}
      {strokesOf(pose, body, view).map((stroke, place) => (
        <Shape key={place} stroke={stroke} />
      ))}
    </svg>
  );
}
