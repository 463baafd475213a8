/** A figure on a flat canvas: on the page where nothing better can be, and frame by frame for a clip. */
import { strokesOf, type Stroke, type View } from "@mirrup/core/figure";
import type { Colours } from "./colours.js";
import type { Drawn } from "./stage.js";

type Canvas2D = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Screen metres that a picture is high, for a jumper of 1.70 m. */
export const PICTURE_HEIGHT = 2.6;
/** And wide: the rope swings out ahead and behind. */
const PICTURE_WIDTH = 3.1;
/** How much lower than its middle the picture is drawn: the rope needs its room above the head. */
const MIDDLE = 0.52;
const EDGE = 2;

function strokeOn(
  context: Canvas2D,
  stroke: Stroke,
  colours: Colours,
  toX: number,
  toY: number,
  scale: number,
) {
  const points = stroke.points.map(([x, y]) => [toX + x * scale, toY + y * scale] as const);
  const [first, second] = points;
  if (first === undefined) return;
  const trace = () => {
    context.beginPath();
    context.moveTo(first[0], first[1]);
    for (const [x, y] of points.slice(1)) context.lineTo(x, y);
    // A dot is a line without length, which a canvas leaves out.
    if (points.length === 2 && second?.[0] === first[0] && second[1] === first[1])
      context.lineTo(first[0] + 0.01, first[1]);
  };
  context.lineCap = "round";
  context.lineJoin = "round";
  const width = Math.max(1, stroke.width * scale);
  if (stroke.part !== "cord" && stroke.points.length === 2) {
    // What is nearer stands out from what is behind it.
    trace();
    context.strokeStyle = colours.paper;
    context.lineWidth = width + EDGE;
    context.stroke();
  }
  trace();
  context.strokeStyle = colours[stroke.part];
  context.lineWidth = width;
  if (stroke.points.length > 2) {
    context.closePath();
    context.fillStyle = colours[stroke.part];
    context.fill();
  }
  context.stroke();
}

/** Paints figures over a canvas of `width` × `height`, with the floor's line. */
export function paint(
  context: Canvas2D,
  figures: readonly Drawn[],
  view: View,
  colours: Colours,
  width: number,
  height: number,
): void {
  context.globalAlpha = 1;
  context.fillStyle = colours.paper;
  context.fillRect(0, 0, width, height);
  const tallest = Math.max(1, ...figures.map(({ body }) => body.scale));
  const aside = Math.max(0, ...figures.map((figure) => Math.abs(figure.aside)));
  // From above the rope swings up and down the picture.
  const high = view.above > 0.6 ? PICTURE_WIDTH : PICTURE_HEIGHT;
  const scale = Math.min(height / (high * tallest), width / (2 * aside + PICTURE_WIDTH * tallest));
  for (const { pose, body, aside: left, strength } of figures) {
    const [toX, toY] = [width / 2 + left * scale, height * MIDDLE];
    context.globalAlpha = strength;
    context.strokeStyle = colours.ground;
    context.lineWidth = 2;
    const floor = toY + 0.97 * body.scale * scale;
    context.beginPath();
    context.moveTo(toX - 0.8 * scale * body.scale, floor);
    context.lineTo(toX + 0.8 * scale * body.scale, floor);
    if (view.above < 0.6) context.stroke();
    for (const stroke of strokesOf(pose, body, view)) strokeOn(context, stroke, colours, toX, toY, scale);
  }
  context.globalAlpha = 1;
}
