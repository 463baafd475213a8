import { Injectable } from "@nestjs/common";
import type { EntityManager } from "typeorm";
import { v7 as uuid } from "uuid";
import { enterStudio } from "../database/scope.js";
import { MailEntity } from "./mail.entity.js";

/** A letter to one person, as an SMTP client would take it; it leaves from a studio. */
export interface Letter {
  readonly studioId: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}

/**
 * Where letters leave. To send real mail, provide another class under this token whose `send` hands
 * the letter to an SMTP client; everything else stays as it is.
 */
export abstract class Mailer {
  /** Takes the letter in the caller's transaction, so that it leaves only if the rest happens. */
  abstract send(manager: EntityManager, letter: Letter): Promise<void>;
}

/** The stand-in that ships with Mirrup: letters lie in the studio's outbox, where its owner reads them. */
@Injectable()
export class OutboxMailer extends Mailer {
  async send(manager: EntityManager, { studioId, to, subject, text }: Letter): Promise<void> {
    await enterStudio(manager, studioId);
    const letter = { studioId, id: uuid(), recipient: to, subject, body: text, createdAt: new Date() };
    await manager.insert(MailEntity, letter);
  }
}
