/** A clip of a figure as a picture that moves: its frames, their colours, and the file. */
import type { Score } from "@mirrup/core";
import { poseAt, showingOf, type Jumper, type View } from "@mirrup/core/figure";
import { applyPalette, GIFEncoder, quantize } from "gifenc";
import { CLIP } from "./clip-size.js";
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

const COLOURS = 64;

export interface Frames {
  /** When in the score each frame is, seconds. */
  readonly times: readonly number[];
  /** Whether the score goes on behind the last. */
  readonly isCut: boolean;
}

/** A score once through at the asked speed; of a long one the first frames. */
export function framesOf(seconds: number, speed: number): Frames {
  const whole = Math.max(2, Math.round((seconds / speed) * CLIP.framesASecond));
  const count = Math.min(CLIP.mostFrames, whole);
  return {
    times: Array.from({ length: count }, (_, frame) => (frame * seconds) / whole),
    isCut: count < whole,
  };
}

export interface MadeClip {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly isCut: boolean;
}

/** The clip as a GIF that plays over and over; `onDone` hears how much is made, 0 to 1. */
export function gifOf(
  { score, jumper, view, colours, speed }: ClipAsked,
  context: OffscreenCanvasRenderingContext2D,
  onDone: (share: number) => void,
): MadeClip {
  const { motion, offset, seconds, fault } = showingOf(score, jumper);
  const { times, isCut } = framesOf(fault === null ? seconds : fault.at, speed);
  const painted = (at: number) => {
    const figure = { pose: poseAt(motion, offset + at), body: motion.body, aside: 0, strength: 1 };
    paint(context, [figure], view, colours, CLIP.width, CLIP.height);
    return context.getImageData(0, 0, CLIP.width, CLIP.height).data;
  };
  // The few colours of some frames are those of all.
  const size = CLIP.width * CLIP.height * 4;
  const some = [0, 0.33, 0.66];
  const seen = new Uint8Array(some.length * size);
  some.forEach((share, place) =>
    seen.set(painted(times[Math.floor(share * times.length)] ?? 0), place * size),
  );
  const palette = quantize(seen, COLOURS);
  const gif = GIFEncoder();
  times.forEach((at, place) => {
    const data = painted(at);
    gif.writeFrame(applyPalette(data, palette), CLIP.width, CLIP.height, {
      ...(place === 0 ? { palette } : {}),
      delay: 1000 / CLIP.framesASecond,
      repeat: 0,
    });
    onDone((place + 1) / times.length);
  });
  gif.finish();
  return { bytes: new Uint8Array(gif.bytes()), isCut };
}
