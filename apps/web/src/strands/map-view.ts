/** Moving the map within its frame: to a bead, to the whole, closer and further. */
import type { ReactZoomPanPinchContentRef } from "react-zoom-pan-pinch";

export interface Point {
  readonly x: number;
  readonly y: number;
}

export const LEAST_SCALE = 0.4;
export const MOST_SCALE = 2.5;
/** From here on the names of beads are read without effort. */
const READABLE_SCALE = 0.75;
const MARGIN = 48;
const ZOOM_STEP = 0.35;
const LABEL = 60;
const MOVE_MS = 180;

function duration(): number {
  return window.matchMedia("(prefers-reduced-motion: reduce)").matches ? 0 : MOVE_MS;
}

export interface MapView {
  /** Moves a point of the map into the middle. */
  readonly center: (point: Point) => void;
  /** Moves as little as it takes to show a point. */
  readonly show: (point: Point) => void;
  readonly zoom: (step: number) => void;
  /** All of the width where that can be read, else from a place on; and its height in the middle. */
  readonly begin: (at: Point, map: { readonly width: number; readonly height: number }) => void;
  readonly fit: (width: number, height: number) => void;
  /** Brings several points into sight together. */
  readonly gather: (points: readonly Point[]) => void;
}

/** What moves a map; nothing before it is there. */
export function mapView(view: ReactZoomPanPinchContentRef | null): MapView {
  const frame = () => {
    const element = view?.instance.wrapperComponent;
    if (view === null || element == null) return null;
    // A browser scrolls whatever holds the focus into sight; here the map moves instead.
    element.scrollTo(0, 0);
    const move = (x: number, y: number, scale: number) => {
      // It resolves when the map has come to rest, which nobody waits for.
      void view.setTransform(x, y, scale, duration());
    };
    return { move, width: element.clientWidth, height: element.clientHeight, ...view.state };
  };
  return {
    center: ({ x, y }) => {
      const now = frame();
      if (now === null) return;
      const { move, width, height, scale } = now;
      move(width / 2 - x * scale, height / 2 - y * scale, scale);
    },
    show: ({ x, y }) => {
      const now = frame();
      if (now === null) return;
      const { move, width, height, scale, positionX, positionY } = now;
      const inside = (place: number, size: number) => Math.min(size - MARGIN, Math.max(MARGIN, place));
      const [left, top] = [x * scale + positionX, y * scale + positionY];
      const [dx, dy] = [inside(left, width) - left, inside(top, height) - top];
      if (dx !== 0 || dy !== 0) move(positionX + dx, positionY + dy, scale);
    },
    zoom: (step) => {
      if (step > 0) void view?.zoomIn(ZOOM_STEP, duration());
      else void view?.zoomOut(ZOOM_STEP, duration());
    },
    begin: ({ x, y }, map) => {
      const now = frame();
      if (now === null || now.width === 0) return;
      const { move, width, height } = now;
      const scale = Math.max(READABLE_SCALE, Math.min(1, width / map.width));
      // What is smaller than the frame stands in its middle; what is larger has no edge inside of it.
      const place = (wanted: number, size: number, room: number) =>
        size <= room ? (room - size) / 2 : Math.min(0, Math.max(room - size, wanted));
      const left = place(MARGIN / 2 - x * scale, map.width * scale, width);
      const top =
        map.height * scale <= height ? 0 : place(height / 2 - y * scale, map.height * scale, height);
      move(left, top, scale);
    },
    gather: (points) => {
      const now = frame();
      if (now === null || points.length === 0) return;
      const { move, width, height } = now;
      const span = (places: readonly number[]) => ({ low: Math.min(...places), high: Math.max(...places) });
      const x = span(points.map((point) => point.x));
      // Labels hang below their beads.
      const y = span(points.flatMap((point) => [point.y, point.y + LABEL]));
      // Room for the labels around the outermost beads.
      const room = 2 * MARGIN;
      const wanted = Math.min(width / (x.high - x.low + 2 * room), height / (y.high - y.low + 2 * room));
      const scale = Math.max(LEAST_SCALE, Math.min(1, wanted));
      const left = width / 2 - ((x.low + x.high) / 2) * scale;
      move(left, height / 2 - ((y.low + y.high) / 2) * scale, scale);
    },
    fit: (mapWidth, mapHeight) => {
      const now = frame();
      if (now === null) return;
      const { move, width, height } = now;
      const scale = Math.max(LEAST_SCALE, Math.min(1, width / mapWidth, height / mapHeight));
      move(Math.max(0, (width - mapWidth * scale) / 2), 0, scale);
    },
  };
}
