import type { Items, LetterState, MailView } from "@mirrup/contract";
import { mailReply } from "@mirrup/contract/schemas";
import { Controller, Get } from "@nestjs/common";
import { Reading, Within } from "../door/index.js";
import type { Scope } from "../database/scope.js";
import { MailEntity } from "./mail.entity.js";
import { Seal } from "./seal.js";

const SHOWN = 200;

function stateOf({ queued, sentAt, nextTryAt }: MailEntity): LetterState {
  if (!queued) return "kept";
  if (sentAt !== null) return "sent";
  return nextTryAt === null ? "failed" : "waiting";
}

@Controller("mail")
export class MailController {
  constructor(private readonly seal: Seal) {}

  @Get()
  @Reading({
    says: "The studio's outbox, newest first",
    for: "owner",
    reply: mailReply,
  })
  async list(@Within() scope: Scope): Promise<Items<MailView>> {
    const { studio, manager } = scope;
    const letters = await manager.find(MailEntity, {
      where: { studioId: studio.id },
      order: { createdAt: "DESC", id: "DESC" },
      take: SHOWN,
    });
    const items = letters.map((letter) => ({
      id: letter.id,
      to: letter.recipient,
      subject: letter.subject,
      text: letter.body === "" ? null : this.seal.open(letter.body),
      at: letter.createdAt.toISOString(),
      state: stateOf(letter),
      trouble: letter.trouble,
    }));
    return { items };
  }
}
