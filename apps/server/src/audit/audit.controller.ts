import type { AuditView, Items } from "@mirrup/contract";
import { auditReply } from "@mirrup/contract/schemas";
import { Controller, Get } from "@nestjs/common";
import { In } from "typeorm";
import { Reading, Within } from "../door/index.js";
import { PersonEntity } from "../auth/person.entity.js";
import type { Scope } from "../database/scope.js";
import { StudentEntity } from "../students/student.entity.js";
import { AuditEntity } from "./audit.entity.js";

const SHOWN = 500;

@Controller("audit")
export class AuditController {
  @Get()
  @Reading({
    says: "Who did what in the studio, newest first",
    for: "owner",
    reply: auditReply,
  })
  async list(@Within() scope: Scope): Promise<Items<AuditView>> {
    const { studio, manager } = scope;
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
  }
}
