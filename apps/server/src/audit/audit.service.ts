import type { AuditAction } from "@mirrup/contract";
import { Injectable } from "@nestjs/common";
import { v7 as uuid } from "uuid";
import type { Scope } from "../database/scope.js";
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

  /** The same action on several things at once. */
  async noteAll(scope: Scope, action: AuditAction, things: readonly About[]): Promise<void> {
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
