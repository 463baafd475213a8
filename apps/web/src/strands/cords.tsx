import type { Catalogue } from "@mirrup/core";
import type { MapLayout, PlacedBead } from "./layout.js";
import classes from "./strand-map.module.css";

/** The skills that one needs and those that need it, by id. */
export function kinOf(
  catalogue: Catalogue,
  id: string,
): { readonly needs: readonly string[]; readonly opens: readonly string[] } {
  const skill = catalogue.skills.get(id);
  const needs = skill?.needs.flatMap((need) => need.anyOf.map((term) => term.skill)) ?? [];
  return { needs, opens: catalogue.neededBy.get(id) ?? [] };
}

interface CordsProps {
  readonly catalogue: Catalogue;
  readonly layout: MapLayout;
  readonly held: string;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

const LEAST_SLANT = 64;

function cord(from: Point, to: Point): string {
  const bend = Math.max(24, Math.abs(to.y - from.y) / 3);
  // A cord that would run straight down through the beads between bows out to the side.
  const bow = Math.abs(to.x - from.x) < LEAST_SLANT && Math.abs(to.y - from.y) > 90 ? LEAST_SLANT : 0;
  return `M${from.x} ${from.y} C${from.x + bow} ${from.y + bend} ${to.x + bow} ${to.y - bend} ${to.x} ${to.y}`;
}

/** Thin cords from the bead in hand to what it needs and what it opens. */
export function Cords({ catalogue, layout, held }: CordsProps) {
  const points = new Map<string, Point>();
  const place = (bead: PlacedBead, top: number) => points.set(bead.skill.id, { x: bead.x, y: top + bead.y });
  for (const family of layout.families) {
    for (const strand of family.strands) strand.beads.forEach((bead) => place(bead, family.top));
  }
  const here = points.get(held);
  if (here === undefined) return null;
  const { needs, opens } = kinOf(catalogue, held);
  const found = (ids: readonly string[]) => ids.flatMap((id) => points.get(id) ?? []);
  return (
    <svg className={classes.cords} width={layout.width} height={layout.height} aria-hidden>
      {found(needs).map((point) => (
        <path key={`needs ${point.x} ${point.y}`} d={cord(point, here)} className={classes.needs} />
      ))}
      {found(opens).map((point) => (
        <path key={`opens ${point.x} ${point.y}`} d={cord(here, point)} className={classes.opens} />
      ))}
    </svg>
  );
}
