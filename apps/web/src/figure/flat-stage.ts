/** The stage without depth: a canvas that any browser has. */
import { coloursOf } from "./colours.js";
import { paint } from "./paint.js";
import type { Stage } from "./stage.js";

export function flatStage(canvas: HTMLCanvasElement): Stage {
  const context = canvas.getContext("2d");
  let size = { width: canvas.clientWidth, height: canvas.clientHeight };
  return {
    kind: "flat",
    draw: (figures, view) => {
      if (context === null || size.width === 0 || size.height === 0) return;
      const ratio = canvas.width / size.width;
      context.setTransform(ratio, 0, 0, ratio, 0, 0);
      paint(context, figures, view, coloursOf(canvas), size.width, size.height);
    },
    resize: (width, height) => {
      size = { width, height };
      const ratio = Math.min(2, window.devicePixelRatio);
      canvas.width = Math.round(width * ratio);
      canvas.height = Math.round(height * ratio);
    },
    dispose: () => undefined,
  };
}
