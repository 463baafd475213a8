import type {
  ComboChange,
  ComboLinkView,
  ComboStandingItem,
  ComboView,
  NewCombo,
  ProblemError,
  SetView,
  SharedCombo,
} from "@mirrup/contract";
import { comboKey, comboSubject, linkKey, type SideName } from "@mirrup/core";
import {
  abilityOf,
  comboFaults,
  comboStanding,
  onSide,
  sidesOfScore,
  takenApart,
  type ComboStanding,
} from "@mirrup/core/combos";
import type { PlanCombo } from "@mirrup/core/planning";
import { findStanding } from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import { createHash, randomBytes } from "node:crypto";
import { In, type DataSource } from "typeorm";
import { AuditService } from "../audit/index.js";
import { Scopes, type Scope } from "../database/scope.js";
import { DecisionEntity, withNotes, SetEntity, voidedBy } from "../log/index.js";
import { isSoAlready } from "../problems/already.js";
import {
  BadComboLinkProblem,
  RefusedFieldsProblem,
  StaleChangeProblem,
  UnknownComboProblem,
} from "../problems/problem.js";
import { skillsReading, StandingsService, todayIn } from "../standings/index.js";
import { StudentsService } from "../students/index.js";
import { ComboEntity } from "./combo.entity.js";

/** The ladder of a combo looks back on this many sets of it and its links. */
const LAST_SETS = 60;

function hashOf(token: string): string {
  return createHash("sha256").update(token).digest("hex");
}

/** A combo of the shelf on one side, as a student stands with it. */
interface ComboSide {
  readonly combo: ComboEntity;
  readonly side: SideName;
  readonly standing: ComboStanding;
}

