import type { CoachWay } from "@mirrup/core/planning";
import { useMemo } from "react";
import { familyOf } from "../app/family.js";
import { skillName } from "../app/words.js";
import { clockWords, stepsOf, type ShownPlan } from "./shown.js";
import classes from "./turns-figure.module.css";
import { PICTURE, turnsPicture } from "./turns-picture.js";

/** Above the lines: when a turn begins. */
const HEAD = 24;

interface TurnsFigureProps {
  readonly plan: ShownPlan;
  readonly way: CoachWay;
  readonly startTime: string | null;
  readonly nameOf: (id: string) => string;
}

/** Who goes where, turn by turn, at a glance. It says nothing to a screen reader that the table does not say better. */
export function TurnsFigure({ plan, way, startTime, nameOf }: TurnsFigureProps) {
  const { width, height, bands, lines, coaches } = useMemo(() => turnsPicture(plan, way), [plan, way]);
  const begins = stepsOf(plan).flatMap((step) => (step.kind === "turn" ? [step] : []));
  const xOf = (turn: number) => PICTURE.names + PICTURE.turn * turn;
  return (
    <figure className={classes.figure} aria-hidden>
      <svg width={width} height={height + HEAD} viewBox={`0 ${-HEAD} ${width} ${height + HEAD}`}>
        {begins.map(({ turn, from }) => (
          <text key={turn} x={xOf(turn)} y={-8} className={classes.hour}>
            {turn + 1} · {clockWords(startTime, from)}
          </text>
        ))}
        {bands.map(({ station, top, height: high }) => (
          <rect
            key={station}
            x={0}
            y={top}
            width={width}
            height={high}
            className={classes.band}
            data-odd={station % 2 === 1}
          />
        ))}
        {coaches.map((path, coach) => (
          <path key={coach} d={path} className={classes.coach} data-second={coach > 0} />
        ))}
        {bands.map(({ station, top }) => (
          <g key={station}>
            <text x={6} y={top + 15} className={classes.station}>
              Station {station + 1}
            </text>
            {plan.rotations.map(({ stations }, turn) => {
              const subject = stations[station]?.subject ?? null;
              return (
                subject !== null && (
                  <text
                    key={turn}
                    x={xOf(turn)}
                    y={top + 15}
                    className={classes.skill}
                    style={{ fill: `var(--family-${familyOf(subject)})` }}
                  >
                    {skillName(subject)}
                  </text>
                )
              );
            })}
          </g>
        ))}
        <g className={classes.lines}>
          {lines.map(({ id, path, spots: [first] }) => (
            <g key={id} className={classes.line}>
              {first !== undefined && (
                <text x={xOf(first.turn) - 6} y={first.y + 5} className={classes.name}>
                  {nameOf(id)}
                </text>
              )}
              <path d={path} className={classes.reach} />
              <path d={path} className={classes.drawn} />
            </g>
          ))}
        </g>
      </svg>
      <figcaption className={classes.key}>
        <span data-kind="line">a student</span>
        {coaches.length > 0 && (
          <span data-kind="coach">{coaches.length > 1 ? "the coaches" : "the coach"}</span>
        )}
        <span>Point at a name to follow it.</span>
      </figcaption>
    </figure>
  );
}
