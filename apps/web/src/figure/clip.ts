/** A clip of a figure as a picture that moves: its frames, their colours, and the file. */
import type { Score } from "@mirrup/core";
import { poseAt, showingOf, type Jumper, type View } from "@mirrup/core/figure";
import { applyPalette, GIFEncoder, quantize } from "gifenc";
import type { Colours } from "./colours.js";
import { paint } from "./paint.js";

export interface ClipAsked {
  readonly score: Score;
  readonly jumper: Jumper;
  readonly view: View;
  readonly colours: Colours;
  /** Times real time. */
  readonly speed: number;
}

export const CLIP = { width: 440, height: 380, framesASecond: 20, mostFrames: 400 } as const;
const COLOURS = 64;

/** When in the score each frame is, seconds: once through, at the asked speed. */
export function frameTimes(seconds: number, speed: number): readonly number[] {
  const count = Math.min(CLIP.mostFrames, Math.max(2, Math.round((seconds / speed) * CLIP.framesASecond)));
  return Array.from({ length: count }, (_, frame) => (frame * seconds) / count);
}

/** The clip as a GIF that plays over and over; `onDone` hears how much is made, 0 to 1. */
export function gifOf(
  { score, jumper, view, colours, speed }: ClipAsked,
  context: OffscreenCanvasRenderingContext2D,
  onDone: (share: number) => void,
): Uint8Array<ArrayBuffer> {
  const { motion, offset, seconds, fault } = showingOf(score, jumper);
  const times = frameTimes(fault === null ? seconds : fault.at, speed);
  const gif = GIFEncoder();
  let palette: ReturnType<typeof quantize> | null = null;
  times.forEach((at, place) => {
    const figure = { pose: poseAt(motion, offset + at), body: motion.body, aside: 0, strength: 1 };
    paint(context, [figure], view, colours, CLIP.width, CLIP.height);
    const { data } = context.getImageData(0, 0, CLIP.width, CLIP.height);
    // The few colours of the first frame are those of all.
    palette ??= quantize(data, COLOURS);
    gif.writeFrame(applyPalette(data, palette), CLIP.width, CLIP.height, {
      ...(place === 0 ? { palette } : {}),
      delay: 1000 / CLIP.framesASecond,
      repeat: 0,
    });
    onDone((place + 1) / times.length);
  });
  gif.finish();
  return new Uint8Array(gif.bytes());
}
