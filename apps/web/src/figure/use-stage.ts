import { useEffect, useState, type RefObject } from "react";
import { flatStage } from "./flat-stage.js";
import type { Stage } from "./stage.js";

/**
 * A stage on a canvas: with depth where the browser can, flat where it cannot, where what draws it cannot be loaded, or
 * where the graphics were taken away. A canvas serves one of them: another `made` asks for a new one.
 */
export function useStage(
  canvas: RefObject<HTMLCanvasElement | null>,
  flat: boolean,
  made: string,
  onFlat: () => void,
): Stage | null {
  const [stage, setStage] = useState<Stage | null>(null);
  useEffect(() => {
    const { current } = canvas;
    if (current === null) return undefined;
    let stands: Stage | null = null;
    let gone = false;
    const maker: Promise<(on: HTMLCanvasElement) => Stage> = flat
      ? Promise.resolve(flatStage)
      : import("./deep-stage.js").then(
          ({ deepStage }) =>
            (on) =>
              deepStage(on, onFlat),
        );
    maker
      .then((make) => {
        if (gone) return;
        stands = make(current);
        setStage(stands);
      })
      // No WebGL, or what draws by it is out of reach.
      .catch(() => !gone && onFlat());
    return () => {
      gone = true;
      stands?.dispose();
      setStage(null);
    };
  }, [canvas, flat, made, onFlat]);
  return stage;
}
