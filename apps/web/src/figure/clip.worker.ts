/** Makes clips beside the page. */
import { expose } from "comlink";
import { CLIP } from "./clip-size.js";
import { gifOf, type ClipAsked, type MadeClip } from "./clip.js";

const worker = {
  gif: (asked: ClipAsked, onDone: (share: number) => void): MadeClip => {
    const context = new OffscreenCanvas(CLIP.width, CLIP.height).getContext("2d", {
      willReadFrequently: true,
    });
    if (context === null) throw new Error("This browser cannot draw beside the page.");
    return gifOf(asked, context, onDone);
  },
};
export type ClipWorker = typeof worker;

expose(worker);
