import { Module } from "@nestjs/common";
import { AuditModule } from "../audit/index.js";
import { MailModule } from "../mail/index.js";
import { PeopleController } from "./people.controller.js";
import { PeopleService } from "./people.service.js";

@Module({ imports: [MailModule, AuditModule], controllers: [PeopleController], providers: [PeopleService] })
export class PeopleModule {}
