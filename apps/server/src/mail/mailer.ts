import { Injectable } from "@nestjs/common";
import type { EntityManager } from "typeorm";
import { v7 as uuid } from "uuid";
import { enterStudio } from "../database/scope.js";
import { MailEntity } from "./mail.entity.js";
import { PostOffice } from "./post-office.js";
import { Seal } from "./seal.js";

/** A letter to one person; it leaves from a studio. */
export interface Letter {
  readonly studioId: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}

/** Where letters are given up: into the studio's outbox, from where they leave by SMTP where that is set. */
@Injectable()
export class Mailer {
  constructor(
    private readonly seal: Seal,
    private readonly office: PostOffice,
  ) {}

  /** Takes the letter in the caller's transaction, so that it leaves only if the rest happens. */
  async send(manager: EntityManager, { studioId, to, subject, text }: Letter): Promise<void> {
    await enterStudio(manager, studioId);
    const now = new Date();
    const { isOpen } = this.office;
    await manager.insert(MailEntity, {
      ...{ studioId, id: uuid(), recipient: to, subject, body: this.seal.close(text), createdAt: now },
      ...{ queued: isOpen, tries: 0, nextTryAt: isOpen ? now : null, sentAt: null, trouble: null },
    });
    this.office.expect();
  }
}
