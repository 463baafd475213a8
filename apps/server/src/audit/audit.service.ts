import type { AuditAction } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { v7 as uuid } from "uuid";
import type { EntityManager } from "typeorm";
import { membershipsOf } from "../database/memberships.js";
import { enterStudio, type Scope } from "../database/scope.js";
import { AuditEntity } from "./audit.entity.js";

interface About {
  readonly studentId?: string;
  /** An address, a role, a skill and side; never a student's name. */
  readonly about?: string;
}

@Injectable()
export class AuditService {
  /** Writes down what the scope's person did, in the scope's transaction. */
  async note(scope: Scope, action: AuditAction, about: About = {}): Promise<void> {
    await this.noteAll(scope, action, [about]);
  }

  /** Writes down what somebody did with their own account, in each of their studios: it is theirs in all of them. */
  async noteEverywhere(
    manager: EntityManager,
    personId: string,
    action: AuditAction,
    about: string | null = null,
  ): Promise<void> {
    for (const { studioId } of await membershipsOf(manager, personId)) {
      await enterStudio(manager, studioId);
      const entry = { studioId, id: uuid(), at: new Date(), personId, action, studentId: null, about };
      await manager.insert(AuditEntity, entry);
    }
  }

  /** The same action on several things at once. */
  async noteAll(scope: Scope, action: AuditAction, things: readonly About[]): Promise<void> {
    // What a route does not declare, nobody would look for.
    if (scope.audits !== "all" && !scope.audits.includes(action))
      throw new Error(`"${action}" is noted by a route that does not declare it.`);
    const entries = things.map(({ studentId, about }) => ({
      studioId: scope.studio.id,
      id: uuid(),
      at: scope.now,
      personId: scope.personId,
      action,
      studentId: studentId ?? null,
      about: about ?? null,
    }));
    await scope.manager.insert(AuditEntity, entries);
  }
}
