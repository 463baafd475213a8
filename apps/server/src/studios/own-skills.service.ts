import { catalogueInUse, catalogueWith, CATALOGUE } from "@mirrup/catalogue";
import {
  MOST_OWN_SKILLS,
  type CatalogueView,
  type EditionView,
  type SkillChange,
  type SkillChanges,
  type SkillPreviewItem,
  type SkillPreviewRequest,
} from "@mirrup/contract";
import {
  isOwnSkill,
  programmesOf,
  programmeSubject,
  schoolOfKey,
  type CatalogueFault,
  type Overlay,
  type OverlayEntry,
} from "@mirrup/core";
import { standingDifference } from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import { isDeepStrictEqual } from "node:util";
import { In, IsNull } from "typeorm";
import { v7 as uuid } from "uuid";
import { AuditService } from "../audit/index.js";
import { catalogueIn, type StudioCatalogue } from "../database/catalogue.js";
import type { Scope } from "../database/scope.js";
import { PersonEntity } from "../auth/person.entity.js";
import { RefusedFieldsProblem, StaleChangeProblem, UnknownEditionProblem } from "../problems/problem.js";
import { skillsReading, StandingsService } from "../standings/index.js";
import { StudentEntity } from "../students/student.entity.js";
import { OverlayEntity } from "./overlay.entity.js";
import { StudioEntity } from "./studio.entity.js";

/** Catalogues of previews that are kept until others are asked about; about a megabyte each. */
const MOST_PREVIEWED = 8;
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
  programme: "is",
  "hidden-need": "is.isHidden",
};

/** Where of a change it is that something is wrong. */
function fieldOf({ code, place }: CatalogueFault): string {
  return place === undefined ? FIELDS[code] : `is.headings[${place.heading}].items[${place.item}]`;
}

function refuse(place: number, field: string, code: string, message: string): never {
  throw new RefusedFieldsProblem([{ field: `changes[${place}].${field}`, code, message }]);
}

/** Nothing of the studio's own is kept as nothing. */
function meant(entry: OverlayEntry | null): OverlayEntry | null {
  if (entry?.kind === "school" && Object.keys(entry.classes).length === 0) return null;
  return entry?.kind === "changed" && Object.keys(entry).length === 1 ? null : entry;
}

function checkKind({ subject, is }: SkillChange, place: number): void {
  if (schoolOfKey(subject) !== null) {
    if (is === null || is.kind === "school") return;
    refuse(place, "is.kind", "other-kind", "Under a school stands what it asks otherwise.");
  }
  const isProgramme = programmeSubject(subject)?.item === null;
  if (isProgramme) {
    if (is === null || is.kind === "programme") return;
    refuse(
      place,
      "is.kind",
      "other-kind",
      "A programme stays one. Make a skill of your own under its own id.",
    );
  }
  if (!isOwnSkill(subject) && !CATALOGUE.skills.has(subject)) {
    refuse(place, "subject", "unknown-subject", `"${subject}" is not a skill of the catalogue.`);
  }
  if (is === null || (is.kind === "own") === isOwnSkill(subject)) return;
  const message = "A skill that ships can be taught otherwise, and a skill of your own is one whole.";
  refuse(place, "is.kind", "other-kind", message);
}

/** Whether a change takes a skill, its sides or a programme from under what is written down of it. */
function isLost({ was, is }: SkillChange): boolean {
  if (was?.kind === "programme") return is === null;
  return was?.kind === "own" && (is?.kind !== "own" || is.sides !== was.sides);
}

/** What it is called, as the studio has it. */
function nameIn(
  { catalogue, overlay }: Pick<Scope, "catalogue" | "overlay">,
  subject: string,
): string | null {
  return catalogue.skills.get(subject)?.name ?? programmesOf(overlay).get(subject)?.name ?? null;
}

/** What is wrong with the catalogue that changes would come to, each at the change that it is about. */
function refusalOf(
  faults: readonly CatalogueFault[],
  changes: readonly Pick<SkillChange, "subject">[],
): RefusedFieldsProblem {
  return new RefusedFieldsProblem(
    faults.map((fault) => {
      const found = changes.findIndex(({ subject }) => subject === fault.skill);
      const { code, message } = fault;
      return { field: `changes[${Math.max(0, found)}].${fieldOf(fault)}`, code, message };
    }),
  );
}

