import { type DynamicModule, Module } from "@nestjs/common";
import { HealthController, VERSION } from "./health.controller.js";

@Module({})
export class HealthModule {
  static of(version: string): DynamicModule {
    return {
      module: HealthModule,
      controllers: [HealthController],
      providers: [{ provide: VERSION, useValue: version }],
    };
  }
}
