import type { Membership, NewStudio, StudioDeletion } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { InjectDataSource } from "@nestjs/typeorm";
import type { DataSource } from "typeorm";
import { AuditService } from "../audit/index.js";
import { demoCoach } from "../database/memberships.js";
import type { Scope } from "../database/scope.js";
import { DemoAccountProblem, RefusedFieldsProblem } from "../problems/problem.js";
import { foundStudio } from "./found.js";
import { StudioEntity } from "./studio.entity.js";

/** Studios that are made and deleted by their owners. */
@Injectable()
export class StudiosService {
  constructor(
    @InjectDataSource() private readonly database: DataSource,
    private readonly audit: AuditService,
  ) {}

  /** Makes a studio of a person's own. The demo's coach, who may be anybody, makes none. */
  async create(personId: string, asked: NewStudio): Promise<Membership> {
    return this.database.transaction(async (manager) => {
      if ((await demoCoach(manager)) === personId) throw new DemoAccountProblem();
      const { id, name } = await foundStudio(manager, asked, personId, new Date(), this.audit);
      return { studioId: id, studioName: name, role: "owner" };
    });
  }

  /** Deletes the scope's studio with all that belongs to it, where its name was typed right. */
  async delete({ studio, manager }: Scope, { studioName }: StudioDeletion): Promise<void> {
    if (studioName.trim() !== studio.name.trim()) {
      const message = `Type the studio's name as it stands above: ${studio.name}.`;
      throw new RefusedFieldsProblem([{ field: "studioName", code: "other-name", message }]);
    }
    await manager.delete(StudioEntity, { id: studio.id });
  }
}
