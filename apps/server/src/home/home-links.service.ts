import type {
  HomeLinkRequest,
  HomeLinkView,
  HomePracticeView,
  NewHomeLink,
  PractisedAtHome,
} from "@mirrup/contract";
import { DAY_MS } from "@mirrup/core";
import { mayGrow } from "@mirrup/core/planning";
import { Injectable } from "@nestjs/common";
import { createHash, randomBytes } from "node:crypto";
import { AuditService } from "../audit/index.js";
import type { Scope } from "../database/scope.js";
import { SetEntity, withNotes } from "../log/index.js";
import { RefusedFieldsProblem } from "../problems/problem.js";
import { todayIn } from "../standings/index.js";
import { StudentsService, type StudentEntity } from "../students/index.js";
import { HomeLinkEntity } from "./home-link.entity.js";

const TOKEN_BYTES = 24;
/** Older sets from home are told in the log alone; and so many are looked through at once. */
const LOOKED_BACK_DAYS = 120;
const MOST_SHOWN = 200;

/** What of a set from home stands open: nobody took it back, and nobody accepted it. */
const IS_OPEN = `
  line.counted_by = 'student' AND line.received_at > :since AND NOT EXISTS (
    SELECT FROM decision AS about
     WHERE about.studio_id = line.studio_id AND about.student_id = line.student_id
       AND about.decision ->> 'target' = line.id::text
       AND (about.decision ->> 'kind' = 'void'
         OR about.decision ->> 'kind' = 'accept' AND NOT EXISTS (
           SELECT FROM decision AS undone
            WHERE undone.studio_id = line.studio_id AND undone.student_id = line.student_id
              AND undone.decision ->> 'kind' = 'void'
              AND undone.decision ->> 'target' = about.id::text)))`;

export const hashOfToken = (token: string) => createHash("sha256").update(token).digest("hex");

const viewOf = ({ madeAt, expiresAt }: HomeLinkEntity): HomeLinkView => ({
  madeAt: madeAt.toISOString(),
  expiresAt: expiresAt.toISOString(),
});

/** Surely past the years in which a guardian is asked: of an unknown age nobody is sure. */
const isGrown = (scope: Scope, { birthYear }: StudentEntity) =>
  birthYear !== null && !mayGrow(birthYear, todayIn(scope));

const sinceOf = ({ now }: Scope) => new Date(now.getTime() - LOOKED_BACK_DAYS * DAY_MS);

/** A student's sets from home that nobody has looked at. */
const open = (scope: Scope, studentId: string) =>
  scope.manager
    .createQueryBuilder(SetEntity, "line")
    .where({ studioId: scope.studio.id, studentId })
    .andWhere(IS_OPEN, { since: sinceOf(scope) });

/** Links for practice at home, and what came back by them, as instructors see it. */
@Injectable()
export class HomeLinksService {
  constructor(
    private readonly students: StudentsService,
    private readonly audit: AuditService,
  ) {}

  /** Makes a student's link, ends an older one, and answers its token, which is kept nowhere. */
  async make(scope: Scope, studentId: string, { days, agreed }: HomeLinkRequest): Promise<NewHomeLink> {
    const student = await this.students.hold(scope, studentId);
    if (student.archivedAt !== null) {
      const message = "Whoever is archived practises with nobody. Bring the student back first.";
      throw new RefusedFieldsProblem([{ field: "days", code: "archived", message }]);
    }
    if (!agreed && !isGrown(scope, student)) {
      const message =
        "Under 16, or of an unknown age, a parent or guardian has to know of it and agree. Say that they do.";
      throw new RefusedFieldsProblem([{ field: "agreed", code: "not-agreed", message }]);
    }
    const token = randomBytes(TOKEN_BYTES).toString("base64url");
    const link: HomeLinkEntity = {
      ...{ studioId: scope.studio.id, studentId, tokenHash: hashOfToken(token), agreed },
      ...{ madeAt: scope.now, expiresAt: new Date(scope.now.getTime() + days * DAY_MS) },
    };
    await scope.manager.upsert(HomeLinkEntity, link, ["studioId", "studentId"]);
    await this.audit.note(scope, "opened-home", { studentId });
    return { ...viewOf(link), token };
  }

  /** Ends a student's link; where there is none, nothing is done. */
  async end(scope: Scope, studentId: string): Promise<void> {
    await this.students.hold(scope, studentId);
    const { affected } = await scope.manager.delete(HomeLinkEntity, { studioId: scope.studio.id, studentId });
    if (affected !== 0) await this.audit.note(scope, "closed-home", { studentId });
  }

  async of(scope: Scope, studentId: string): Promise<HomePracticeView> {
    const student = await this.students.getOrThrow(scope, studentId);
    const studioId = scope.studio.id;
    const link = await scope.manager.findOneBy(HomeLinkEntity, { studioId, studentId });
    const sets = await open(scope, studentId)
      .orderBy("line.happened_at", "DESC")
      .addOrderBy("line.id", "DESC")
      .limit(MOST_SHOWN)
      .getMany();
    return {
      link: link === null || link.expiresAt <= scope.now ? null : viewOf(link),
      isGrown: isGrown(scope, student),
      sets: await withNotes(scope, sets),
    };
  }

  /** How many sets of a student nobody has looked at. */
  waitingOf(scope: Scope, studentId: string): Promise<number> {
    return open(scope, studentId).getCount();
  }

  /** Whoever has sets from home that nobody has looked at, the last first. */
  async practised(scope: Scope): Promise<PractisedAtHome[]> {
    const rows = await scope.manager
      .createQueryBuilder(SetEntity, "line")
      .innerJoin("student", "student", "student.studio_id = line.studio_id AND student.id = line.student_id")
      .select("line.student_id", "studentId")
      .addSelect("student.name", "name")
      .addSelect("count(*)::int", "sets")
      .addSelect("max(line.happened_at)", "lastAt")
      .where("line.studio_id = :studioId AND student.archived_at IS NULL", { studioId: scope.studio.id })
      .andWhere(IS_OPEN, { since: sinceOf(scope) })
      .groupBy("line.student_id, student.name")
      .orderBy("max(line.happened_at)", "DESC")
      .getRawMany<Omit<PractisedAtHome, "lastAt"> & { readonly lastAt: Date }>();
    return rows.map(({ lastAt, ...rest }) => ({ ...rest, lastAt: lastAt.toISOString() }));
  }
}
