/** What a studio teaches: the catalogue that ships with its own overlay, made once an edition. */
import { catalogueInUse } from "@mirrup/catalogue";
import { NO_OVERLAY, type Overlay, type UsableCatalogue } from "@mirrup/core";
import type { EntityManager } from "typeorm";
import { OverlayEntity } from "../studios/overlay.entity.js";
import type { StudioEntity } from "../studios/studio.entity.js";

export interface StudioCatalogue extends UsableCatalogue {
  readonly overlay: Overlay;
}

export const SHIPPED: StudioCatalogue = { ...catalogueInUse(NO_OVERLAY), overlay: NO_OVERLAY };

/** As many studios as are likely to be open at once; a catalogue is about a megabyte. */
const MOST_KEPT = 100;
/** By the edition's id, which is never given twice: what a transaction that came to nothing had made harms nobody. */
const kept = new Map<string, StudioCatalogue>();

/** The studio's catalogue; one query where its edition was not met before. */
export async function catalogueIn(
  manager: EntityManager,
  { id: studioId, overlayId: id }: Pick<StudioEntity, "id" | "overlayId">,
): Promise<StudioCatalogue> {
  if (id === null) return SHIPPED;
  const known = kept.get(id);
  if (known !== undefined) return known;
  const { edition, entries } = await manager.findOneByOrFail(OverlayEntity, { studioId, id });
  const overlay = { edition, entries };
  const made = { ...catalogueInUse(overlay), overlay };
  for (const oldest of [...kept.keys()].slice(0, Math.max(0, kept.size - MOST_KEPT + 1))) kept.delete(oldest);
  kept.set(id, made);
  return made;
}
