declare module "gifenc" {
  export type Palette = number[][];
  export function quantize(rgba: Uint8Array | Uint8ClampedArray, colours: number): Palette;
  export function applyPalette(rgba: Uint8Array | Uint8ClampedArray, palette: Palette): Uint8Array;
  export interface Frame {
    readonly palette?: Palette;
    /** Milliseconds. */
    readonly delay?: number;
    /** Times it plays again; 0 without end. */
    readonly repeat?: number;
  }
  export interface Encoder {
    writeFrame: (pixels: Uint8Array, width: number, height: number, frame: Frame) => void;
    finish: () => void;
    bytes: () => Uint8Array;
  }
  export function GIFEncoder(): Encoder;
}