/** Combos: kept, shown by a link, and where students stand with them. */
@Injectable()
export class CombosService {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly scopes: Scopes,
    private readonly audit: AuditService,
    @InjectDataSource() private readonly database: DataSource,
  ) {}

  /** All of the studio's, those off the shelf too, the newest first. */
  async list(scope: Scope): Promise<ComboView[]> {
    const combos = await scope.manager.find(ComboEntity, {
      where: { studioId: scope.studio.id },
      order: { createdAt: "DESC", id: "DESC" },
    });
    return combos.map(viewOf);
  }

  async read(scope: Scope, id: string): Promise<ComboView> {
    return viewOf(await this.getOrThrow(scope, id));
  }

  /** Keeps combos, all or none; one that is there already under its id stays as it is. */
  async add(scope: Scope, combos: readonly NewCombo[]): Promise<ComboView[]> {
    const studioId = scope.studio.id;
    const ids = combos.map((combo) => combo.id);
    const known = await scope.manager.findBy(ComboEntity, { studioId, id: In(ids) });
    const there = new Set(known.map((combo) => combo.id));
    const fresh = combos.filter((combo) => !there.has(combo.id));
    const errors = await this.faultsOf(scope, fresh);
    if (errors.length > 0) throw new RefusedFieldsProblem(errors);
    for (const { id, name, note = "", parts } of fresh) {
      await scope.manager.insert(ComboEntity, {
        ...{ studioId, id, name: name.trim(), note: note.trim(), parts: [...parts] },
        ...{ createdAt: scope.now, removedAt: null, linkHash: null, linkedAt: null, version: 1 },
      });
    }
    const stored = await scope.manager.findBy(ComboEntity, { studioId, id: In(ids) });
    return ids.flatMap((id) => stored.filter((combo) => combo.id === id).map(viewOf));
  }

  async change(
    scope: Scope,
    id: string,
    { version, name, note, isRemoved }: ComboChange,
  ): Promise<ComboView> {
    const held = await this.hold(scope, id);
    if (held.version !== version) {
      const now = viewOf(held);
      if (isSoAlready(now, { name, note, isRemoved })) return now;
      throw new StaleChangeProblem(now);
    }
    const removedAt = isRemoved === undefined ? held.removedAt : isRemoved ? scope.now : null;
    const said = { name: name ?? held.name, note: note?.trim() ?? held.note };
    const changed = { ...held, ...said, removedAt, version: version + 1 };
    return viewOf(await scope.manager.save(ComboEntity, changed));
  }

  /** Makes a link, and withdraws the one that was. */
  async link(scope: Scope, id: string): Promise<ComboLinkView> {
    const held = await this.hold(scope, id);
    const token = randomBytes(24).toString("base64url");
    const changed = { ...held, linkHash: hashOf(token), linkedAt: scope.now };
    await this.audit.note(scope, "shared", { about: held.name });
    return { token, combo: viewOf(await scope.manager.save(ComboEntity, changed)) };
  }

  async withdraw(scope: Scope, id: string): Promise<ComboView> {
    const held = await this.hold(scope, id);
    if (held.linkHash !== null) await this.audit.note(scope, "unshared", { about: held.name });
    return viewOf(await scope.manager.save(ComboEntity, { ...held, linkHash: null, linkedAt: null }));
  }

  /** What a link shows; throws `BadComboLinkProblem` for one that was withdrawn, or is none of ours. */
  async shared(token: string): Promise<SharedCombo> {
    const linkHash = hashOf(token);
    const [found] = await this.database.query<{ id: string | null }[]>(
      "SELECT mirrup_studio_of_combo_link($1) AS id",
      [linkHash],
    );
    if (found?.id == null) throw new BadComboLinkProblem();
    return this.scopes.run({ studioId: found.id }, async (scope) => {
      const combo = await scope.manager.findOneBy(ComboEntity, { studioId: scope.studio.id, linkHash });
      if (combo === null) throw new BadComboLinkProblem();
      return { name: combo.name, studio: scope.studio.name, parts: combo.parts };
    });
  }

  /** Where a student stands with each combo on the shelf, a side a line. */
  async standingsOf(scope: Scope, studentId: string): Promise<ComboStandingItem[]> {
    const sides = await this.shelfOf(scope, studentId);
    return sides.map(({ combo, side, standing }) => ({ comboId: combo.id, side, ...standing }));
  }

  /** The combos on the shelf, as a student's plan asks for them. */
  async planned(scope: Scope, studentId: string): Promise<PlanCombo[]> {
    const sides = await this.shelfOf(scope, studentId);
    return sides.map(({ combo: { id, name, parts }, side, standing: { status, cleanChance } }) => ({
      ...{ id, name, side, parts: onSide(parts, side), status, cleanChance },
    }));
  }

  private async shelfOf(scope: Scope, studentId: string): Promise<readonly ComboSide[]> {
    const student = await this.students.getOrThrow(scope, studentId);
    const combos = await scope.manager.findBy(ComboEntity, { studioId: scope.studio.id });
    const facts = (await this.standings.factsOf(scope, [student])).get(studentId);
    const reading = skillsReading(scope, student, facts);
    const today = todayIn(scope);
    const partsById = new Map(combos.map((combo) => [combo.id, combo.parts]));
    const statusOf = (subject: string, side: SideName) => findStanding(reading, subject, side)?.status;
    return combos
      .filter((combo) => combo.removedAt === null)
      .flatMap((combo) => {
        // A combo among its parts is judged by what that is made of.
        const apart = takenApart(combo.parts, (one) => partsById.get(one));
        const canBegin = ["now", "one-new"].includes(abilityOf(apart, statusOf, reading.syllabus).code);
        return sidesOfScore(combo.parts).map((side): ComboSide => {
          const own = facts?.get({ subject: comboKey(combo.id), side });
          return { combo, side, standing: comboStanding(own, canBegin, today) };
        });
      });
  }

  /** The last sets of a combo and its links, newest first, without those that were taken back. */
  async setsOf(scope: Scope, studentId: string, comboId: string): Promise<readonly SetView[]> {
    await this.students.getOrThrow(scope, studentId);
    const { parts } = await this.getOrThrow(scope, comboId);
    const subjects = [comboKey(comboId), ...parts.map((_, place) => linkKey(comboId, place))];
    const about = { studioId: scope.studio.id, studentId, subject: In(subjects) };
    const sets = await scope.manager.find(SetEntity, {
      where: about,
      order: { happenedAt: "DESC", id: "DESC" },
      take: LAST_SETS,
    });
    const voided = voidedBy(await scope.manager.findBy(DecisionEntity, about));
    return withNotes(
      scope,
      sets.filter((set) => !voided.has(set.id)),
    );
  }

  /** Everything that keeps combos from being kept, each at its place in the request. */
  private async faultsOf(scope: Scope, combos: readonly NewCombo[]): Promise<ProblemError[]> {
    const used = combos.flatMap(({ parts }) =>
      parts.flatMap(({ subject }) => (subject === null ? [] : (comboSubject(subject)?.id ?? []))),
    );
    const known = await scope.manager.findBy(ComboEntity, { studioId: scope.studio.id, id: In(used) });
    const ids = new Set(known.map((combo) => combo.id));
    return combos.flatMap(({ id, parts }, item) => {
      const field = (part: number | null) => (part === null ? "parts" : `parts[${part}]`);
      const rules = comboFaults(scope.catalogue, parts).map(({ part, code, message }): ProblemError => ({
        item,
        id,
        field: field(part),
        code,
        message,
      }));
      const lost = parts.flatMap(({ subject }, part): ProblemError[] => {
        const used = subject === null ? null : comboSubject(subject);
        if (used === null || (ids.has(used.id) && used.link === null && used.id !== id)) return [];
        const message = "A combo that it is made of is not in the studio. Take its moves instead.";
        return [{ item, id, field: field(part), code: "unknown-combo", message }];
      });
      return [...rules, ...lost];
    });
  }

  private async getOrThrow(scope: Scope, id: string): Promise<ComboEntity> {
    const combo = await scope.manager.findOneBy(ComboEntity, { studioId: scope.studio.id, id });
    if (combo === null) throw new UnknownComboProblem();
    return combo;
  }

  private async hold(scope: Scope, id: string): Promise<Pick<ComboEntity, keyof ComboEntity>> {
    const held = await scope.manager.findOne(ComboEntity, {
      where: { studioId: scope.studio.id, id },
      lock: { mode: "for_no_key_update" },
    });
    if (held === null) throw new UnknownComboProblem();
    return held;
  }
}

function viewOf(combo: ComboEntity): ComboView {
  const { id, version, name, note, parts, createdAt, linkedAt, removedAt } = combo;
  return {
    ...{ id, version, name, note, parts },
    createdAt: createdAt.toISOString(),
    linkedAt: linkedAt?.toISOString() ?? null,
    isRemoved: removedAt !== null,
  };
}
