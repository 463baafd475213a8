/**
 * Many beads as one picture, for where thousands stand in one table: an element each is too many, and so is a picture
 * each.
 */
import type { Family } from "@mirrup/core";
import { beadParts, type BeadPart } from "./bead-parts.js";
import type { BeadState } from "./bead-state.js";

export interface SheetBead {
  readonly state: BeadState;
  readonly family: Family;
}

/** What a bead is painted with, as CSS colours. */
export interface BeadColours {
  readonly family: string;
  readonly paper: string;
  readonly soft: string;
  readonly chalk: string;
  readonly ink: string;
}

/** How each part is painted: what fills it, and with what it is drawn around. */
export interface Painting {
  readonly fill: string | null;
  readonly stroke: string | null;
  readonly width: number;
  readonly dashes: readonly number[];
}

export function paintingOf({ paint }: Pick<BeadPart, "paint">, colours: BeadColours): Painting {
  const { family, paper, soft, chalk, ink } = colours;
  const none = { fill: null, stroke: null, width: 0, dashes: [] };
  switch (paint) {
    case "outline":
      return { ...none, fill: paper, stroke: family, width: 2 };
    case "locked":
      return { fill: paper, stroke: soft, width: 1.25, dashes: [2.5, 3] };
    case "filled":
      return { ...none, fill: family };
    case "nick":
      return { ...none, fill: chalk };
    case "bar":
      return { ...none, stroke: ink, width: 4 };
  }
}

function keyOf({ state, family }: SheetBead): string {
  return `${family} ${JSON.stringify(state)}`;
}

/** Where each different bead stands in a row of them, from 0. */
export function placesOf(beads: readonly SheetBead[]): ReadonlyMap<string, number> {
  const keys = [...new Set(beads.map(keyOf))];
  return new Map(keys.map((key, place) => [key, place]));
}

const SQUARE = 32;

function draw(context: CanvasRenderingContext2D, { state }: SheetBead, colours: BeadColours): void {
  for (const { offset, opacity, parts } of beadParts(state)) {
    context.save();
    context.translate(SQUARE / 2 + offset, SQUARE / 2);
    context.globalAlpha = opacity;
    context.lineCap = "round";
    for (const part of parts) {
      const path = new Path2D(part.path);
      const { fill, stroke, width, dashes } = paintingOf(part, colours);
      context.setLineDash([...dashes]);
      context.lineWidth = width;
      if (fill !== null) {
        context.fillStyle = fill;
        context.fill(path);
      }
      if (stroke !== null) {
        context.strokeStyle = stroke;
        context.stroke(path);
      }
    }
    context.restore();
  }
}

function coloursOf(family: Family): BeadColours {
  const page = getComputedStyle(document.documentElement);
  const colour = (name: string) => page.getPropertyValue(`--${name}`).trim();
  return {
    family: colour(`family-${family}`),
    paper: colour("paper"),
    soft: colour("ink-soft"),
    chalk: colour("chalk"),
    ink: colour("ink"),
  };
}

function pictureOf(canvas: HTMLCanvasElement): Blob {
  const [, text = ""] = canvas.toDataURL().split(",");
  const bytes = Uint8Array.from(atob(text), (one) => one.charCodeAt(0));
  return new Blob([bytes], { type: "image/png" });
}

export interface BeadSheet {
  /** Of all beads side by side. */
  readonly picture: Blob;
  /** Its width as a CSS length. */
  readonly width: string;
  /** Where a bead is on it, as a CSS position. */
  readonly positionOf: (bead: SheetBead) => string;
}

/** A sheet of all different beads among some, each so many px wide. */
export function beadSheet(beads: readonly SheetBead[], size: number): BeadSheet {
  const places = placesOf(beads);
  const scale = (size / SQUARE) * Math.max(2, window.devicePixelRatio);
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.ceil(places.size * SQUARE * scale));
  canvas.height = Math.ceil(SQUARE * scale);
  const context = canvas.getContext("2d");
  const drawn = new Set<string>();
  for (const bead of context === null ? [] : beads) {
    const key = keyOf(bead);
    if (drawn.has(key)) continue;
    drawn.add(key);
    context?.setTransform(scale, 0, 0, scale, (places.get(key) ?? 0) * SQUARE * scale, 0);
    if (context !== null) draw(context, bead, coloursOf(bead.family));
  }
  return {
    picture: pictureOf(canvas),
    width: `${places.size * size}px`,
    positionOf: (bead) => `${-(places.get(keyOf(bead)) ?? 0) * size}px center`,
  };
}
