/**
 * Where the beads and cords of a frontier go, in px. The columns are given; which bead stands above which, so that
 * cords cross little, and the way of a cord between the beads of a column that it passes, come from a layered layout.
 */
import { Graph as DagreGraph, layout as dagreLayout } from "@dagrejs/dagre";
import type { Cord, Frontier } from "@mirrup/core/teaching";

/** What is laid out: how wide a label is depends on its words alone, so that a worker needs no fonts. */
export interface LabelledBead {
  readonly subject: string;
  readonly step: number;
  /** The name, and what stands below it. */
  readonly label: string;
  readonly note: string;
}

export interface FrontierAsked {
  readonly beads: readonly LabelledBead[];
  readonly cords: Frontier["cords"];
}

export interface PlacedBead extends LabelledBead {
  /** The bead's left edge and its middle. */
  readonly x: number;
  readonly y: number;
  /** Of bead and label together. */
  readonly width: number;
}

/** A stretch that a cord runs level. */
export interface Run {
  readonly from: number;
  readonly to: number;
  readonly y: number;
}

export interface PlacedCord extends Cord {
  /** Out of its bead, past the beads of each column between, and into the other. */
  readonly runs: readonly Run[];
}

export interface FrontierColumn {
  readonly step: number;
  readonly x: number;
  readonly width: number;
}

export interface FrontierLayout {
  readonly width: number;
  readonly height: number;
  readonly columns: readonly FrontierColumn[];
  readonly beads: readonly PlacedBead[];
  readonly cords: readonly PlacedCord[];
}

export const BEAD = 30;
/** Between a bead and its label. */
export const LABEL_GAP = 8;
/** A row: high enough for a finger, and for a name with a note. */
export const ROW = 44;
/** Above the columns, for what they are called. */
export const HEAD = 44;
const ROW_GAP = 0;
const CORD_GAP = 8;
const COLUMN_GAP = 88;
const MARGIN = 16;
/** The widest that a letter of the label's condensed type is on average, and of its note. */
const LETTER = 7.1;
const NOTE_LETTER = 6.2;
const LEAST_LABEL = 90;
/** Between a label and its cord. */
const CORD_ROOM = 6;

function widthOf({ label, note }: LabelledBead): number {
  return BEAD + LABEL_GAP + Math.ceil(Math.max(label.length * LETTER, note.length * NOTE_LETTER));
}

/** The columns that have beads, from the left; without any, none. */
function columnsOf(beads: readonly LabelledBead[]): readonly FrontierColumn[] {
  const steps = [...new Set(beads.map(({ step }) => step))].sort((one, other) => one - other);
  let x = MARGIN;
  return steps.map((step) => {
    const widths = beads.filter((bead) => bead.step === step).map(widthOf);
    const width = Math.max(LEAST_LABEL, ...widths);
    const column = { step, x, width };
    x += width + COLUMN_GAP;
    return column;
  });
}

interface Ranked {
  readonly width?: number;
  readonly height?: number;
  rank?: number;
  /** The middle, once it is laid out. */
  readonly y?: number;
}

interface Routed {
  readonly points?: readonly { readonly y: number }[];
}

interface LayeredGraph {
  readonly setGraph: (label: object) => void;
  readonly setDefaultEdgeLabel: (label: () => Routed) => void;
  readonly setNode: (name: string, label: Ranked) => void;
  readonly setEdge: (from: string, to: string) => void;
  readonly nodes: () => readonly string[];
  readonly node: (name: string) => Ranked;
  readonly edge: (from: string, to: string) => Routed;
}

/** The package's own types are not found wherever these files are read. */
const Graph = DagreGraph as unknown as new () => LayeredGraph;
const layout = dagreLayout as unknown as (graph: LayeredGraph) => void;

/** What a cord passes on its way: in the middle of every column between its ends stands a point of it. */
function runsOf(
  [from, to]: readonly [PlacedBead, PlacedBead],
  columns: readonly FrontierColumn[],
  points: NonNullable<Routed["points"]>,
): readonly Run[] {
  const first = columns.findIndex(({ step }) => step === from.step);
  const last = columns.findIndex(({ step }) => step === to.step);
  const start = columns[first];
  const out = { from: from.x + from.width + CORD_ROOM, to: start === undefined ? 0 : start.x + start.width };
  const between = columns.slice(first + 1, last).map(({ x, width }, place): Run => ({
    from: x,
    to: x + width,
    y: HEAD + (points[2 * (place + 1)]?.y ?? from.y),
  }));
  return [{ ...out, y: from.y }, ...between, { from: to.x - CORD_ROOM, to: to.x, y: to.y }];
}

