import { Module } from "@nestjs/common";
import { RulesChangesController } from "./rules-changes.controller.js";
import { StandingsService } from "./standings.service.js";

@Module({
  controllers: [RulesChangesController],
  providers: [StandingsService],
  exports: [StandingsService],
})
export class StandingsModule {}
