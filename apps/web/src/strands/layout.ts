/** Where every bead and rope of the map goes, in px, from the catalogue and the width alone. */
import { skillOf, type Catalogue, type Family, type Skill } from "@mirrup/core";

export interface PlacedBead {
  readonly skill: Skill;
  readonly family: Family;
  readonly x: number;
  readonly y: number;
  /** Row and place on the strand, for walking by keyboard. */
  readonly row: number;
  readonly place: number;
}

export interface PlacedStrand {
  readonly id: string;
  readonly name: string;
  readonly family: Family;
  readonly y: number;
  readonly ropePath: string;
  readonly beads: readonly PlacedBead[];
}

export interface PlacedFamily {
  readonly family: Family;
  readonly top: number;
  readonly height: number;
  readonly strands: readonly PlacedStrand[];
}

export interface MapLayout {
  readonly width: number;
  readonly height: number;
  readonly columnWidth: number;
  readonly families: readonly PlacedFamily[];
}

const FAMILY_PADDING = 6;
const FAMILY_GAP = 8;
/** Above a family's first strand stands its name. */
const FAMILY_HEAD = 26;
/** Below a bead: the three lines of the longest names, which the last strand of a family has to have room for. */
export const LABEL_BELOW = 68;
const BEAD_HALF = 16;
const ROW_HEIGHT = LABEL_BELOW + BEAD_HALF;
const LEFT_EDGE = 10;
const LEAST_COLUMN = 65;
const MOST_COLUMN = 168;
const BEAD_TOP = 22;
/** Every other strand is shifted, so that cords between strands do not run through beads. */
const STAGGER = 26;
const SAG = 7;

/** A rope that hangs from bead to bead. */
function rope(
  points: readonly { readonly x: number; readonly y: number }[],
  from: number,
  to: number,
): string {
  const [first] = points;
  if (first === undefined) return "";
  const { y } = first;
  const stops = [from, ...points.map((point) => point.x), to];
  const arcs = stops.slice(1).map((x, index) => {
    const before = stops[index] ?? from;
    return `Q${(before + x) / 2} ${y + SAG * 2} ${x} ${y}`;
  });
  return `M${from} ${y} ${arcs.join(" ")}`;
}

/** Lays out the catalogue's strands in a map at least `available` px wide. O(skills). */
export function layoutOf(catalogue: Catalogue, available: number): MapLayout {
  const longest = Math.max(...catalogue.strands.map((strand) => strand.skills.length));
  const roomy = (available - LEFT_EDGE - STAGGER - 12) / longest;
  const columnWidth = Math.min(MOST_COLUMN, Math.max(LEAST_COLUMN, roomy));
  const width = Math.max(available, LEFT_EDGE + STAGGER + 12 + columnWidth * longest);
  const families: PlacedFamily[] = [];
  let top = 0;
  let row = 0;
  for (const family of new Set(catalogue.strands.map((strand) => strand.family))) {
    const members = catalogue.strands.filter((strand) => strand.family === family);
    const strands = members.map((strand, index): PlacedStrand => {
      const y = FAMILY_PADDING + FAMILY_HEAD + index * ROW_HEIGHT + BEAD_TOP;
      const beads = strand.skills.map((id, place) => ({
        skill: skillOf(catalogue, id),
        family,
        x: LEFT_EDGE + columnWidth * (place + 0.5) + ((row + index) % 2) * STAGGER,
        y,
        row: row + index,
        place,
      }));
      const last = beads.at(-1)?.x ?? LEFT_EDGE;
      const ropePath = rope(beads, LEFT_EDGE, last + Math.min(columnWidth, 72) * 0.6);
      return { id: strand.id, name: strand.name, family, y, ropePath, beads };
    });
    const last = strands.at(-1)?.y ?? 0;
    const height = last + LABEL_BELOW + FAMILY_PADDING;
    families.push({ family, top, height, strands });
    top += height + FAMILY_GAP;
    row += members.length;
  }
  return { width, height: top - FAMILY_GAP, columnWidth, families };
}

export type Direction = "left" | "right" | "up" | "down";

/** The bead one comes to by an arrow key: along the strand, or the nearest on the one above or below. */
export function neighbour(layout: MapLayout, from: string, direction: Direction): string | null {
  const beads = layout.families.flatMap((family) => family.strands.flatMap((strand) => strand.beads));
  const here = beads.find((bead) => bead.skill.id === from);
  if (here === undefined) return null;
  const rowStep = direction === "up" ? -1 : direction === "down" ? 1 : 0;
  const placeStep = direction === "left" ? -1 : direction === "right" ? 1 : 0;
  const inRow = beads.filter((bead) => bead.row === here.row + rowStep);
  if (rowStep === 0) return inRow.find((bead) => bead.place === here.place + placeStep)?.skill.id ?? null;
  const nearest = inRow.reduce<PlacedBead | null>(
    (best, bead) => (best === null || Math.abs(bead.x - here.x) < Math.abs(best.x - here.x) ? bead : best),
    null,
  );
  return nearest?.skill.id ?? null;
}
