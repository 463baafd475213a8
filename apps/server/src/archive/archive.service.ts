import type { ArchiveReply } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import type { Readable } from "node:stream";
import { AuditService } from "../audit/index.js";
import { Scopes, type Member, type Scope } from "../database/scope.js";
import { tellChange } from "../door/index.js";
import { BadArchiveProblem, NotEmptyProblem, ProblemException } from "../problems/problem.js";
import { StandingsService } from "../standings/index.js";
import { StudentEntity } from "../students/index.js";
import { checkArchive, readArchive } from "./read.js";
import { ARCHIVED, TOUCHED } from "./tables.js";
import { dropFolder, makeFolder, packed, unpack } from "./unpack.js";
import { writeArchive } from "./write.js";

/** Reads the whole of a file that its own studio made: what the database refuses in it was changed since. */
const isOfContent = (error: unknown): boolean =>
  ["22", "23"].includes(String(Reflect.get(Object(error), "code")).slice(0, 2));

/** A whole studio as one file, out of here and into an empty one. */
@Injectable()
export class ArchiveService {
  constructor(
    private readonly scopes: Scopes,
    private readonly audit: AuditService,
    private readonly standings: StandingsService,
  ) {}

  /** All of the studio as it is at one moment, as a stream. */
  async save({ studioId, personId }: Member): Promise<Readable> {
    const folder = await makeFolder();
    try {
      const files = await this.scopes.run({ studioId, personId, mode: "read" }, (scope) =>
        writeArchive(scope, folder),
      );
      await this.scopes.run({ studioId, personId, audits: ["exported-all"] }, (scope) =>
        this.audit.note(scope, "exported-all", { about: "everybody, as an archive" }),
      );
      return packed(folder, files);
    } catch (error) {
      await dropFolder(folder);
      throw error;
    }
  }

  /**
   * Reads an archive into a studio that has nothing of its own, all of it or nothing. Throws `BadArchiveProblem` and
   * `NotEmptyProblem`.
   */
  async read({ studioId, personId }: Member, sent: Readable): Promise<ArchiveReply> {
    const folder = await makeFolder();
    try {
      // Before an hour's upload is waited for, and once more when it is written.
      await this.scopes.run({ studioId, personId, mode: "read" }, (scope) => askEmpty(scope));
      await unpack(sent, folder);
      const studio = await checkArchive(folder);
      const read = await this.scopes.run({ studioId, personId, audits: ["imported"] }, async (scope) => {
        await scope.manager.query("SELECT FROM studio WHERE id = $1 FOR UPDATE", [studioId]);
        await askEmpty(scope);
        const sets = await readArchive(scope, folder, studio);
        const students = await scope.manager.countBy(StudentEntity, { studioId });
        await this.audit.note(scope, "imported", { about: `${students} students, from an archive` });
        await tellChange(scope, {
          topics: TOUCHED,
          studentIds: [],
          device: null,
        });
        return { students, sets };
      });
      await this.makeFacts(studioId);
      return read;
    } catch (error) {
      if (!(error instanceof ProblemException) && isOfContent(error))
        throw new BadArchiveProblem(
          `Its lines do not fit together: ${error instanceof Error ? error.message : "unknown"}.`,
        );
      throw error;
    } finally {
      await dropFolder(folder);
    }
  }

  /** Where everybody stands, worked out now: the first page that asks would wait for all of it. */
  private async makeFacts(studioId: string): Promise<void> {
    const students = await this.scopes.run({ studioId, mode: "read" }, ({ manager }) =>
      manager.find(StudentEntity, { where: { studioId }, select: { id: true } }),
    );
    for (const { id } of students)
      await this.scopes.run({ studioId }, async (scope) => {
        const student = await scope.manager.findOneBy(StudentEntity, { studioId, id });
        if (student !== null) await this.standings.factsOf(scope, [student]);
      });
  }
}

/** Throws `NotEmptyProblem` for a studio with anything that an archive brings. */
async function askEmpty({ manager, studio }: Scope): Promise<void> {
  for (const { name } of ARCHIVED) {
    const rows = await manager.query<unknown[]>(`SELECT FROM "${name}" WHERE studio_id = $1 LIMIT 1`, [
      studio.id,
    ]);
    if (rows.length > 0) throw new NotEmptyProblem();
  }
}