/** The entries as they are once changes are made. */
function changedBy(
  entries: Overlay["entries"],
  changes: readonly Pick<SkillChange, "subject" | "is">[],
): Overlay["entries"] {
  const all = new Map(Object.entries(entries));
  for (const { subject, is } of changes) {
    if (is === null) all.delete(subject);
    else all.set(subject, is);
  }
  return Object.fromEntries(all);
}

/** What a studio teaches otherwise than the catalogue that ships. */
@Injectable()
export class OwnSkillsService {
  private readonly previewed = new Map<string, StudioCatalogue>();

  constructor(
    private readonly audit: AuditService,
    private readonly standings: StandingsService,
  ) {}

  view({ overlay: { edition, entries }, leftOut }: Pick<Scope, "overlay" | "leftOut">): CatalogueView {
    return { edition, entries, leftOut: leftOut.map(({ skill, message }) => ({ skill, message })) };
  }

  /**
   * Changes skills together, where each still is what it was when it was looked at: two who change two skills do not
   * meet. The catalogue that would come of it is checked whole.
   */
  async change(asked: Scope, { changes: wanted }: SkillChanges): Promise<CatalogueView> {
    const all = wanted.map(({ subject, was, is }) => ({ subject, was: meant(was), is: meant(is) }));
    all.forEach(checkKind);
    const studio = await asked.manager.findOneOrFail(StudioEntity, {
      where: { id: asked.studio.id },
      lock: { mode: "for_no_key_update" },
    });
    const scope: Scope = { ...asked, studio, ...(await catalogueIn(asked.manager, studio)) };
    const { edition, entries } = scope.overlay;
    // Told twice, it is done once.
    const changes = all.filter(({ subject, is }) => !isDeepStrictEqual(entries[subject] ?? null, is));
    if (changes.length === 0) return this.view(scope);
    if (changes.some(({ subject, was }) => !isDeepStrictEqual(entries[subject] ?? null, was))) {
      throw new StaleChangeProblem(this.view(scope));
    }
    const changed: Overlay = { edition: edition + 1, entries: changedBy(entries, changes) };
    if (Object.keys(changed.entries).length > MOST_OWN_SKILLS) {
      refuse(
        0,
        "subject",
        "too-many",
        `A studio has at most ${MOST_OWN_SKILLS} skills, names and programmes of its own.`,
      );
    }
    const result = catalogueWith(changed);
    if (!result.ok) throw refusalOf(result.faults, all);
    await this.checkUnused(scope, changes.filter(isLost));
    const subjects = changes.map(({ subject }) => subject);
    await this.store(scope, changed, subjects);
    const [first = ""] = subjects;
    const name = nameIn({ ...result, overlay: changed }, first) ?? nameIn(scope, first) ?? first;
    const about = subjects.length === 1 ? name : `${name} and ${subjects.length - 1} more`;
    await this.audit.note(scope, "changed-skills", { about });
    return this.view({ overlay: changed, leftOut: [] });
  }

  /** What would be taught after changes; the same for the same, since it is asked in parts. */
  private catalogueAfter(scope: Scope, changes: SkillPreviewRequest["changes"]): StudioCatalogue {
    const asked = JSON.stringify([scope.studio.id, scope.studio.overlayId, changes]);
    const known = this.previewed.get(asked);
    if (known !== undefined) return known;
    const { edition, entries } = scope.overlay;
    const overlay: Overlay = { edition: edition + 1, entries: changedBy(entries, changes) };
    const result = catalogueWith(overlay);
    if (!result.ok) throw refusalOf(result.faults, changes);
    const made = { ...catalogueInUse(overlay), overlay };
    if (this.previewed.size >= MOST_PREVIEWED) this.previewed.clear();
    this.previewed.set(asked, made);
    return made;
  }

