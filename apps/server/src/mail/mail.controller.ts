import type { Items, MailView } from "@mirrup/contract";
import { mailReply } from "@mirrup/contract/schemas";
import { Controller, Get } from "@nestjs/common";
import { Asking, For } from "../access/access.js";
import { Scopes, type Member } from "../database/scope.js";
import { Reply } from "../problems/reply.js";
import { MailEntity } from "./mail.entity.js";

const SHOWN = 200;

@Controller("mail")
export class MailController {
  constructor(private readonly scopes: Scopes) {}

  /** The studio's outbox, newest first. */
  @Get()
  @For("owner")
  @Reply(mailReply, 401, 403, 404)
  list(@Asking() member: Member): Promise<Items<MailView>> {
    return this.scopes.run(member, async ({ studio, manager }) => {
      const letters = await manager.find(MailEntity, {
        where: { studioId: studio.id },
        order: { createdAt: "DESC", id: "DESC" },
        take: SHOWN,
      });
      const items = letters.map(({ id, recipient, subject, body, createdAt }) => ({
        id,
        to: recipient,
        subject,
        text: body,
        at: createdAt.toISOString(),
      }));
      return { items };
    });
  }
}
