/** What is taught in the studio that this tab is in: the catalogue that ships with what the studio has of its own. */
import { CATALOGUE, catalogueInUse } from "@mirrup/catalogue";
import {
  byName,
  programmesOf,
  type Catalogue,
  type Overlay,
  type OwnProgramme,
  type SkillOverlayEntry,
} from "@mirrup/core";

const NONE: ReadonlyMap<string, OwnProgramme> = new Map();

let taught: { readonly own: Overlay | null; readonly catalogue: Catalogue } = {
  own: null,
  catalogue: CATALOGUE,
};

/** Read anew wherever it is needed: it is another one once the studio has changed it. */
export function catalogue(): Catalogue {
  return taught.catalogue;
}

/** What of it is the studio's own, for a worker, which begins with what ships. */
export function ownCatalogue(): Overlay | null {
  return taught.own;
}

/** What the studio says of a skill otherwise, or a skill of its own; null for nothing. */
export function ownWayOf(id: string): SkillOverlayEntry | null {
  const entry = taught.own?.entries[id];
  return entry?.kind === "own" || entry?.kind === "changed" ? entry : null;
}

/** Each after the one that comes before it, else by name. */
function sorted(own: Overlay): ReadonlyMap<string, OwnProgramme> {
  const all = programmesOf(own);
  const depthOf = ({ before }: OwnProgramme): number => {
    const other = before === null ? undefined : all.get(before);
    return other === undefined ? 0 : 1 + depthOf(other);
  };
  return new Map(
    [...all].sort(([, one], [, other]) => depthOf(one) - depthOf(other) || byName(one.name, other.name)),
  );
}

const inOrder = new WeakMap<Overlay, ReadonlyMap<string, OwnProgramme>>();

/** The studio's programmes by their key, each after the one that comes before it, else by name. */
export function programmes(): ReadonlyMap<string, OwnProgramme> {
  const { own } = taught;
  if (own === null) return NONE;
  const found = inOrder.get(own) ?? sorted(own);
  inOrder.set(own, found);
  return found;
}

/** Has the tab teach by a studio's own; by what ships alone where that is not known. */
export function teach(own: Overlay | null): void {
  if (taught.own === own) return;
  taught = { own, catalogue: own === null ? CATALOGUE : catalogueInUse(own).catalogue };
}

/** What follows from a catalogue alone, worked out once for each. */
export function ofCatalogue<T>(work: (of: Catalogue) => T): () => T {
  const known = new WeakMap<Catalogue, { readonly value: T }>();
  return () => {
    const of = catalogue();
    const found = known.get(of) ?? { value: work(of) };
    known.set(of, found);
    return found.value;
  };
}
