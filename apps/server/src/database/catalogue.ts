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

/** By the edition's id, made where it was not met before. */
function known({ id, edition, entries }: Pick<OverlayEntity, "id" | "edition" | "entries">): StudioCatalogue {
  const found = kept.get(id);
  if (found !== undefined) return found;
  const overlay = { edition, entries };
  const made = { ...catalogueInUse(overlay), overlay };
  for (const oldest of [...kept.keys()].slice(0, Math.max(0, kept.size - MOST_KEPT + 1))) kept.delete(oldest);
  kept.set(id, made);
  return made;
}

/** What the studio taught by its last editions, the newest first, and before it had any; one query. */
export async function lastCatalogues(
  manager: EntityManager,
  { id: studioId }: Pick<StudioEntity, "id">,
  most: number,
): Promise<readonly StudioCatalogue[]> {
  const editions = await manager.find(OverlayEntity, {
    where: { studioId },
    order: { edition: "DESC" },
    take: most,
  });
  const last = editions.map(known);
  return last.length < most ? [...last, SHIPPED] : last;
}

/** The studio's catalogue; one query where its edition was not met before. */
export async function catalogueIn(
  manager: EntityManager,
  { id: studioId, overlayId: id }: Pick<StudioEntity, "id" | "overlayId">,
): Promise<StudioCatalogue> {
  if (id === null) return SHIPPED;
  return kept.get(id) ?? known(await manager.findOneByOrFail(OverlayEntity, { studioId, id }));
}
