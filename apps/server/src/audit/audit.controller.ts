import type { AuditView, Items } from "@mirrup/contract";
import { auditReply } from "@mirrup/contract/schemas";
import { Controller, Get } from "@nestjs/common";
import { In } from "typeorm";
import { Asking, For } from "../access/access.js";
import { PersonEntity } from "../auth/person.entity.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { StudentEntity } from "../students/student.entity.js";
import { AuditEntity } from "./audit.entity.js";

const SHOWN = 500;

@Controller("audit")
export class AuditController {
  constructor(private readonly scopes: Scopes) {}

  /** Who did what in the studio, newest first. */
  @Get()
  @For("owner")
  @Reply(auditReply, 401, 403, 404)
  list(@Asking() member: Member): Promise<Items<AuditView>> {
    return this.scopes.run(member, async ({ studio, manager }) => {
      const entries = await manager.find(AuditEntity, {
        where: { studioId: studio.id },
        order: { at: "DESC", id: "DESC" },
        take: SHOWN,
      });
      const people = await manager.findBy(PersonEntity, {
        id: In(entries.flatMap((entry) => entry.personId ?? [])),
      });
      const students = await manager.findBy(StudentEntity, {
        studioId: studio.id,
        id: In(entries.flatMap((entry) => entry.studentId ?? [])),
      });
      const nameOf = new Map([...people, ...students].map(({ id, name }) => [id, name]));
      const items = entries.map(({ id, at, personId, action, studentId, about }) => ({
        id,
        at: at.toISOString(),
        by: (personId === null ? undefined : nameOf.get(personId)) ?? null,
        action,
        whom: (studentId === null ? undefined : nameOf.get(studentId)) ?? null,
        about,
      }));
      return { items };
    });
  }
}
