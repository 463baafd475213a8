import { type DynamicModule, Global, Module } from "@nestjs/common";
import { TypeOrmModule } from "@nestjs/typeorm";
import { databaseOptions, REQUEST_LIMITS } from "./data-source.js";
import { Scopes } from "./scope.js";

@Global()
@Module({})
export class DatabaseModule {
  static at(url: string): DynamicModule {
    return {
      module: DatabaseModule,
      imports: [TypeOrmModule.forRoot({ ...databaseOptions(url, REQUEST_LIMITS), retryAttempts: 1 })],
      providers: [Scopes],
      exports: [Scopes],
    };
  }
}
