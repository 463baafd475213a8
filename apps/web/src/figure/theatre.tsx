import { useComputedColorScheme } from "@mantine/core";
import { useElementSize, useMergedRef } from "@mantine/hooks";
import { useCallback, useEffect, useRef, useState } from "react";
import classes from "./figure.module.css";
import { aroundOf, drawnOf, timeIn, type Shown } from "./shown.js";
import { useStage } from "./use-stage.js";
import type { useTurned } from "./use-turned.js";

/** Metres between two who stand beside each other. */
const BESIDE = 0.95;
const FAINT = 0.3;

interface TheatreProps {
  readonly shown: Shown;
  readonly beside: Shown | null;
  readonly at: number | null;
  readonly around: boolean;
  readonly turned: ReturnType<typeof useTurned>;
  readonly label: string;
}

/** The picture itself. */
export function Theatre({ shown, beside, at, around, turned, label }: TheatreProps) {
  const [flat, setFlat] = useState(false);
  const { ref: sized, width, height } = useElementSize();
  const canvas = useRef<HTMLCanvasElement>(null);
  const merged = useMergedRef(sized, canvas);
  const onFlat = useCallback(() => setFlat(true), []);
  // What is drawn with has the colours of its making: by day and by night there is one of each.
  const made = `${flat ? "flat" : "deep"} ${useComputedColorScheme("light")}`;
  const stage = useStage(canvas, flat, made, onFlat);
  const { view } = turned;
  useEffect(() => {
    if (stage === null || width === 0 || height === 0) return;
    stage.resize(width, height);
  }, [stage, width, height]);
  useEffect(() => {
    if (stage === null || width === 0 || height === 0) return;
    const here = timeIn(shown, at);
    const side = beside === null ? 0 : BESIDE * shown.showing.motion.body.scale;
    stage.draw(
      [
        drawnOf(shown, here, side, 1),
        ...(beside === null ? [] : [drawnOf(beside, timeIn(beside, at), -side, 1)]),
        ...(around ? aroundOf(shown, here).map((moment) => drawnOf(shown, moment, side, FAINT)) : []),
      ],
      view,
    );
  }, [stage, shown, beside, at, around, view, width, height]);
  return (
    <canvas
      key={made}
      ref={merged}
      className={classes.canvas}
      role="img"
      aria-label={label}
      tabIndex={0}
      data-stage={stage?.kind}
      data-at={at?.toFixed(2)}
      {...turned.handlers}
    />
  );
}
