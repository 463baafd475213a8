import type { Done, ReportLetter } from "@mirrup/contract";
import { doneReply, idParam, reportLetter } from "@mirrup/contract/schemas";
import { Body, Controller, Param, Post } from "@nestjs/common";
import { AuditService } from "../audit/index.js";
import type { Scope } from "../database/scope.js";
import { Command, Within } from "../door/index.js";
import { Mailer } from "../mail/index.js";
import { StudentsService } from "../students/index.js";

const DONE: Done = { done: true };

@Controller("students/:id/report-letter")
export class ReportsController {
  constructor(
    private readonly students: StudentsService,
    private readonly mailer: Mailer,
    private readonly audit: AuditService,
  ) {}

  @Post()
  @Command({
    says: "Sends a report on a student, as its page has it in words, to one address",
    for: "coach",
    reply: doneReply,
    refuses: [410],
    audit: ["mailed-report"],
    pace: "letters",
    // Its outbox.
    touches: ["studio"],
  })
  async send(
    @Within() scope: Scope,
    @Param("id", { schema: idParam }) id: string,
    @Body({ schema: reportLetter }) { to, text }: ReportLetter,
  ): Promise<Done> {
    const { name } = await this.students.getOrThrow(scope, id);
    const { manager, studio } = scope;
    await this.mailer.send(manager, {
      ...{ studioId: studio.id, to, text: `${text}\n\n${studio.name}\n` },
      subject: `How ${name} is coming along`,
    });
    await this.audit.note(scope, "mailed-report", { studentId: id, about: to });
    return DONE;
  }
}
