import { memo, type Ref } from "react";
import { familyOf } from "../app/family.js";
import { Bead, type BeadState } from "../beads/index.js";
import classes from "./drawing.module.css";
import { BEAD, HEAD, LABEL_GAP, pathOf, type FrontierLayout, type PlacedBead } from "./layout.js";

interface DrawingProps {
  readonly layout: FrontierLayout;
  readonly stateOf: (subject: string) => BeadState;
  readonly headOf: (step: number) => string;
  /** What is brought out; null where all is. */
  readonly lit: ReadonlySet<string> | null;
  /** What comes first now. */
  readonly next: string | null;
  readonly held: string | null;
  readonly ref?: Ref<SVGSVGElement>;
}

const COLUMN_ROOM = 14;

function Labelled({ bead, state }: { readonly bead: PlacedBead; readonly state: BeadState }) {
  const hasNote = bead.note !== "";
  return (
    <>
      <g transform={`translate(0 ${-BEAD / 2})`}>
        <Bead state={state} family={familyOf(bead.subject)} size={BEAD} />
      </g>
      <text x={BEAD + LABEL_GAP} y={hasNote ? -2 : 5} className={classes.name}>
        {bead.label}
      </text>
      {hasNote && (
        <text x={BEAD + LABEL_GAP} y={14} className={classes.note}>
          {bead.note}
        </text>
      )}
    </>
  );
}

/** The frontier as a drawing: columns, cords, beads with their names. It says nothing to a screen reader. */
export const Drawing = memo(function Drawing(props: DrawingProps) {
  const { layout, stateOf, headOf, lit, next, held, ref } = props;
  const { width, height, columns, cords, beads } = layout;
  const isLit = (subject: string) => lit === null || lit.has(subject);
  return (
    <svg
      ref={ref}
      className={classes.drawing}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      aria-hidden
    >
      {columns.map(({ step, x, width: columnWidth }) => (
        <g key={step}>
          <rect
            className={step === 1 ? classes.now : classes.column}
            {...{ x: x - COLUMN_ROOM, y: 0, width: columnWidth + 2 * COLUMN_ROOM, height }}
          />
          <text x={x} y={HEAD - 18} className={classes.head}>
            {headOf(step)}
          </text>
        </g>
      ))}
      {cords.map((cord) => (
        <path
          key={`${cord.from} ${cord.to}`}
          d={pathOf(cord)}
          className={classes.cord}
          data-lit={lit !== null && isLit(cord.from) && isLit(cord.to)}
          data-faded={!isLit(cord.from) || !isLit(cord.to)}
        />
      ))}
      {beads.map((bead) => (
        <g key={bead.subject} transform={`translate(${bead.x} ${bead.y})`} data-faded={!isLit(bead.subject)}>
          {bead.subject === next && <circle className={classes.next} cx={BEAD / 2} r={BEAD / 2 + 5} />}
          {bead.subject === held && <circle className={classes.held} cx={BEAD / 2} r={BEAD / 2 + 5} />}
          <Labelled bead={bead} state={stateOf(bead.subject)} />
        </g>
      ))}
    </svg>
  );
});