/** Lays a frontier out. Nearly all of its time is the layout's own search for an order with few crossings. */
export function layoutOf({ beads, cords }: FrontierAsked): FrontierLayout {
  const columns = columnsOf(beads);
  const placeOf = new Map(columns.map(({ step }, place) => [step, place]));
  const rankOf = new Map(beads.map(({ subject, step }) => [subject, placeOf.get(step) ?? 0]));
  const graph = new Graph();
  graph.setGraph({
    ...{ rankdir: "LR", nodesep: ROW_GAP, edgesep: CORD_GAP, ranksep: COLUMN_GAP },
    // Every cord has a point in the middle of each gap too, so that a column is every other rank.
    ranker: (ranked: LayeredGraph) => {
      for (const subject of ranked.nodes()) {
        const node = ranked.node(subject);
        node.rank = 2 * (rankOf.get(subject) ?? 0);
      }
    },
  });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const { subject } of beads) {
    const width = columns[rankOf.get(subject) ?? 0]?.width ?? LEAST_LABEL;
    graph.setNode(subject, { width, height: ROW });
  }
  for (const { from, to } of cords) graph.setEdge(from, to);
  layout(graph);
  const placed = beads.map((bead): PlacedBead => {
    const x = columns[rankOf.get(bead.subject) ?? 0]?.x ?? MARGIN;
    return { ...bead, x, y: HEAD + (graph.node(bead.subject).y ?? 0), width: widthOf(bead) };
  });
  const bySubject = new Map(placed.map((bead) => [bead.subject, bead]));
  const last = columns.at(-1);
  return {
    width: MARGIN + (last === undefined ? 0 : last.x + last.width),
    height: MARGIN + Math.max(HEAD, ...placed.map(({ y }) => y + ROW / 2)),
    columns,
    beads: placed,
    cords: cords.flatMap(({ from, to }) => {
      const ends = [bySubject.get(from), bySubject.get(to)] as const;
      const [source, target] = ends;
      if (source === undefined || target === undefined) return [];
      const { points = [] } = graph.edge(from, to);
      return [{ from, to, runs: runsOf([source, target], columns, points) }];
    }),
  };
}

/** A cord as a path: level past beads, bending between columns alone. */
export function pathOf({ runs }: Pick<PlacedCord, "runs">): string {
  const [first, ...rest] = runs;
  if (first === undefined) return "";
  const bends = rest.map((run, place) => {
    const before = runs[place] ?? first;
    const middle = (before.to + run.from) / 2;
    return `C${middle} ${before.y} ${middle} ${run.y} ${run.from} ${run.y} H${run.to}`;
  });
  return `M${first.from} ${first.y} H${first.to} ${bends.join(" ")}`;
}

export type Direction = "left" | "right" | "up" | "down";

/** The bead one comes to by an arrow key: in its column, or the nearest of the next one, along a cord where there is one. */
export function neighbour(layout: FrontierLayout, from: string, direction: Direction): string | null {
  const { beads, columns, cords } = layout;
  const here = beads.find(({ subject }) => subject === from);
  if (here === undefined) return null;
  const nearest = (some: readonly PlacedBead[]) =>
    some.reduce<PlacedBead | null>(
      (best, one) => (best === null || Math.abs(one.y - here.y) < Math.abs(best.y - here.y) ? one : best),
      null,
    )?.subject ?? null;
  if (direction === "up" || direction === "down") {
    const isAhead = ({ y }: PlacedBead) => (direction === "up" ? y < here.y : y > here.y);
    return nearest(beads.filter((one) => one.step === here.step && isAhead(one)));
  }
  const isTied = (one: PlacedBead) =>
    cords.some((cord) =>
      direction === "right"
        ? cord.from === from && cord.to === one.subject
        : cord.to === from && cord.from === one.subject,
    );
  const tied = nearest(beads.filter(isTied));
  if (tied !== null) return tied;
  const place = columns.findIndex(({ step }) => step === here.step) + (direction === "right" ? 1 : -1);
  return nearest(beads.filter(({ step }) => step === columns[place]?.step));
}
