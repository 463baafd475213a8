import { Module } from "@nestjs/common";
import { RememberedFacts } from "./remembered.js";
import { RulesChangesController } from "./rules-changes.controller.js";
import { StandingsService } from "./standings.service.js";

@Module({
  controllers: [RulesChangesController],
  providers: [StandingsService, RememberedFacts],
  exports: [StandingsService],
})
export class StandingsModule {}
