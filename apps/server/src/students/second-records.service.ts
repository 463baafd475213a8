import type { BroughtOver } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { AuditService } from "../audit/index.js";
import { holdTeaching, type Scope, type TeachingScope } from "../database/scope.js";
import { MembersService } from "../groups/index.js";
import { KeptElsewhereProblem, SameRecordProblem } from "../problems/problem.js";
import { gatesOf, StandingsService } from "../standings/index.js";
import { holdRecords } from "./hold.js";
import { StudentEntity } from "./student.entity.js";
import { StudentsService } from "./students.service.js";

const NOTHING: BroughtOver = { sets: 0, decisions: 0 };
/** Lines by whose they are, or by whose they were said to be. */
type Whose = "student_id" | "said_of";
/** What of a child is measured or known: what one record lacks is taken from the other. */
const KNOWN = [
  ...(["birthYear", "yearsJumping", "heightMm", "dominantHand", "strongerSide"] as const),
  ...(["ropeKind", "ropeLengthMm", "homeStep"] as const),
];

/** What the kept record comes to know from the second; cautions of either count, and whoever comes is not archived. */
function learnedFrom(kept: StudentEntity, second: StudentEntity): Partial<StudentEntity> {
  const known = KNOWN.flatMap((field) => (kept[field] === null ? [[field, second[field]] as const] : []));
  const cautions = [...new Set([...kept.cautions, ...second.cautions])];
  return { ...Object.fromEntries(known), cautions, ...(second.archivedAt === null && { archivedAt: null }) };
}

/** Two records of one child: the log of the second is in the kept one's, for as long as they are together. */
@Injectable()
export class SecondRecordsService {
  constructor(
    private readonly students: StudentsService,
    private readonly members: MembersService,
    private readonly standings: StandingsService,
    private readonly audit: AuditService,
  ) {}

  /**
   * Makes `secondId` a part of `keptId`: its log, jumps and lessons are the kept one's, its groups too, and it is
   * archived. Whatever devices say of it later is about the kept one. Said twice, it is done once.
   */
  async bringTogether(asked: Scope, keptId: string, secondId: string): Promise<BroughtOver> {
    if (keptId === secondId) throw new SameRecordProblem();
    const scope = await holdTeaching(asked);
    await this.members.holdGroups(scope, keptId, await this.groupsOf(scope, keptId, secondId));
    const { kept, second } = await this.hold(scope, keptId, secondId);
    if (second.sameAs === kept.id) return NOTHING;
    if (kept.sameAs !== null || second.sameAs !== null) throw new KeptElsewhereProblem();
    const studioId = scope.studio.id;
    const brought = await this.countOf(scope, "student_id", second.id);
    await this.outdateLessons(scope, "student_id", second.id);
    const archivedAt = second.archivedAt ?? scope.now;
    await scope.manager.update(StudentEntity, { studioId, sameAs: second.id }, { sameAs: kept.id });
    await scope.manager.update(
      StudentEntity,
      { studioId, id: second.id },
      { sameAs: kept.id, archivedAt, version: second.version + 1 },
    );
    await scope.manager.query("SELECT mirrup_bring_together($1, $2)", [kept.id, second.id]);
    // Whoever hurts does not jump on, under whatever name it was said.
    await scope.manager.query(
      `INSERT INTO early_stop AS own (studio_id, student_id, day, stops, said_at)
         SELECT studio_id, $2, day, stops, said_at FROM early_stop WHERE studio_id = $1 AND student_id = $3 AND stops
       ON CONFLICT (studio_id, student_id, day) DO UPDATE
         SET stops = true, said_at = greatest(own.said_at, excluded.said_at)`,
      [studioId, kept.id, second.id],
    );
    await scope.manager.query("DELETE FROM home_link WHERE studio_id = $1 AND student_id = $2", [
      studioId,
      second.id,
    ]);
    // Read anew: who was in which group could change until both were held.
    await this.members.setGroups(scope, kept.id, await this.groupsOf(scope, kept.id, second.id));
    const learned = { ...learnedFrom(kept, second), version: kept.version + 1 };
    await scope.manager.update(StudentEntity, { studioId, id: kept.id }, learned);
    await this.deriveAnew(scope, [kept, second]);
    await this.audit.note(scope, "brought-together", { studentId: kept.id });
    return brought;
  }

  /**
   * Makes two records of two children again: what came with the second goes back to it, and it is no longer archived.
   * What was said since stays with the kept one, but for what is about what goes back; and so does what that learned of
   * the other.
   */
  async takeApart(asked: Scope, keptId: string, secondId: string): Promise<BroughtOver> {
    const scope = await holdTeaching(asked);
    const { kept, second } = await this.hold(scope, keptId, secondId);
    if (second.sameAs !== kept.id) return NOTHING;
    const studioId = scope.studio.id;
    const gone = await this.countOf(scope, "said_of", second.id);
    await this.outdateLessons(scope, "said_of", second.id);
    await scope.manager.query("SELECT mirrup_take_apart($1, $2)", [kept.id, second.id]);
    const apart = { sameAs: null, archivedAt: null, version: second.version + 1 };
    await scope.manager.update(StudentEntity, { studioId, id: second.id }, apart);
    await scope.manager.increment(StudentEntity, { studioId, id: kept.id }, "version", 1);
    await this.deriveAnew(scope, [kept, second]);
    await this.audit.note(scope, "took-apart", { studentId: kept.id });
    return gone;
  }

  private async groupsOf(scope: TeachingScope, ...ids: readonly string[]): Promise<readonly string[]> {
    const groups = await this.members.groupsOf(scope, ids);
    return [...new Set([...groups.values()].flat())];
  }

  private async hold(scope: TeachingScope, keptId: string, secondId: string) {
    const held = await holdRecords(scope, [keptId, secondId]);
    const recordOf = async (id: string) =>
      held.find((student) => student.id === id) ?? (await this.students.getOrThrow(scope, id));
    return { kept: await recordOf(keptId), second: await recordOf(secondId) };
  }

  /** How many lines of the log are a record's, or were said of it and are another's now. */
  private async countOf({ manager, studio }: TeachingScope, column: Whose, id: string): Promise<BroughtOver> {
    const [count] = await manager.query<readonly BroughtOver[]>(
      `SELECT (SELECT count(*) FROM practice_set WHERE studio_id = $1 AND ${column} = $2)::int AS sets,
         (SELECT count(*) FROM decision WHERE studio_id = $1 AND ${column} = $2)::int AS decisions`,
      [studio.id, id],
    );
    return count ?? NOTHING;
  }

  /** What somebody made of an older list of a lesson would undo what is done to it. */
  private async outdateLessons({ manager, studio }: TeachingScope, column: Whose, id: string): Promise<void> {
    await manager.query(
      `UPDATE lesson SET version = version + 1 WHERE studio_id = $1 AND id IN
         (SELECT lesson_id FROM lesson_student WHERE studio_id = $1 AND ${column} = $2)`,
      [studio.id, id],
    );
  }

  /** Gates and facts of records whose logs are others than before. */
  private async deriveAnew(scope: TeachingScope, records: readonly StudentEntity[]): Promise<void> {
    for (const { id } of records) {
      const key = { studioId: scope.studio.id, id };
      await scope.manager.update(StudentEntity, key, { gates: await gatesOf(scope, this.standings, id) });
      await this.standings.refold(scope, await scope.manager.findOneByOrFail(StudentEntity, key));
    }
  }
}
