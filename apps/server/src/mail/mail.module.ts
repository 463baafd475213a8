import { type DynamicModule, Global, Module } from "@nestjs/common";
import { getDataSourceToken } from "@nestjs/typeorm";
import type { DataSource } from "typeorm";
import { Forgetting } from "./forgetting.js";
import { MailController } from "./mail.controller.js";
import { Mailer } from "./mailer.js";
import { PostOffice } from "./post-office.js";
import { Seal } from "./seal.js";
import { smtpLine, type Smtp } from "./smtp.js";

@Global()
@Module({})
export class MailModule {
  /** Letters leave by `smtp`; without it they lie in the outbox. `secret` is what they are sealed with. */
  static at({ smtp, secret }: { readonly smtp: Smtp | null; readonly secret: string }): DynamicModule {
    const office = (database: DataSource, seal: Seal) =>
      new PostOffice(database, seal, smtp === null ? null : smtpLine(smtp));
    return {
      module: MailModule,
      controllers: [MailController],
      providers: [
        { provide: Seal, useValue: new Seal(secret) },
        { provide: PostOffice, useFactory: office, inject: [getDataSourceToken(), Seal] },
        Mailer,
        Forgetting,
      ],
      exports: [Mailer],
    };
  }
}