  /** What changes would come to for some students: which sides they would lock and open, clear, reopen and hide. */
  async preview(scope: Scope, { changes, students: ids }: SkillPreviewRequest): Promise<SkillPreviewItem[]> {
    const then: Scope = { ...scope, ...this.catalogueAfter(scope, changes) };
    const students = await scope.manager.findBy(StudentEntity, {
      ...{ studioId: scope.studio.id, id: In([...ids]), archivedAt: IsNull() },
    });
    const facts = await this.standings.factsOf(scope, students);
    const after = await this.standings.readingsBy(scope, then, students, facts);
    return students.flatMap((student): SkillPreviewItem[] => {
      const { id: studentId, name } = student;
      const became = after.get(studentId);
      if (became === undefined) return [];
      const before = skillsReading(scope, student, facts.get(studentId));
      return [{ studentId, name, ...standingDifference(before, became) }];
    });
  }

  private async store(scope: Scope, { edition, entries }: Overlay, subjects: string[]): Promise<void> {
    const { manager, studio, personId, now: madeAt } = scope;
    const id = uuid();
    const row = { studioId: studio.id, id, edition, entries, subjects, personId, madeAt };
    await manager.insert(OverlayEntity, row);
    await manager.update(StudioEntity, { id: studio.id }, { overlayId: id });
  }

  /** All that was of the studio's own in an edition. Throws where there is none such. */
  async edition({ manager, studio }: Scope, edition: number): Promise<CatalogueView> {
    const found = await manager.findOneBy(OverlayEntity, { studioId: studio.id, edition });
    if (found === null) throw new UnknownEditionProblem();
    return { edition, entries: found.entries, leftOut: [] };
  }

  /** What was changed when and by whom, the newest first. */
  async editions(scope: Scope): Promise<EditionView[]> {
    const made = await scope.manager.find(OverlayEntity, {
      select: { edition: true, subjects: true, personId: true, madeAt: true },
      where: { studioId: scope.studio.id },
      order: { edition: "DESC" },
      take: MOST_EDITIONS,
    });
    const ids = made.flatMap(({ personId }) => personId ?? []);
    const people = await scope.manager.findBy(PersonEntity, { id: In(ids) });
    const names = new Map(people.map(({ id, name }) => [id, name]));
    return made.map(({ edition, subjects, personId, madeAt }) => ({
      ...{ edition, subjects, at: madeAt.toISOString() },
      by: personId === null ? null : (names.get(personId) ?? null),
    }));
  }

  /**
   * A skill or programme with a record keeps it, and so stays, a skill with its sides: it can be renamed, or ended, and
   * nobody has to be taught it.
   */
  private async checkUnused(scope: Scope, changes: readonly SkillChange[]): Promise<void> {
    const { manager, studio } = scope;
    for (const { subject, was, is } of changes) {
      const [{ used }] = await manager.query<[{ used: boolean }]>(
        `SELECT EXISTS (SELECT FROM practice_set WHERE studio_id = $1 AND subject = $2)
             OR EXISTS (SELECT FROM decision WHERE studio_id = $1 AND (subject = $2 OR subject LIKE $2 || '#%'))
             OR EXISTS (SELECT FROM student WHERE studio_id = $1 AND goals @> jsonb_build_array(jsonb_build_object('subject', $2::text)))
             OR EXISTS (SELECT FROM combo WHERE studio_id = $1 AND parts @> jsonb_build_array(jsonb_build_object('subject', $2::text)))
             OR EXISTS (SELECT FROM lesson WHERE studio_id = $1 AND strpos(plan::text, $2) > 0)
             AS used`,
        [studio.id, subject],
      );
      if (!used) continue;
      if (was?.kind === "programme") {
        const message = `Somebody has done something of ${was.name}, or has it as a goal, and it stays there. End it, or leave it.`;
        refuse(0, "subject", "in-use", message);
      }
      const name = nameIn(scope, subject) ?? "This skill";
      const stays =
        is === null ? "stays there. Rename it, or leave it." : "keeps its sides. Make another skill of it.";
      refuse(
        0,
        "subject",
        "in-use",
        `${name} is in somebody's record, a goal, a plan or a combo, and ${stays}`,
      );
    }
  }
}
