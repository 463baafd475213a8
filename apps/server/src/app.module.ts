import { type DynamicModule, Module } from "@nestjs/common";
import { APP_FILTER, APP_PIPE } from "@nestjs/core";
import { AuditModule } from "./audit/index.js";
import { AuthModule } from "./auth/index.js";
import { CombosModule } from "./combos/index.js";
import type { Config } from "./config/config.js";
import { DecisionsModule } from "./decisions/index.js";
import { DatabaseModule } from "./database/database.module.js";
import { GroupsModule } from "./groups/index.js";
import { HandleModule } from "./handle/index.js";
import { HealthModule } from "./health/health.module.js";
import { LessonsModule } from "./lessons/index.js";
import { MailModule } from "./mail/index.js";
import { PeopleModule } from "./people/index.js";
import { PlansModule } from "./plans/index.js";
import { ContractPipe } from "./problems/contract.pipe.js";
import { ProblemFilter } from "./problems/problem.filter.js";
import { SetsModule } from "./sets/index.js";
import { StudentsModule } from "./students/index.js";
import { StudiosModule } from "./studios/index.js";

@Module({})
export class AppModule {
  static at({ databaseUrl, version }: Pick<Config, "databaseUrl" | "version">): DynamicModule {
    return {
      module: AppModule,
      imports: [
        DatabaseModule.at(databaseUrl),
        HealthModule.of(version),
        AuthModule,
        PeopleModule,
        MailModule,
        AuditModule,
        StudiosModule,
        GroupsModule,
        StudentsModule,
        DecisionsModule,
        SetsModule,
        LessonsModule,
        CombosModule,
        PlansModule,
        HandleModule,
      ],
      providers: [
        { provide: APP_PIPE, useClass: ContractPipe },
        { provide: APP_FILTER, useClass: ProblemFilter },
      ],
    };
  }
}
