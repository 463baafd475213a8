import { catalogueWith, CATALOGUE } from "@mirrup/catalogue";
import {
  MOST_OWN_SKILLS,
  type CatalogueView,
  type EditionView,
  type ProblemError,
  type SkillChange,
} from "@mirrup/contract";
import { isOwnSkill, type CatalogueFault, type Overlay, type OverlayEntry } from "@mirrup/core";
import { Injectable } from "@nestjs/common";
import { isDeepStrictEqual } from "node:util";
import { In } from "typeorm";
import { v7 as uuid } from "uuid";
import { AuditService } from "../audit/index.js";
import { catalogueIn } from "../database/catalogue.js";
import type { Scope } from "../database/scope.js";
import { PersonEntity } from "../auth/person.entity.js";
import { RefusedFieldsProblem, StaleChangeProblem } from "../problems/problem.js";
import { OverlayEntity } from "./overlay.entity.js";
import { StudioEntity } from "./studio.entity.js";

/** The most of the history that is told. */
const MOST_EDITIONS = 200;

/** What was typed wrong where the catalogue would not hold. */
const FIELDS: Readonly<Record<CatalogueFault["code"], string>> = {
  "duplicate-name": "is.name",
  "duplicate-id": "subject",
  "bad-score": "is.score",
  cues: "is.cues",
  "bad-needs": "is.needs",
  "unknown-need": "is.needs",
  "self-need": "is.needs",
  "sides-of-need": "is.needs",
  cycle: "is.needs",
  "strand-order": "is.strand",
  ladder: "is.class",
  role: "subject",
};

function errorOf({ code, message }: CatalogueFault): ProblemError {
  return { field: FIELDS[code], code, message };
}

function refuse(field: string, code: string, message: string): never {
  throw new RefusedFieldsProblem([{ field, code, message }]);
}

/** Nothing of the studio's own is kept as nothing. */
function meant(entry: OverlayEntry | null): OverlayEntry | null {
  return entry?.kind === "changed" && Object.keys(entry).length === 1 ? null : entry;
}

function checkKind(subject: string, is: OverlayEntry | null): void {
  if (!isOwnSkill(subject) && !CATALOGUE.skills.has(subject)) {
    refuse("subject", "unknown-subject", `"${subject}" is not a skill of the catalogue.`);
  }
  if (is === null || (is.kind === "own") === isOwnSkill(subject)) return;
  refuse("is.kind", "other-kind", "A skill that ships can be renamed and given other needs, and no more.");
}

/** What a studio teaches otherwise than the catalogue that ships. */
@Injectable()
export class OwnSkillsService {
  constructor(private readonly audit: AuditService) {}

  view({ overlay: { edition, entries }, leftOut }: Pick<Scope, "overlay" | "leftOut">): CatalogueView {
    return { edition, entries, leftOut: leftOut.map(({ skill, message }) => ({ skill, message })) };
  }

  /**
   * Changes one skill, where it still is what it was when it was looked at: two who change two skills do not meet. The
   * catalogue that would come of it is checked whole.
   */
  async change(asked: Scope, subject: string, { was, is: wanted }: SkillChange): Promise<CatalogueView> {
    const is = meant(wanted);
    checkKind(subject, is);
    const studio = await asked.manager.findOneOrFail(StudioEntity, {
      where: { id: asked.studio.id },
      lock: { mode: "for_no_key_update" },
    });
    const scope: Scope = { ...asked, studio, ...(await catalogueIn(asked.manager, studio)) };
    const { edition, entries } = scope.overlay;
    const now = entries[subject] ?? null;
    // Told twice, it is done once.
    if (isDeepStrictEqual(now, is)) return this.view(scope);
    if (!isDeepStrictEqual(now, meant(was))) throw new StaleChangeProblem(this.view(scope));
    const { [subject]: _before, ...others } = entries;
    const changed: Overlay = {
      edition: edition + 1,
      entries: is === null ? others : { ...others, [subject]: is },
    };
    if (Object.keys(changed.entries).length > MOST_OWN_SKILLS) {
      refuse("subject", "too-many", `A studio has at most ${MOST_OWN_SKILLS} skills and names of its own.`);
    }
    const result = catalogueWith(changed);
    if (!result.ok) throw new RefusedFieldsProblem(result.faults.map(errorOf));
    if (is === null && isOwnSkill(subject)) await this.checkUnused(scope, subject);
    const id = uuid();
    await scope.manager.insert(OverlayEntity, {
      ...{ studioId: studio.id, id, ...changed, subject },
      ...{ personId: scope.personId, madeAt: scope.now },
    });
    await scope.manager.update(StudioEntity, { id: studio.id }, { overlayId: id });
    const name = result.catalogue.skills.get(subject)?.name ?? scope.catalogue.skills.get(subject)?.name;
    await this.audit.note(scope, "changed-skills", { about: name ?? subject });
    return this.view({ overlay: changed, leftOut: [] });
  }

  /** What was changed when and by whom, the newest first. */
  async editions(scope: Scope): Promise<EditionView[]> {
    const made = await scope.manager.find(OverlayEntity, {
      select: { edition: true, subject: true, personId: true, madeAt: true },
      where: { studioId: scope.studio.id },
      order: { edition: "DESC" },
      take: MOST_EDITIONS,
    });
    const ids = made.flatMap(({ personId }) => personId ?? []);
    const people = await scope.manager.findBy(PersonEntity, { id: In(ids) });
    const names = new Map(people.map(({ id, name }) => [id, name]));
    return made.map(({ edition, subject, personId, madeAt }) => ({
      ...{ edition, subject, at: madeAt.toISOString() },
      by: personId === null ? null : (names.get(personId) ?? null),
    }));
  }

  /** A skill with a record keeps it, and so stays: it can be renamed, and nobody has to be taught it. */
  private async checkUnused({ manager, studio }: Scope, subject: string): Promise<void> {
    const [{ used }] = await manager.query<[{ used: boolean }]>(
      `SELECT EXISTS (SELECT FROM practice_set WHERE studio_id = $1 AND subject = $2)
           OR EXISTS (SELECT FROM decision WHERE studio_id = $1 AND subject = $2)
           OR EXISTS (SELECT FROM student WHERE studio_id = $1 AND goals @> jsonb_build_array(jsonb_build_object('subject', $2::text)))
           OR EXISTS (SELECT FROM combo WHERE studio_id = $1 AND parts @> jsonb_build_array(jsonb_build_object('subject', $2::text)))
           AS used`,
      [studio.id, subject],
    );
    if (!used) return;
    const message =
      "This skill is in somebody's record, a goal or a combo, and stays there. Rename it, or leave it.";
    refuse("subject", "in-use", message);
  }
}
