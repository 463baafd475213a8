import { Module } from "@nestjs/common";
import { MailController } from "./mail.controller.js";
import { Mailer, OutboxMailer } from "./mailer.js";

@Module({
  controllers: [MailController],
  providers: [{ provide: Mailer, useClass: OutboxMailer }],
  exports: [Mailer],
})
export class MailModule {}
