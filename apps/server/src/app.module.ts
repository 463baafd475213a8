import { type DynamicModule, Module } from "@nestjs/common";
import { APP_FILTER, APP_PIPE } from "@nestjs/core";
import { ArchiveModule } from "./archive/index.js";
import { AuditModule } from "./audit/index.js";
import { AuthModule } from "./auth/index.js";
import { CatchingUpModule } from "./catching-up/index.js";
import { ChangesModule } from "./changes/index.js";
import { CombosModule } from "./combos/index.js";
import type { Config } from "./config/config.js";
import { DecisionsModule } from "./decisions/index.js";
import { DatabaseModule } from "./database/database.module.js";
import { DoorModule } from "./door/index.js";
import { Farewell } from "./farewell.js";
import { GroupsModule } from "./groups/index.js";
import { HandleModule } from "./handle/index.js";
import { HomeModule } from "./home/index.js";
import { HealthModule } from "./health/health.module.js";
import { LessonsModule } from "./lessons/index.js";
import { MailModule } from "./mail/index.js";
import { PeopleModule } from "./people/index.js";
import { PresenceModule } from "./presence/index.js";
import { PlansModule } from "./plans/index.js";
import { ContractPipe } from "./problems/contract.pipe.js";
import { ProgrammesModule } from "./programmes/index.js";
import { ProblemFilter } from "./problems/problem.filter.js";
import { ReportsModule } from "./reports/index.js";
import { SetsModule } from "./sets/index.js";
import { StudentsModule } from "./students/index.js";
import { StudiosModule } from "./studios/index.js";

@Module({})
export class AppModule {
  static at({
    databaseUrl,
    version,
    smtp,
    sessionSecret,
  }: Pick<Config, "databaseUrl" | "version" | "smtp" | "sessionSecret">): DynamicModule {
    return {
      module: AppModule,
      imports: [
        DatabaseModule.at(databaseUrl),
        DoorModule,
        HealthModule.of(version),
        AuthModule,
        PeopleModule,
        MailModule.at({ smtp, secret: sessionSecret }),
        AuditModule,
        ChangesModule,
        CatchingUpModule,
        StudiosModule,
        GroupsModule,
        StudentsModule,
        DecisionsModule,
        SetsModule,
        LessonsModule,
        CombosModule,
        ProgrammesModule,
        PlansModule,
        PresenceModule,
        HandleModule,
        HomeModule,
        ReportsModule,
        ArchiveModule,
      ],
      providers: [
        Farewell,
        { provide: APP_PIPE, useClass: ContractPipe },
        { provide: APP_FILTER, useClass: ProblemFilter },
      ],
    };
  }
}
